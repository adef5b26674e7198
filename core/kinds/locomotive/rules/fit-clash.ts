import { rule } from '../../../finding/finding';
import { vehicleFit } from '../fit';
import { locomotiveIn } from '../jobs';

/** Lamps that do not go where they should. */
export const fitClash = rule({
  id: 'does-not-fit',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const { clashes } = vehicleFit(locomotiveIn(layout, jobId));
    if (clashes.length === 0) return [];
    const worst = clashes.reduce((a, b) =>
      b.takesMillimetres - b.hasMillimetres > a.takesMillimetres - a.hasMillimetres ? b : a,
    );
    return [
      {
        id: 'does-not-fit',
        severity: 'mind' as const,
        title: clashes.length === 1 ? 'Something does not fit' : `${clashes.length} things do not fit`,
        sentence: worst.says,
        reason: worst.cure,
        paths: [['jobs', jobId, 'fit']],
        terminals: [],
        figures: [{ is: worst.hasMillimetres, limit: worst.takesMillimetres, unit: 'millimetre' as const }],
        cures: [],
      },
    ];
  },
});
