import { supplyKind } from '../../supply';
import { showsOf } from '../../document/lamp-roles';
import { layOnDecoder } from '../../study/locomotive/lay-circuits';
import { aboutLamps, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const dcOnDcc: VehicleRule = {
  id: 'dc-on-dcc',
  judge({ vehicle, table }) {
    const { job, supply } = vehicle;
    if (supply.kind !== 'dcc-track' && supply.kind !== 'ac-track') return [];
    const ids = Object.entries(job.lamps)
      .filter(([, l]) => {
        const circuit = l.circuitId === null ? null : job.circuits[l.circuitId];
        const direct = circuit && (circuit.feed.kind === 'track' || !job.decoder);
        return direct && showsOf(l) !== 'both';
      })
      .map(([id]) => id);
    if (ids.length === 0) return [];
    const lit = table.rows[0].lamps.filter((l) => ids.includes(l.lampId) && l.does === 'lit').length;
    const over = table.rows[0].lamps.filter((l) => l.led && l.peakAmps > l.led.greatestAmps).length;
    return [
      {
        id: 'dc-on-dcc',
        rule: 'dc-on-dcc',
        severity: 'stop' as const,
        title: `A circuit made for DC stands on ${supplyKind(supply).name}`,
        sentence: `${lit} lamps that should tell the direction all shine at once, both colours${over > 0 ? `, and ${over} get more than they bear` : ''}.`,
        reason:
          'The rails change sides thousands of times a second whichever way it runs, so what hangs on them straight cannot know the direction. It needs a decoder, or a DC track.',
        ...aboutLamps(vehicle, ids),
        figures: { lamps: lit, overloaded: over },
        remedies:
          supply.kind === 'dcc-track' && !job.decoder
            ? [
                vehicleRemedy(vehicle, 'Fit a decoder with an 8-pin plug', (draft) =>
                  layOnDecoder(draft, 'usual', '8-pin'),
                ),
              ]
            : [],
      },
    ];
  },
};
