import { formatQuantity, inSentence } from '../../quantity/format';
import { addressableStrings } from '../../part/addressable';
import { bulbs } from '../../part/bulb';
import { LAMP_HOLE } from './lamp-hole';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { SceneRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const DRILL = 3;
const EACH_HOLE = 1;
const PAINT = 5;
const PAINT_DRIES = 60;
const STRING = 15;

/** How a string is joined, in words. */
function stringWork(string: NonNullable<SceneRecord['string']>, lamps: readonly string[]): BodyWork {
  const { name, count, sort, feeds, dataOhms, farads, shifter, supplyVolts } = string;
  const says = [
    `Plus and minus of its own ${formatQuantity(supplyVolts, 'volt')} supply to its start${
      feeds.length > 1
        ? ` and at lamp ${feeds
            .slice(1)
            .map((f) => f.at + 1)
            .join(', ')}`
        : ''
    }, the minus joined with that of the computer before anything is switched on.`,
    `Data from its pin${shifter ? ', through the level shifter' : ''}${dataOhms > 0 ? `, through ${formatQuantity(dataOhms, 'ohm')} close to the first lamp` : ''}; the arrow on it points away from the pin.`,
    ...(farads > 0 ? [`${formatQuantity(farads, 'farad')} across its start, the stripe to minus.`] : []),
  ];
  return {
    id: 'string',
    does: `Join the string: ${name}, ${count === 1 ? '1 lamp' : `${count} lamps`}${name === addressableStrings[sort].name ? '' : `, ${inSentence(addressableStrings[sort].name)}`}`,
    says: says.join(' '),
    tool: 'iron',
    lamps,
    before: 'fixing',
    minutes: STRING + 3 * feeds.length,
    dryMinutes: 0,
    undone: 'can',
  };
}

/** Holes first, paint, the string joined and tried on the bench, then lamps. */
export const sceneOrder: OrderFacts<SceneRecord> = {
  opening: () => null,
  works(_, { lamps: all, string, body }) {
    const lamps = Object.keys(all);
    const works: BodyWork[] = [
      {
        id: 'holes',
        does: `Drill ${lamps.length === 1 ? 'the hole' : `${lamps.length} holes`} for the lamps, ${formatQuantity(LAMP_HOLE, 'millimetre')}`,
        says: 'By the template, pricked first.',
        tool: 'drill',
        sizes: [LAMP_HOLE],
        lamps,
        before: 'threading',
        minutes: DRILL + EACH_HOLE * lamps.length,
        dryMinutes: 0,
        undone: 'cannot',
      },
      {
        id: 'paint',
        does: body.shape === 'fire' ? 'Blacken the hearth inside' : 'Paint inside, black and then white',
        says:
          body.shape === 'shed'
            ? 'An arc shows every gap: black keeps it behind the door, white throws it back.'
            : 'Black holds the light in, white on top throws it back.',
        tool: 'brush',
        lamps,
        before: 'threading',
        minutes: PAINT,
        dryMinutes: PAINT_DRIES,
        undone: 'can',
      },
    ];
    if (string) works.push(stringWork(string, lamps));
    return works;
  },
  fixing: () => ({
    does: 'Set the lamps into their holes',
    says: 'Each tried by its channel before the glue sets.',
    by: 'glue',
  }),
  label: 'the leads, under the board',
  placeName: () => 'the scene',
  bare: (job, lampId) => !Object.hasOwn(bulbs, job.lamps[lampId].part),
  lampBody: () => null,
  slack: ({ motor }) =>
    motor
      ? 'Leads clear of what turns: tied down, with a loop where a slip ring or the floor lets them through.'
      : 'Leave a loop under the board, so that the scene lifts out.',
  thinShell: () => true,
};
