import { formatQuantity } from '../../quantity/format';
import { bulbs } from '../../part/bulb';
import { frontGoods, postGoods } from './goods';
import { HOLE_DEGREES } from './usual-passages';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { SignalRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const HOODS = 3;
const PAINT = 5;
const PAINT_DRIES = 60;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** Holes first, the one into the post at an angle; hoods and paint, then lamps, then leads down the post. */
export const signalOrder: OrderFacts<SignalRecord> = {
  opening: () => null,
  works(_, job) {
    const lamps = Object.keys(job.lamps);
    const { head } = job;
    const works: BodyWork[] = [];
    const front = frontGoods(job);
    if (front.length > 0)
      works.push({
        id: 'hoods',
        does: `Fit ${[
          ...(head.form === 'route' ? [] : [lamps.length === 1 ? 'the lens' : `${lamps.length} lenses`]),
          ...(head.hoodMillimetres > 0
            ? [
                `${lamps.length === 1 ? 'the hood' : `${lamps.length} hoods`}, ${mm(head.hoodMillimetres)} deep`,
              ]
            : []),
        ].join(' and ')}`,
        says: 'Before the lamps: behind a lamp nothing can be cleared of glue.',
        tool: 'hands',
        takes: front,
        lamps,
        before: 'fixing',
        minutes: HOODS * lamps.length,
        dryMinutes: 0,
        undone: 'can',
      });
    works.push({
      id: 'paint',
      does: 'Paint head and post',
      says:
        lamps.length > 1
          ? 'Black inside the head too: light that creeps from lens to lens shows two aspects.'
          : 'Black inside the head too: light shows at every gap.',
      tool: 'brush',
      takes: postGoods(job),
      lamps,
      before: 'threading',
      minutes: PAINT,
      dryMinutes: PAINT_DRIES,
      undone: 'can',
    });
    return works;
  },
  fixing: () => ({
    does: 'Set the lamps behind their lenses',
    says: 'A drop that sets clear; superglue fogs a lens. Each aspect tried once before it sets.',
    by: 'glue',
  }),
  hole: (_, { id }) =>
    id === 'entry'
      ? `At ${HOLE_DEGREES}° downwards, behind the head: flat filed first, so that the drill does not wander; the edge broken with a larger drill by hand, or it skins the leads. A thin wire pushed up from the foot shows that the way is free.`
      : 'Upright: a post leans as its hole does.',
  label: 'the leads, under the board',
  placeName: () => 'the head',
  bare: (job, lampId) => !Object.hasOwn(bulbs, job.lamps[lampId].part),
  lampBody: () => null,
  slack: () => 'Leave a loop under the board, so that the signal lifts out.',
  thinShell: () => false,
};
