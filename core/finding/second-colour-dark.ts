import { aboutLamps, lampWords, plural } from './about';
import { rule } from './finding';
import type { LampCore } from '../document/lamp-record';

/** Two-colour lamps whose second colour shines in no state. */
export const secondColourDark = rule({
  id: 'second-colour-dark',
  needs: ['usual'],
  about: ({ job }) => Object.values<LampCore>(job.lamps).some((l) => l.secondPart !== null),
  judge(bench, { usual }) {
    const two = Object.entries<LampCore>(bench.job.lamps).filter(
      ([, l]) => l.secondPart !== null && l.circuitId !== null,
    );
    const ids = two
      .map(([id]) => id)
      .filter(
        (id) => !usual.some((r) => r.dies.some((d) => d.lampId === id && d.second && d.does === 'lit')),
      );
    if (ids.length === 0) return [];
    return [
      {
        id: 'second-colour-dark',
        severity: 'mind' as const,
        title: plural(
          ids.length,
          'The second colour of a lamp never shines',
          `The second colour of ${ids.length} lamps never shines`,
        ),
        sentence: `${lampWords(bench, ids)}: 0 of ${usual.length} states send current the other way.`,
        reason:
          'A two-lead lamp shows its second colour when the current turns. An output of a decoder never turns it: fit a lamp for each colour there, or keep it on a DC track.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: 0, limit: 1, unit: 'pieces' as const }],
      },
    ];
  },
});
