import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { stateWords } from '../study/state-words';
import { aboutLamps, lampWords } from './about';
import { rule } from './finding';

/** Lamps that glow when they should be dark. */
export const faint = rule({
  id: 'faint',
  needs: ['usual'],
  judge: (bench, { usual }) =>
    Object.keys(bench.job.lamps).flatMap((id) => {
      const rows = usual.flatMap((row) => {
        const die = row.dies.find((d) => d.lampId === id && !d.should && d.does === 'faint');
        return die ? [{ row, die }] : [];
      });
      if (rows.length === 0) return [];
      const [{ row, die }] = rows;
      return [
        {
          id: `faint ${id}`,
          severity: 'mind' as const,
          title: `${lampWords(bench, [id])} glows when it should be dark`,
          sentence: `${stateWords(bench, row.state, { phase: row.phase })}: it shines with ${die.lightness.toFixed(0)} of 100, by ${(die.litAmps * 1e3).toPrecision(2)} mA; from ${FAINT_LIGHTNESS} on it is seen in the dark.`,
          reason:
            'A modern lamp shows at a few hundredths of a milliamp. Current that leaks through a partner, or round by another path, is enough.',
          subject: { lamps: [id] },
          ...aboutLamps(bench, [id]),
          figures: [
            { is: die.lightness, limit: FAINT_LIGHTNESS, unit: 'of 100' as const },
            { is: die.litAmps, limit: null, unit: 'amp' as const },
          ],
        },
      ];
    }),
});
