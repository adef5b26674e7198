import { formatQuantity } from '../quantity/format';
import { shinesOf } from '../kinds/shines';
import { rule } from './finding';
import type { Bench } from '../study/bench';

/** Lightness of the darkest place between two lamps, against the light below them, under which it is a dark gap: 3 % of the light. */
export const GAP_LIGHTNESS = 20;

const lightsGround = ({ job }: Bench): boolean => (shinesOf(job.kind).pool?.(job).length ?? 0) > 1;
const lux = (figure: number): string => formatQuantity(figure, 'lux', { significant: 2 });

/** Ground that stays dark between the pools of two lamps. */
export const darkGap = rule({
  id: 'dark-gap',
  needs: ['pool'],
  about: lightsGround,
  judge(bench, { pool }) {
    const dark = pool?.gaps.filter((g) => g.lightness < GAP_LIGHTNESS) ?? [];
    if (!pool || dark.length === 0) return [];
    const worst = dark.reduce((a, b) => (b.lightness < a.lightness ? b : a));
    return [
      {
        id: 'dark-gap',
        severity: 'note' as const,
        title:
          dark.length === 1 ? 'A dark gap between two lamps' : `${dark.length} dark gaps between the lamps`,
        sentence: `Between the lamps the light falls from ${lux(worst.mostLux)} to ${lux(worst.leastLux)}: lightness ${Math.round(worst.lightness)} of 100, under ${GAP_LIGHTNESS} the ground is dark.`,
        reason: `The light of one lamp is down to half ${formatQuantity(pool.halfMillimetres / 2, 'millimetre', { significant: 2 })} from its foot. Nearer together, higher, or a shallower hood join the pools; separate pools may be just what is wanted.`,
        subject: { lamps: worst.between },
        paths: [['jobs', bench.jobId, 'lamps', worst.between[0]]],
        terminals: [],
        figures: [
          { is: worst.lightness, limit: GAP_LIGHTNESS, unit: 'of 100' as const },
          { is: worst.leastLux, limit: null, unit: 'lux' as const },
        ],
      },
    ];
  },
});
