import { decoderTypeOf } from '../document/decoder-record';
import { freeOutputs, moveOutput } from './outputs';
import { rule } from './finding';

/** Lamps on an output that only gives a signal. */
export const logicLevel = rule({
  id: 'logic-level',
  needs: ['laid'],
  about: ({ job }) => job.decoder !== null,
  judge({ job, jobId }) {
    const { outputs } = decoderTypeOf(job.decoder!);
    return Object.entries(job.lines).flatMap(([id, { from, name }]) => {
      const output = from.kind === 'output' ? outputs.find((o) => o.id === from.output) : null;
      const used = Object.values(job.circuits).some((c) => c.lineId === id);
      if (!output || output.level !== 'logic' || !used) return [];
      const [free] = freeOutputs(job);
      return [
        {
          id: `logic-level ${id}`,
          severity: 'stop' as const,
          title: `${name} hangs on an output that gives a signal only`,
          sentence: `${output.name} is logic level: it may carry a milliamp or so, and its limit for lamps is 0 mA.`,
          reason:
            'Such an output tells another board to switch. A lamp on it stays dark, or takes the output with it.',
          subject: { line: id },
          paths: [['jobs', jobId, 'lines', id]],
          terminals: [{ part: 'decoder', terminal: output.id }],
          figures: [{ is: 0, limit: 0, unit: 'amp' as const }],
          cures: free
            ? [
                {
                  label: `Move it to ${free.name.toLowerCase()}`,
                  recipe: (draft) => moveOutput(draft, jobId, output.id, free.id),
                },
              ]
            : [],
        },
      ];
    });
  },
});
