import { decoderTypeOf } from '../document/decoder-record';
import { isWindowed, toCvs } from '../supply/drivers/function-map';
import { freeOutputs, moveOutput } from './outputs';
import { rule } from './finding';

/** What a table asks that the common mapping of functions cannot say. */
export const notInMapping = rule({
  id: 'not-in-mapping',
  needs: ['laid'],
  about: ({ job }) => job.decoder !== null,
  judge({ job, jobId }) {
    const decoder = job.decoder!;
    const type = decoderTypeOf(decoder);
    if (!isWindowed(type)) return [];
    const { outputs } = type;
    const { refusals } = toCvs(decoder, type);
    if (refusals.length === 0) return [];
    const [first] = refusals;
    const name = (id: string): string => outputs.find((o) => o.id === id)?.name ?? id;
    // What is free by its keys alone may still be lit by stepping.
    const free = freeOutputs(job).map((o) => o.id);
    return [
      {
        id: 'not-in-mapping',
        severity: 'note' as const,
        title: 'CV 33 to 46 cannot say all of the table',
        sentence: `${refusals.length} ${refusals.length === 1 ? 'entry' : 'entries'}; first, ${name(first.output)}: ${first.reason}.`,
        reason:
          'The common mapping gives each function eight outputs to switch, and direction to F0 alone. Many decoders have a larger mapping of their own beside it.',
        paths: [['jobs', jobId, 'decoder', 'outputs', first.output]],
        terminals: [],
        figures: [{ is: refusals.length, limit: 0, unit: 'pieces' as const }],
        cures: first.offers
          .filter((to) => free.includes(to as `out${number}`))
          .slice(0, 1)
          .map((to) => ({
            label: `Move it to ${name(to).toLowerCase()}`,
            recipe: (draft) => moveOutput(draft, jobId, first.output as `out${number}`, to as `out${number}`),
          })),
      },
    ];
  },
});
