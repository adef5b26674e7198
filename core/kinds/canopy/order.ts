import { bulbs } from '../../part/bulb';
import { leds } from '../../part/led';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { CanopyRecord } from './record';

/** Minutes of each sort of work, and what a mark on the template is wide (common practice, no source). */
const PAINT = 0.5;
const PAINT_DRIES = 30;
const TWIST = 0.3;

/** The roof lies upside down: backs painted, lamps twisted and glued under the trusses, the link hidden, the roof set on. */
export const canopyOrder: OrderFacts<CanopyRecord> = {
  opening: () => ({
    does: 'Take the roof off its posts and lay it upside down',
    says: 'On a soft cloth; mark which end is left.',
    closes: 'Set the roof on its posts',
  }),
  works(_, job) {
    const lamps = Object.keys(job.lamps);
    const works: BodyWork[] = [];
    if (job.roof.backsPainted)
      works.push({
        id: 'backs',
        does: `Paint the backs of ${lamps.length} lamps`,
        says: 'Black, then the colour of the roof: what shines up shows through a thin roof. Let it dry before anything is glued.',
        tool: 'brush',
        lamps,
        before: 'fixing',
        minutes: PAINT * lamps.length,
        dryMinutes: PAINT_DRIES,
        undone: 'can',
      });
    if (job.roof.twisted)
      works.push({
        id: 'twist',
        does: `Twist ${lamps.length} lamps to face down`,
        says: 'Half a turn of the wires beside each lamp, all the same way; bend the wire, not the joint.',
        tool: 'hands',
        lamps,
        before: 'fixing',
        minutes: TWIST * lamps.length,
        dryMinutes: 0,
        undone: 'can',
      });
    return works;
  },
  fixing: () => ({
    does: 'Stick the string along the trusses',
    says: 'A drop of glue at every truss, wire first, then the lamp; hold until it sets.',
    by: 'glue',
  }),
  label: 'the leads, under the board',
  placeName: (place) => `the ${place} side`,
  bare: (job, lampId) => {
    const { part } = job.lamps[lampId];
    return !Object.hasOwn(bulbs, part) && !(Object.hasOwn(leds, part) && leds[part].form === 'fairy');
  },
  lampBody: () => null,
  slack: () =>
    'Leave a loop at the post as long as the roof is wide, so that it lies upside down beside its posts.',
  thinShell: () => true,
};
