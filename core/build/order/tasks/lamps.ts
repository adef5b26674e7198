import { usesOf } from '../../../study/stock';
import { times, type Making, type Lot } from '../making';
import { need, task, type Task } from '../task';
import { formatQuantity, inSentence } from '../../../quantity/format';
import { testerAmps } from '../../../study/unmarked-lamp';
import { tints } from '../../../part/tint';
import type { Ends } from '../ends';

/** Minutes for a touch of the tester, and to tin and join two leads (common practice, no source). */
const TOUCH = 0.5;
const JOINTS = 3;
const PAINT = 2;
/** Clear paint on a lamp is dry enough to be handled (common practice, no source). */
const PAINT_DRIES = 30;

const volts = (v: number): string => formatQuantity(v, 'volt', { significant: 2 });

/** Below this a lamp is dark to the eye at the bench (common practice, no source). */
const SEEN_AMPS = 20e-6;

/** What the tester shows of a lot. */
function touch({ bench }: Making, { parts }: Lot): string {
  const { tester } = bench.layout.drawer;
  const [first] = parts;
  if (first.kind === 'bulb') return 'It glows either way round.';
  const amps = testerAmps(tester, first);
  const other = first.second ? testerAmps(tester, first, 'second') : 0;
  const dark = amps < SEEN_AMPS;
  const both = first.second
    ? ` Change the clips over: the other colour lights, at ${formatQuantity(other, 'amp', { significant: 2 })}.`
    : ' The long leg, or the lead at the red clip when it lights, is plus: mark it now.';
  // Several in series, or a large resistor inside, are more than this tester lights.
  if (dark)
    return `On ${volts(tester.volts)} it stays dark: ${first.led.inSeries > 1 ? `${first.led.inSeries} in series inside it want more volts` : 'what is inside it leaves too little'}. Test it on its own supply.`;
  return `On ${volts(tester.volts)} behind ${formatQuantity(tester.ohms, 'ohm')} it draws ${first.builtIn.kind === 'unknown' ? 'at most ' : ''}${formatQuantity(amps, 'amp', { significant: 2 })}.${both}`;
}

const nameOf = ({ parts }: Lot): string => {
  const [first] = parts;
  if (first.kind === 'bulb') return inSentence(first.bulb.name);
  return inSentence(first.led.name) + (first.second ? ` and ${inSentence(first.second.name)}` : '');
};

/** Tasks on the bench that bring an iron to a lot. */
const hot = ({ id, lamps, parts }: Lot, ends: Ends): string[] =>
  [
    `leads ${id}`,
    ...lamps.map((l) => `at-lamp ${l.circuitId}`),
    ...parts.map((p) => `along ${p.place}`),
  ].filter((task, i, all) => ends.tasks.has(task) && all.indexOf(task) === i);

/** Lamps alike are tested, given leads, tested again and tinted together. */
export function lampTasks(making: Making, ends: Ends): Task[] {
  return making.lots.flatMap((lot) => {
    const lamps = lot.lamps.map((l) => l.id);
    const parts = lot.parts.map((p) => p.id);
    const many = lot.lamps.length * making.count;
    const about = { lamps, parts };
    const name = nameOf(lot);
    const joins = ends.of(`leads ${lot.id}`);
    const made: Task[] = [
      task({
        id: `test ${lot.id}`,
        ...about,
        does: `Test ${times(many)}${name}`,
        says: touch(making, lot),
        tool: 'tester',
        minutes: TOUCH * many,
        tests: true,
        // What gets no leads of ours is taken out when it is tested.
        uses: joins.length > 0 ? [] : usesOf(lot.parts, making.count),
      }),
    ];
    if (joins.length > 0)
      made.push(
        task({
          id: `leads ${lot.id}`,
          ...about,
          does: lot.bare
            ? `Solder leads to ${times(many)}${name}`
            : `Make ready the leads of ${times(many)}${name}`,
          says: lot.bare
            ? `Tin wire and lamp first, then touch them together for a second: longer kills the lamp. Cut leads long; tape them in pairs${many > 1 ? ' and label them' : ''}.`
            : `Bare and tin the ends. Leave them long; tape them in pairs${many > 1 ? ' and label them' : ''}.`,
          tool: 'iron',
          minutes: JOINTS * many,
          caution: 'fumes',
          joins,
          uses: usesOf(lot.parts, making.count),
          needs: [need(`test ${lot.id}`, 'a dead lamp is found before it is soldered')],
        }),
        task({
          id: `retest ${lot.id}`,
          ...about,
          does: `Test ${times(many)}${name} again`,
          says: 'The same touch as before: what got too hot under the iron is dim or dark.',
          tool: 'tester',
          minutes: TOUCH * many,
          tests: true,
          needs: hot(lot, ends).map((id) => need(id, 'heat is what kills a lamp')),
        }),
      );
    const tint = tints[lot.lamps[0].tint];
    if (tint.applied === 'paint' || tint.applied === 'film')
      made.push(
        task({
          id: `tint ${lot.id}`,
          ...about,
          does: `${tint.applied === 'paint' ? 'Paint' : 'Cover'} ${times(many)}${name}: ${tint.name.toLowerCase()}`,
          says:
            tint.applied === 'paint'
              ? 'Thin coats; look at it lit between them.'
              : 'Cut it to the lens; look at it lit.',
          tool: 'brush',
          minutes: PAINT * many,
          dryMinutes: tint.applied === 'paint' ? PAINT_DRIES : 0,
          needs: [
            need(joins.length > 0 ? `retest ${lot.id}` : `test ${lot.id}`, 'paint hides a lamp that is dim'),
          ],
        }),
      );
    return made;
  });
}
