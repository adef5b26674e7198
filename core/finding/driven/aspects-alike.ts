import { lookAlike, TOLD_COLOUR, type AspectLook } from '../../study/aspect-looks';
import { aboutLamps } from '../about';
import { aspectPath, showsAspects, viewOf } from './driven';
import { rule } from '../finding';

const hue = (look: AspectLook): string =>
  look.seen.some((s) => s.shows === 'flash') ? 'flashing' : 'steady';

/** Two aspects that no eye tells apart by night. */
export const aspectsAlike = rule({
  id: 'aspects-alike',
  needs: ['aspects'],
  about: showsAspects,
  judge(bench, { aspects }) {
    const view = viewOf(bench);
    return aspects.flatMap((a, i) =>
      aspects.slice(i + 1).flatMap((b) => {
        const apart = lookAlike(a, b, view);
        if (apart === null) return [];
        const lamps = [...a.seen, ...b.seen].map((s) => s.lampId);
        return [
          {
            id: `aspects-alike ${a.id} ${b.id}`,
            severity: 'stop' as const,
            title: `${a.aspect.name} and ${b.aspect.name} look alike`,
            sentence: `By night, from ${view} m, both are ${a.seen.length} ${hue(a)} ${a.seen.length === 1 ? 'light' : 'lights'}, ${apart.toFixed(3)} apart in colour (u′v′); from ${TOLD_COLOUR} on an eye tells them.`,
            reason:
              'In the dark only lights are seen: their number, colour, places against one another, and whether they flash. Of a single light nobody sees which lens it is.',
            subject: { lamps: [...new Set(lamps)] },
            ...aboutLamps(bench, lamps),
            paths: [aspectPath(bench.jobId, a.id), aspectPath(bench.jobId, b.id)],
            figures: [{ is: apart, limit: TOLD_COLOUR, unit: 'times' as const }],
          },
        ];
      }),
    );
  },
});
