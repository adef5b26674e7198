import { decoderTypes } from '../../part/decoder-type';
import { formatQuantity } from '../../quantity/format';
import { nextPreferred } from '../../part/preferred';
import { stateWords, vehicleRemedy, type VehicleRule } from './vehicle-rule';

const SPARE_SHARE = 0.9;

export const decoderOverload: VehicleRule = {
  id: 'decoder-overload',
  judge({ vehicle, atMost }) {
    const { job, jobId } = vehicle;
    if (!job.decoder) return [];
    const { totalAmps } = decoderTypes[job.decoder.type];
    const drawn = atMost.map((r) => [...r.lit.outputAmps.values()].reduce((a, b) => a + b, 0));
    const most = Math.max(0, ...drawn);
    if (most <= totalAmps) return [];
    const row = atMost[drawn.indexOf(most)];
    const factor = most / (SPARE_SHARE * totalAmps);
    return [
      {
        id: 'decoder-overload',
        rule: 'decoder-overload',
        severity: 'stop' as const,
        title: 'The decoder’s outputs together carry too much',
        sentence: `${stateWords(vehicle, row.state)}: ${formatQuantity(most, 'amp')} in all outputs; the decoder’s limit for them is ${formatQuantity(totalAmps, 'amp')}.`,
        reason:
          'Every output has its limit, and all of them together share the decoder’s bridge and its heat.',
        paths: [['jobs', jobId, 'decoder']],
        terminals: [{ part: 'decoder', terminal: 'blue' }],
        figures: { amps: most, limitAmps: totalAmps },
        remedies: [
          vehicleRemedy(vehicle, 'Larger resistors everywhere', (draft) => {
            for (const [id, l] of Object.entries(job.lamps))
              draft.lamps[id].ohms = nextPreferred(l.ohms * factor, 'E12');
            for (const [id, c] of Object.entries(job.circuits))
              draft.circuits[id].ohms = nextPreferred(c.ohms * factor, 'E12');
          }),
        ],
      },
    ];
  },
};
