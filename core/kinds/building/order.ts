import { inOrder } from '../../document/in-order';
import { bulbs } from '../../part/bulb';
import { leds } from '../../part/led';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { BuildingRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const BLACKEN = 8;
const BLACK_DRIES = 60;
const WALLS = 6;

/** The roof off, holes drilled, walls blackened, inner walls in; lamps under the ceilings; the roof on last. */
export const buildingOrder: OrderFacts<BuildingRecord> = {
  opening: () => ({
    does: 'Take the roof off, or the building off its base',
    says: 'Where it is glued, cut along the seam with a thin blade; glazing may fall in.',
    closes: 'Put the roof on',
  }),
  works(_, job) {
    const works: BodyWork[] = [];
    if (job.body.blackened)
      works.push({
        id: 'blacken',
        does: 'Blacken or line the walls from inside',
        says: 'Two coats, black first, then white where light is wanted; windows masked. Hold it to a lamp before you go on.',
        tool: 'brush',
        lamps: [],
        before: 'threading',
        minutes: BLACKEN,
        dryMinutes: BLACK_DRIES,
        undone: 'can',
      });
    const closed = inOrder(job.rooms).filter((r) => r.closedOff).length;
    if (closed > 1)
      works.push({
        id: 'inner-walls',
        does: `Put in the inner walls of ${closed} rooms`,
        says: 'Card, black on the dark side, tight to the outer wall: light finds every slit.',
        tool: 'knife',
        lamps: [],
        before: 'fixing',
        minutes: WALLS * closed,
        dryMinutes: 0,
        undone: 'can',
      });
    return works;
  },
  fixing: () => ({
    does: 'Stick the lamps under the ceiling',
    says: 'Above the upper edge of the windows, so that the room is seen and not the lamp.',
    by: 'tape',
  }),
  label: 'the floor, inside',
  placeName: (place) => place.replace('-', ' '),
  bare: (job, lampId) => {
    const { part } = job.lamps[lampId];
    return !Object.hasOwn(bulbs, part) && !(Object.hasOwn(leds, part) && leds[part].form === 'fairy');
  },
  lampBody: () => null,
  slack: () => 'Leave the leads as long as the building is high, so that the roof lies beside it.',
  thinShell: ({ body }) => body.shell === 'thin-plastic',
};
