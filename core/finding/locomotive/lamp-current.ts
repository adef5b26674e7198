import { formatQuantity } from '../../quantity/format';
import { nextPreferred } from '../../part/preferred';
import { topologies } from '../../assembly/topologies';
import { aboutLamps, lampsNamed, vehicleRemedy, type VehicleRule } from './vehicle-rule';

/** A cure aims at this share of what the lamp bears. */
const LONG_LIFE = 0.5;

export const vehicleLampCurrent: VehicleRule = {
  id: 'lamp-current',
  judge({ vehicle, atMost }) {
    const { job } = vehicle;
    const worst = new Map<string, { amps: number; most: number }>();
    for (const row of atMost)
      for (const l of row.lamps)
        if (l.led && l.peakAmps > l.led.greatestAmps && l.peakAmps > (worst.get(l.lampId)?.amps ?? 0))
          worst.set(l.lampId, { amps: l.peakAmps, most: l.led.greatestAmps });
    if (worst.size === 0) return [];
    const ids = [...worst.keys()];
    const top = [...worst.values()].reduce((a, b) => (b.amps > a.amps ? b : a));
    const factorOf = (lampIds: readonly string[]): number =>
      Math.max(...lampIds.map((id) => worst.get(id)!.amps / (LONG_LIFE * worst.get(id)!.most)));
    const circuits = [...new Set(ids.flatMap((id) => job.lamps[id].circuitId ?? []))];
    const curable = circuits.filter((c) => topologies[job.circuits[c].topology].resistors !== 'none');
    return [
      {
        id: 'lamp-current',
        rule: 'lamp-current',
        severity: 'stop' as const,
        title: 'Lamps get more than they bear',
        sentence: `${lampsNamed(vehicle, ids)}: up to ${formatQuantity(top.amps, 'amp')}; the most is ${formatQuantity(top.most, 'amp')}.`,
        reason:
          'A lamp too bright today is a dead one next month. A larger resistor costs little light to the eye: half the current is barely noticed.',
        ...aboutLamps(vehicle, ids),
        figures: { amps: top.amps, mostAmps: top.most },
        remedies:
          curable.length > 0
            ? [
                vehicleRemedy(vehicle, 'Fit larger resistors', (draft) => {
                  for (const c of curable) {
                    const own = ids.filter((id) => job.lamps[id].circuitId === c);
                    if (topologies[job.circuits[c].topology].resistors === 'shared')
                      draft.circuits[c].ohms = nextPreferred(job.circuits[c].ohms * factorOf(own), 'E12');
                    else
                      for (const id of own)
                        draft.lamps[id].ohms = nextPreferred(job.lamps[id].ohms * factorOf([id]), 'E12');
                  }
                }),
              ]
            : circuits.length > 0
              ? [
                  vehicleRemedy(vehicle, 'Give each a resistor of its own', (draft) => {
                    for (const c of circuits) draft.circuits[c].topology = 'resistor-each';
                  }),
                ]
              : [],
      },
    ];
  },
};
