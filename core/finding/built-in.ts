import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { aboutLamps } from './about';
import { rule, type Judgement } from './finding';
import type { BuiltInRecord, LampCore } from '../document/lamp-record';

/** What is built in, in words. */
function heldBy(builtIn: BuiltInRecord): string {
  if (builtIn.kind === 'resistor') return `a resistor of ${formatQuantity(builtIn.ohms, 'ohm')}`;
  return builtIn.kind === 'limiter' ? `a board that holds ${formatQuantity(builtIn.amps, 'amp')}` : 'nothing';
}

/** Ready-wired lamps and boards: what is in them is not known, or a second limit is put before it. */
export const builtIn = rule({
  id: 'built-in',
  needs: ['now'],
  about: ({ job }) => Object.values<LampCore>(job.lamps).some((l) => l.builtIn.kind !== 'nothing'),
  judge: (bench, { now }) =>
    inOrder(bench.job.circuits).flatMap((circuit): Judgement[] => {
      const { job, jobId } = bench;
      const members = inOrder<LampCore>(job.lamps).filter((l) => l.circuitId === circuit.id);
      const amps = (ids: readonly string[]): number =>
        Math.max(0, ...now.dies.filter((d) => ids.includes(d.lampId)).map((d) => d.litAmps));
      const unknown = members.filter((l) => l.builtIn.kind === 'unknown').map((l) => l.id);
      const known = members.filter((l) => l.builtIn.kind === 'resistor' || l.builtIn.kind === 'limiter');
      const shape = (ids: readonly string[]) => ({
        id: `built-in ${circuit.id}`,
        subject: { circuit: circuit.id, lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: amps(ids), limit: null, unit: 'amp' as const }],
      });
      if (unknown.length > 0)
        return [
          {
            ...shape(unknown),
            severity: circuit.limit === 'none' ? 'mind' : 'note',
            title: 'What is in these lamps is not known',
            sentence: `They are solved as bare lamps, at ${formatQuantity(amps(unknown), 'amp')} each. With a resistor or a board inside they take less.`,
            reason:
              'A ready-wired lamp may hide a resistor, and a board may hold the current already: a second resistor makes them dim, none at all may end them. Read volts and milliamps once or twice, and enter them at the lamps.',
          },
        ];
      if (circuit.limit === 'none' || known.length === 0 || known.length < members.length) return [];
      const ids = known.map((l) => l.id);
      return [
        {
          ...shape(ids),
          severity: 'note',
          title: 'Limited twice',
          sentence: `These lamps hold ${heldBy(known[0].builtIn)}, and a second limit stands before it: ${formatQuantity(amps(ids), 'amp')} flow in each.`,
          reason:
            'What is built in is enough on this supply. A second one is right only to make them dimmer.',
          cures: [
            {
              label: 'Leave the second one out',
              recipe: (draft) => {
                draft.jobs[jobId].circuits[circuit.id].limit = 'none';
              },
            },
          ],
          onlyIfCured: true,
        },
      ];
    }),
});
