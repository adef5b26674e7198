import { coachIn } from '../jobs';
import { formatQuantity } from '../../../quantity/format';
import { LEAK_LUX, leaks } from '../leaks';
import { rule } from '../../../finding/finding';

/** Light through roof and ends that no window is. */
export const lightLeak = rule({
  id: 'light-leak',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const job = coachIn(layout, jobId);
    const found = leaks(job, now);
    if (found.length === 0) return [];
    const worst = found.reduce((a, b) => (b.outsideLux > a.outsideLux ? b : a));
    const roof = found.some((l) => l.place === 'roof');
    const ends = found.some((l) => l.place !== 'roof');
    const where = [...(roof ? ['roof'] : []), ...(ends ? ['ends'] : [])].join(' and ');
    return [
      {
        id: 'light-leak',
        severity: 'mind' as const,
        title: `Light shows through the ${where}`,
        sentence: `The ${worst.place} glows like a window of ${formatQuantity(worst.outsideLux, 'lux', { significant: 2 })}; from ${formatQuantity(LEAK_LUX, 'lux')} on it is seen in the dark.`,
        reason:
          'Thin plastic lets light through where no window is. Black paint, two coats, or black tape on the inside; check with the body on in the dark.',
        paths: [['jobs', jobId, 'fit', 'blackedOut']],
        terminals: [],
        figures: [{ is: worst.outsideLux, limit: LEAK_LUX, unit: 'lux' as const }],
        cures: [
          {
            label: `Black out the ${where}`,
            recipe: (draft) => {
              const { blackedOut } = coachIn(draft, jobId).fit;
              if (roof) blackedOut.roof = true;
              if (ends) blackedOut.ends = true;
            },
          },
        ],
      },
    ];
  },
});
