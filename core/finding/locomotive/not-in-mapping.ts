import { decoderTypes } from '../../part/decoder-type';
import { toCvs } from '../../supply/function-map';
import { vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const notInMapping: VehicleRule = {
  id: 'not-in-mapping',
  judge({ vehicle }) {
    const { job, jobId } = vehicle;
    if (!job.decoder) return [];
    const { outputs } = decoderTypes[job.decoder.type];
    const { refusals } = toCvs(job.decoder, decoderTypes[job.decoder.type]);
    if (refusals.length === 0) return [];
    const [first] = refusals;
    const name = (id: string): string => outputs.find((o) => o.id === id)?.name ?? id;
    return [
      {
        id: 'not-in-mapping',
        rule: 'not-in-mapping',
        severity: 'note' as const,
        title: 'CV 33 to 46 cannot say all of the table',
        sentence: `${refusals.length} ${refusals.length === 1 ? 'entry' : 'entries'}; first, ${name(first.output)}: ${first.reason}.`,
        reason:
          'The common mapping gives each function eight outputs to switch, and direction to F0 alone. Many decoders have a larger mapping of their own beside it.',
        paths: [['jobs', jobId, 'decoder', 'outputs', first.output]],
        terminals: [],
        figures: { entries: refusals.length },
        remedies: first.offers.slice(0, 1).map((to) =>
          vehicleRemedy(vehicle, `Move it to ${name(to).toLowerCase()}`, (draft) => {
            if (!draft.decoder) return;
            draft.decoder.outputs[to] = draft.decoder.outputs[first.output];
            Reflect.deleteProperty(draft.decoder.outputs, first.output);
            for (const c of Object.values(draft.circuits))
              if (c.feed.kind === 'output' && c.feed.output === first.output)
                c.feed.output = to as `out${number}`;
          }),
        ),
      },
    ];
  },
};
