import { bulbs } from '../../part/bulb';
import { fittingSorts } from '../../part/lamp-fitting';
import { bases, hoods, mastStock, wrappedMillimetres } from '../../part/lamp-kit';
import { leds } from '../../part/led';
import { formatQuantity } from '../../quantity/format';
import { lampGoods } from './goods';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { LampRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const MAST = 3;
const PAINT = 3;
const PAINT_DRIES = 60;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Holes first, then masts made up and painted, leads threaded, the base put on, and the lamp set in. */
export const lampOrder: OrderFacts<LampRecord> = {
  opening: () => null,
  works(_, job) {
    const lamps = Object.keys(job.lamps);
    const { stands } = fittingSorts[job.fitting.sort];
    const { kit } = job;
    const works: BodyWork[] = [];
    if (stands === 'mast') {
      const { name, outsideMillimetres } = mastStock[kit.mast];
      const wrapped =
        kit.wraps > 0
          ? ` Wind ${kit.wraps} turns of thin tape round the foot: ${mm(wrappedMillimetres(outsideMillimetres, kit.wraps))}.`
          : '';
      works.push({
        id: 'masts',
        does: `Cut ${lamps.length === 1 ? 'the mast' : `${lamps.length} masts`} to ${mm(job.fitting.heightMillimetres)}`,
        says: `${name}. File the ends smooth inside, or they skin the leads.${wrapped} Hood: ${hoods[kit.hood].name.toLowerCase()}${kit.ball ? ', a ball on top' : ''}; foot: ${bases[kit.base].name.toLowerCase()}.`,
        tool: 'file',
        takes: lampGoods(job),
        lamps,
        before: 'threading',
        minutes: MAST * lamps.length,
        dryMinutes: 0,
        undone: 'cannot',
      });
    }
    works.push({
      id: 'paint',
      ...(stands === 'mast'
        ? {
            does: 'Paint masts and hoods',
            says: 'White inside the hood, dark outside; before anything is glued, and not over the lamp.',
          }
        : {
            does: `Paint ${lamps.length === 1 ? 'the fitting' : `${lamps.length} fittings`}`,
            says: 'Black behind the lamp, so that nothing shows from the back; before anything is glued, and not over the lamp.',
          }),
      tool: 'brush',
      lamps,
      before: 'threading',
      minutes: PAINT * lamps.length,
      dryMinutes: PAINT_DRIES,
      undone: 'can',
    });
    return works;
  },
  fixing: ({ fitting }) => ({
    does:
      fittingSorts[fitting.sort].stands === 'mast'
        ? 'Glue the lamp into its hood and the mast into its hole'
        : 'Glue the lamp into its fitting',
    says: `A drop that sets clear; superglue fogs a lens.${fittingSorts[fitting.sort].stands === 'mast' ? ' Upright before it sets.' : ''}`,
    by: 'glue',
  }),
  hole: ({ fitting }) =>
    fittingSorts[fitting.sort].stands === 'mast'
      ? 'Upright, by the template: a mast leans as its hole does.'
      : 'By the template.',
  label: 'the leads, under the board',
  placeName: (place) => place.replace('-', ' '),
  bare: (job, lampId) => {
    const { part } = job.lamps[lampId];
    return !Object.hasOwn(bulbs, part) && !(Object.hasOwn(leds, part) && leds[part].form === 'fairy');
  },
  lampBody: () => null,
  slack: () => null,
  thinShell: () => false,
};
