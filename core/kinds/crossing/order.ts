import { formatQuantity } from '../../quantity/format';
import { bulbs } from '../../part/bulb';
import { frontGoods, postGoods } from './goods';
import { HOLE_DEGREES } from './usual-passages';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { CrossingRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const ANGLED = 4;
const PAINT = 4;
const PAINT_DRIES = 60;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** Holes first, one into each post for each lamp; hoods, paint, then lamps and leads. */
export const crossingOrder: OrderFacts<CrossingRecord> = {
  opening: () => null,
  works(_, { road, lamps: all }) {
    const lamps = Object.keys(all);
    const posts = Math.max(1, ...Object.values(all).map((l) => l.post));
    const works: BodyWork[] = [
      {
        id: 'drill-post',
        does: `Drill two holes into ${posts === 1 ? 'the post' : 'each post'}, ${mm(Math.min(1, road.boreMillimetres))}, at ${HOLE_DEGREES}° downwards`,
        says: 'One for each lamp, from both sides and one above the other, or they meet and weaken the post. Edges broken, or they skin the leads.',
        tool: 'drill',
        sizes: [Math.min(1, road.boreMillimetres)],
        takes: postGoods({ road, lamps: all }),
        lamps,
        before: 'threading',
        minutes: 2 * ANGLED * posts,
        dryMinutes: 0,
        undone: 'cannot',
      },
    ];
    const front = frontGoods({ road, lamps: all });
    if (front.length > 0)
      works.push({
        id: 'hoods',
        does: `Fit the lenses${road.hoodMillimetres > 0 ? ` and the hoods, ${mm(road.hoodMillimetres)} deep` : ''}`,
        says: 'Before the lamps: behind a lamp nothing can be cleared of glue.',
        tool: 'hands',
        takes: front,
        lamps,
        before: 'fixing',
        minutes: PAINT,
        dryMinutes: 0,
        undone: 'can',
      });
    works.push({
      id: 'paint',
      does: 'Paint posts and back boards',
      says: 'Black round the lamps: they stand out by day too.',
      tool: 'brush',
      lamps,
      before: 'threading',
      minutes: PAINT * posts,
      dryMinutes: PAINT_DRIES,
      undone: 'can',
    });
    return works;
  },
  fixing: () => ({
    does: 'Set the lamps into their hoods',
    says: 'A drop that sets clear; superglue fogs a lens.',
    by: 'glue',
  }),
  hole: () => 'Upright, by the template.',
  label: 'the leads, under the board',
  placeName: (place) => (place === 'panel' ? 'the panel' : place),
  bare: (job, lampId) => !Object.hasOwn(bulbs, job.lamps[lampId].part),
  lampBody: () => null,
  slack: () => 'Leave a loop under the board, so that the post lifts out.',
  thinShell: () => false,
};
