import { coachIn } from '../jobs';
import { formatQuantity } from '../../../quantity/format';
import { darkRooms } from '../dark-rooms';
import { coachLight } from '../light';
import { rule } from '../../../finding/finding';

/** Least over mean from which windows look alike: half the light is barely noticed (common practice, no source). */
export const EVEN_SHARE = 0.4;

/** Light that is there everywhere, and still patchy to the eye. */
export const unevenLight = rule({
  id: 'uneven-light',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const light = coachLight(coachIn(layout, jobId), now);
    const { evenness, leastLux, meanLux, darkest } = light;
    // Where a room is dark, that is said, and not this too.
    const dark = darkRooms(light).length > 0;
    if (!(meanLux > 0) || dark || evenness >= EVEN_SHARE) return [];
    return [
      {
        id: 'uneven-light',
        severity: 'note' as const,
        title: 'Bright and dim in turn',
        sentence: `The least lit place of a window has ${formatQuantity(leastLux, 'lux')}, ${Math.round(100 * evenness)} % of the mean of ${formatQuantity(meanLux, 'lux')}; from ${100 * EVEN_SHARE} % on windows look alike.`,
        reason: `Light falls off fast beside a lamp${darkest ? `; the darkest is ${darkest.name.toLowerCase()}` : ''}. More lamps, two rows, soft light or better places even it out: “Place them for me” at the lamps.`,
        paths: [['jobs', jobId, 'lamps']],
        terminals: [],
        figures: [
          { is: 100 * evenness, limit: 100 * EVEN_SHARE, unit: '%' as const },
          { is: leastLux, limit: meanLux, unit: 'lux' as const },
        ],
      },
    ];
  },
});
