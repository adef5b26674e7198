import { decoderTypes } from '../../part/decoder-type';
import { formatQuantity } from '../../quantity/format';
import { nextPreferred } from '../../part/preferred';
import { vehicleRemedy, type VehicleRule } from './vehicle-rule';

/** A cure leaves this share of a limit unused. */
const SPARE_SHARE = 0.9;

export const outputOverload: VehicleRule = {
  id: 'output-overload',
  judge({ vehicle, atMost }) {
    const { job, jobId } = vehicle;
    if (!job.decoder) return [];
    const type = decoderTypes[job.decoder.type];
    return type.outputs.flatMap((output) => {
      const amps = Math.max(0, ...atMost.map((r) => r.lit.outputAmps.get(output.id) ?? 0));
      if (output.level === 'logic' || amps <= output.limitAmps) return [];
      const circuits = Object.entries(job.circuits).filter(
        ([, c]) => c.feed.kind === 'output' && c.feed.output === output.id,
      );
      const factor = amps / (SPARE_SHARE * output.limitAmps);
      return [
        {
          id: `output-overload ${output.id}`,
          rule: 'output-overload',
          severity: 'stop' as const,
          title: `${output.name} is asked for too much`,
          sentence: `It would carry ${formatQuantity(amps, 'amp')}; its limit is ${formatQuantity(output.limitAmps, 'amp')}.`,
          reason:
            'An output switches a small transistor. Beyond its limit it shuts off, or burns. Larger resistors, lamps in series, or another output take the load off it.',
          paths: circuits.map(([id]) => ['jobs', jobId, 'circuits', id]),
          terminals: [{ part: 'decoder', terminal: output.id }],
          figures: { amps, limitAmps: output.limitAmps },
          remedies: [
            vehicleRemedy(vehicle, `Larger resistors on ${output.name.toLowerCase()}`, (draft) => {
              for (const [id] of circuits) {
                draft.circuits[id].ohms = nextPreferred(job.circuits[id].ohms * factor, 'E12');
                for (const [lampId, l] of Object.entries(job.lamps))
                  if (l.circuitId === id) draft.lamps[lampId].ohms = nextPreferred(l.ohms * factor, 'E12');
              }
            }),
          ],
        },
      ];
    });
  },
};
