import { testerTouch } from '../../../study/tester-touch';
import { usesOf } from '../../../study/stock';
import { after, fact } from '../fact';
import { times, type Making, type Lot } from '../making';
import { act, type Act } from '../task';
import { formatQuantity, inSentence } from '../../../quantity/format';
import { lampBodies } from '../../../part/lamp-body';
import { testerAmps } from '../../../study/unmarked-lamp';
import { tints } from '../../../part/tint';
import type { Assembly } from '../../../assembly/assembly';
import type { Ends } from '../ends';

/** Minutes for a touch of the tester, and to tin and join two leads (common practice, no source). */
const TOUCH = 0.5;
const JOINTS = 3;
const PAINT = 2;
/** Clear paint on a lamp is dry enough to be handled (common practice, no source). */
const PAINT_DRIES = 30;

const volts = (v: number): string => formatQuantity(v, 'volt', { significant: 2 });
const amps = (a: number): string => formatQuantity(a, 'amp', { significant: 2 });

/** Below this a lamp is dark to the eye at the bench (common practice, no source). */
const SEEN_AMPS = 20e-6;

/** How a lamp’s plus is known: by its body where that is known, else by the tester. */
function markOf({ bench, facts }: Making, { parts: [first], lamps: [lamp] }: Lot): string {
  if (first.kind === 'bulb') return '';
  if (first.led.form === 'strip') return ' The pad marked + is plus.';
  const body = facts.lampBody(bench.job, lamp.id);
  return body !== null && lampBodies[body].legs
    ? ' The long leg, at the red clip when it lights, is plus: mark it before it is cut.'
    : ' The lead or pad at the red clip when it lights is plus: mark it now.';
}

/** What the tester shows of a lot as it is bought. */
function touch(making: Making, lot: Lot): string {
  const { tester } = making.bench.layout.drawer;
  const [first] = lot.parts;
  if (first.kind === 'bulb') return 'It glows either way round.';
  const is = testerAmps(tester, first);
  const other = first.second ? testerAmps(tester, first, 'second') : 0;
  // Several in series, or a large resistor inside, are more than this tester lights.
  if (is < SEEN_AMPS)
    return `On ${volts(tester.volts)} it stays dark: ${first.led.inSeries > 1 ? `${first.led.inSeries} in series inside it want more volts` : 'what is inside it leaves too little'}. Test it on its own supply.`;
  const both = first.second
    ? ` Change the clips over: the other colour lights, at ${amps(other)}.`
    : markOf(making, lot);
  return `On ${volts(tester.volts)} behind ${formatQuantity(tester.ohms, 'ohm')} it draws ${first.builtIn.kind === 'unknown' ? 'at most ' : ''}${amps(is)}.${both}`;
}

/** What the tester shows of a lot once more, with what is joined to it by then. */
const retouch =
  ({ bench }: Making, { parts: [first] }: Lot) =>
  (then: Assembly): string => {
    const seen = testerTouch({ ...bench, assembly: then }, first.id);
    if (seen.lit === 0)
      return `The clips at the free ends of its leads: what is in the way leaves it dark on this tester; try it on its own supply.`;
    const with_ = seen.lit > 1 ? `${seen.lit} lamps light together` : 'it lights';
    return `The clips at the free ends of its leads${seen.ohms > 0 ? `, the resistor between` : ''}: ${with_}, and the tester gives ${amps(seen.amps)}. What got too hot under the iron is dim or dark.`;
  };

/** What the lamps of a lot are called: their colour, and the body they come in where it is known. */
const nameOf = ({ facts, bench }: Making, { parts, lamps }: Lot): string => {
  const [first] = parts;
  if (first.kind === 'bulb') return inSentence(first.bulb.name);
  const body = facts.lampBody(bench.job, lamps[0].id);
  return [
    inSentence(first.led.name) + (first.second ? ` and ${inSentence(first.second.name)}` : ''),
    ...(body ? [inSentence(lampBodies[body].name)] : []),
  ].join(', ');
};

/** Tasks on the bench that bring an iron to a lot. */
const hot = ({ id, lamps, parts }: Lot, { groupOf }: Making, ends: Ends): string[] =>
  [
    `leads ${id}`,
    ...lamps.map((l) => `at-lamp ${l.circuitId}`),
    ...parts.map((p) => `along ${groupOf(p.place!)}`),
  ].filter((task, i, all) => ends.tasks.has(task) && all.indexOf(task) === i);

/** Lamps alike are tested, given leads, tested again and tinted together. */
export function lampTasks(making: Making, ends: Ends): Act[] {
  return making.lots.flatMap((lot) => {
    const lamps = lot.lamps.map((l) => l.id);
    const parts = lot.parts.map((p) => p.id);
    const many = lot.lamps.length * making.count;
    const about = { lamps, parts };
    const name = nameOf(making, lot);
    const joins = ends.of(`leads ${lot.id}`);
    /** Those that get leads of ours: of a strip that is not cut its ends, of lamps with a resistor on a leg the other. */
    const soldered = new Set(joins.map((e) => e.part));
    const wired = soldered.size * making.count;
    const oneEach = joins.length === soldered.size;
    const atLegs = lot.lamps.some((l) => ends.tasks.has(`at-lamp ${l.circuitId}`));
    const heated = hot(lot, making, ends).flatMap((id) =>
      ends.of(id).map((e) => ({
        ...e,
        sleeved: ends.sleeves(id).some((s) => s.lead === e.lead && s.part === e.part),
      })),
    );
    const made: Act[] = [
      act({
        id: `test ${lot.id}`,
        ...about,
        does: `Test ${times(many)}${name}`,
        says: touch(making, lot),
        tool: 'tester',
        minutes: TOUCH * many,
        tests: true,
        makes: [fact.tested(lot.id), ...(heated.length === 0 ? [fact.sound(lot.id)] : [])],
        // What gets no leads of ours is taken out when it is tested.
        uses: joins.length > 0 ? [] : usesOf(lot.parts, making.count),
      }),
    ];
    if (joins.length > 0)
      made.push(
        act({
          id: `leads ${lot.id}`,
          ...about,
          does: lot.bare
            ? `Solder ${oneEach ? 'a lead' : 'leads'} to ${oneEach && wired > 1 ? 'each of ' : ''}${times(wired)}${name}`
            : `Make ready the leads of ${times(wired)}${name}`,
          says: [
            lot.bare
              ? 'Tin wire and lamp first, then touch them together for a second: longer kills the lamp.'
              : 'Bare and tin the ends.',
            ...(oneEach && atLegs ? ['Its other leg gets the resistor.'] : []),
            wired > 1 ? 'Label them by the table of wires.' : '',
          ]
            .filter((w) => w !== '')
            .join(' '),
          tool: 'iron',
          minutes: (JOINTS / 2) * joins.length * making.count,
          caution: 'fumes',
          joins,
          uses: usesOf(lot.parts, making.count),
          makes: joins.map((e) => fact.joined(e.lead, e.part)),
          asks: [
            after(fact.tested(lot.id), 'a dead lamp is found before it is soldered'),
            ...making.cut(joins),
          ],
        }),
      );
    if (heated.length > 0)
      made.push(
        act({
          id: `retest ${lot.id}`,
          ...about,
          does: `Test ${times(many)}${name} again`,
          says: '',
          sees: retouch(making, lot),
          tool: 'tester',
          minutes: TOUCH * many,
          tests: true,
          makes: [fact.sound(lot.id)],
          asks: heated.map((e) =>
            e.sleeved
              ? after(fact.shrunk(e.lead, e.part), 'heat is what kills a lamp')
              : after(fact.joined(e.lead, e.part), 'heat is what kills a lamp'),
          ),
        }),
      );
    const tint = tints[lot.lamps[0].tint];
    if (tint.applied === 'paint' || tint.applied === 'film')
      made.push(
        act({
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
          makes: [fact.tinted(lot.id)],
          asks: [after(fact.sound(lot.id), 'paint hides a lamp that is dim')],
        }),
      );
    return made;
  });
}

/** Whether a lot is painted or covered. */
export const isTinted = ({ lamps: [first] }: Lot): boolean =>
  ['paint', 'film'].includes(tints[first.tint].applied);
