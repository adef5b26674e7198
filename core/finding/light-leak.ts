import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { LEAK_LUX, leaks } from '../study/leaks';
import { rule } from './finding';
import { remedy } from './remedy';

/** Light through roof and ends that no window is. */
export const lightLeak = rule({
  id: 'light-leak',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId } = bench;
    const found = leaks(job, steady);
    if (found.length === 0) return [];
    const worst = found.reduce((a, b) => (b.outsideLux > a.outsideLux ? b : a));
    const roof = found.some((l) => l.place === 'roof');
    const ends = found.some((l) => l.place !== 'roof');
    const where = [...(roof ? ['roof'] : []), ...(ends ? ['ends'] : [])].join(' and ');
    return [
      {
        id: 'light-leak',
        rule: 'light-leak',
        severity: 'mind' as const,
        title: `Light shows through the ${where}`,
        sentence: `The ${worst.place} glows like a window of ${formatQuantity(worst.outsideLux, 'lux', { significant: 2 })}; from ${formatQuantity(LEAK_LUX, 'lux')} on it is seen in the dark.`,
        reason:
          'Thin plastic lets light through where no window is. Black paint, two coats, or black tape on the inside; check with the body on in the dark.',
        paths: [['jobs', jobId, 'fit', 'blackedOut']],
        terminals: [],
        figures: { outsideLux: worst.outsideLux, seenLux: LEAK_LUX },
        remedies: remedy(`Black out the ${where}`, bench, steady, (draft) => {
          const { blackedOut } = coachIn(draft, jobId).fit;
          if (roof) blackedOut.roof = true;
          if (ends) blackedOut.ends = true;
          return true;
        }),
      },
    ];
  },
});
