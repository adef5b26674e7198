import { CircuitError } from '../../../circuit/error';
import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { formatQuantity } from '../../../quantity/format';
import { cellsOf } from '../../../study/cell-life';
import { inputsOf, usualState, statesOf } from '../../../study/states';
import { stateWords } from '../../../study/state-words';
import { Solver } from '../../../study/solver';
import { cellNeeds } from '../../../study/cell-needs';
import { soldUses } from '../wire-use';
import { wiringOf } from '../../../kinds/wirings';
import { isTinted } from './lamps';
import { hasMotor, isProgrammed } from './driver';
import { after, fact, notYet, once, type Condition } from '../fact';
import { act, type Act } from '../task';
import { each, formerlyOf, together } from '../like-places';
import type { Ends } from '../ends';
import type { Making } from '../making';
import type { Bench } from '../../../study/bench';
import type { State } from '../../../supply/state';
import type { Assembly } from '../../../assembly/assembly';

const TRY = 3;
const PROVE = 4;
const DARK = 4;
const PLACE = 0.5;
const CELLS = 1;

/** States that are told one by one; of more, the one of every day. */
const MOST_STATES = 6;
/** Below this a meter at the bench shows nothing. */
const NOTHING = 1e-6;
/** Names told of the lamps that are lit; of more, how many. */
const MOST_NAMES = 4;

/** What is seen in a state, solved. */
function seenIn(bench: Bench, solver: Solver, state: State): string {
  const readings = solver.at(state);
  const names = wiringOf(bench.job.kind).lampNames(bench.job, bench.layout);
  const lit = [...new Set(readings.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).map((d) => d.lampId))];
  const lamps = Object.keys(bench.job.lamps).length;
  const words =
    lit.length === 0
      ? 'all dark'
      : lit.length === lamps
        ? lamps === 1
          ? 'it is lit'
          : `all ${lamps} lit`
        : lit.length <= MOST_NAMES
          ? `lit: ${lit.map((id) => names.get(id) ?? id).join(', ')}`
          : `${lit.length} of ${lamps} lit`;
  const drawn = readings.supplyAmps.mean;
  const when = stateWords(bench, state, { throttle: true, otherwise: '' });
  const says = `${when === '' ? '' : `${when}: `}${words}, ${drawn < NOTHING ? 'nothing drawn' : formatQuantity(drawn, 'amp', { significant: 2 })}.`;
  return says[0].toUpperCase() + says.slice(1);
}

/** What is seen when the whole is tried, state by state where there are few. */
function expected({ bench }: Making): (then: Assembly) => string {
  let known: { readonly leads: number; readonly says: string } | null = null;
  const solved = (then: Assembly): string => {
    const there: Bench = { ...bench, assembly: then };
    const all = statesOf(there).states;
    const states = all.length <= MOST_STATES ? all : eachInput(there);
    try {
      const solver = new Solver(there);
      return states.map((state) => seenIn(there, solver, state)).join(' ');
    } catch (error) {
      if (error instanceof CircuitError) return 'It cannot be solved as it stands; see the findings.';
      throw error;
    }
  };
  // Leads only come on: with as many of them it is the same circuit, and is solved once.
  return (then) => {
    if (known?.leads !== then.leads.length) known = { leads: then.leads.length, says: solved(then) };
    return known.says;
  };
}

/** The state of every day, and what it becomes when one thing is set otherwise; the first so many. */
function eachInput(bench: Bench): State[] {
  const usual = usualState(bench);
  const others = inputsOf(bench).flatMap(({ id, domain }) =>
    'values' in domain
      ? domain.values.filter((v) => v !== usual[id]).map((v) => ({ ...usual, [id]: v }))
      : [],
  );
  return [usual, ...others].slice(0, MOST_STATES);
}

/** Ends that a proof wants free: what drives the lamps is not joined to them yet. */
const DRIVEN = ['connect decoder', 'connect driver', 'socket'];

/**
 * Proven by the fewest touches, leads off what drives them; tried with its supply; the lamps put in their
 * places and looked at in the dark, before anything is glued.
 */
export function proofTasks(making: Making, ends: Ends, sound: readonly Condition[]): Act[] {
  const { bench, facts, count, places } = making;
  const opening = facts.opening(bench.job);
  const cells = cellsOf(bench).length > 0;
  const sees = expected(making);
  const joinedIn = (tasks: readonly string[]): Condition[] =>
    tasks.flatMap((id) =>
      ends.of(id).map((e) => after(fact.joined(e.lead, e.part), 'the circuit is whole only with it')),
    );
  const shrunk = [...ends.tasks].flatMap((id) =>
    ends.sleeves(id).map((e) => after(fact.shrunk(e.lead, e.part), 'bare joints touch one another')),
  );
  /** Work on the body that changes the circuit: old diodes bridged or taken out, a string joined. */
  const electric = making.works
    .filter((w) => w.tool === 'iron')
    .map((w) => after(fact.worked(w.id), 'it is part of the circuit'));
  const driven = DRIVEN.filter((id) => ends.tasks.has(id));
  const undriven = [...ends.tasks].filter((id) => !driven.includes(id));
  const free = driven
    .filter((id) => id !== 'socket')
    .flatMap((id) => ends.of(id))
    .map((e) => notYet(fact.joined(e.lead, e.part), 'the tester wants the leads free'));
  const made: Act[] = [
    act({
      id: 'prove',
      does: 'The shortest proof',
      says: `The few touches of the stage Proof, each with what must be seen: they expose any single fault.${
        driven.length > 0
          ? ' Those with the tester now, the leads still free; those with power when it is tried.'
          : ''
      }`,
      tool: 'tester',
      position: 'inside',
      minutes: PROVE * count,
      tests: true,
      makes: [fact.proved],
      asks: once([...joinedIn(undriven), ...electric, ...shrunk, ...free, ...sound]),
    }),
    ...(cells
      ? [
          act({
            id: 'cells',
            does: `Put the ${cellNeeds(bench).cells.reduce((n, c) => n + c.count, 0) > 1 ? 'cells' : 'cell'} in`,
            says: 'Plus by the mark in its holder; the lid screwed down where there is one.',
            tool: 'hands',
            position: 'inside',
            minutes: CELLS * count,
            caution: 'cells',
            uses: soldUses(cellNeeds(bench).cells, count),
            makes: [fact.powered],
            asks: once([...joinedIn([...ends.tasks]), ...shrunk]),
          }),
        ]
      : []),
    act({
      id: 'try',
      does: 'Try the whole circuit',
      says: '',
      sees,
      tool: 'supply',
      position: 'inside',
      minutes: TRY * count,
      tests: true,
      caution: cellsOf(bench).length > 0 ? 'cells' : null,
      makes: [fact.tried],
      asks: once([
        after(fact.proved, 'a short is found before there is power'),
        ...(cells ? [after(fact.powered, 'it is what lights it')] : []),
        ...(isProgrammed(making) ? [after(fact.programmed, 'what has no program shows nothing')] : []),
        ...(hasMotor(making)
          ? [after(fact.isolated, 'a brush that still touches a rail destroys the decoder')]
          : []),
        ...joinedIn([...ends.tasks]),
        ...shrunk,
      ]),
    }),
    ...heldAlike(making).map((group): Act => placed(making, group)),
  ];
  if (opening)
    made.push(
      act({
        id: 'dark',
        does: 'Dark test with the body closed',
        says: 'Light where it should not be is blackened now, while the lamps still come out.',
        sees,
        tool: 'supply',
        position: 'closed',
        minutes: DARK * count,
        tests: true,
        makes: [fact.dark],
        asks: [
          after(fact.tried, 'a lamp that is dark leaks no light'),
          ...places.map((p) => after(fact.placed(p), 'light leaks from where the lamps will be')),
          // What is blackened is seen in the dark; what dries there is out of the way of the iron.
          ...making.works.map((w) => after(fact.worked(w.id), 'it is what is looked at')),
        ],
      }),
    );
  return made;
}

/** The lamps of places alike where they will be: held for good by what comes off again, else by tape until they are glued. */
function placed(making: Making, group: string): Act {
  const { bench, facts, lots, count } = making;
  const places = each(group);
  const fixing = facts.fixing(bench.job, places[0]);
  const { parts, lamps } = inPlaces(making, places);
  const glued = fixing.by === 'glue';
  const works = making.works.filter((w) => w.lamps.length === 0 || w.lamps.some((l) => lamps.includes(l)));
  const mine = lots.filter((l) => l.lamps.some((x) => lamps.includes(x.id)));
  const trade = glued ? 'place' : 'fix';
  return act({
    id: `${trade} ${group}`,
    formerly: formerlyOf(trade, group),
    does: glued ? `Dry fit: ${lampsIn(making, group)}` : fixing.does,
    says: glued ? 'In their places, held by a strip of tape, so that they still come out.' : fixing.says,
    tool: 'hands',
    position: 'inside',
    minutes: (glued ? PLACE : 1) * lamps.length * count,
    parts,
    lamps,
    makes: places.flatMap((p) => [fact.placed(p), ...(glued ? [] : [fact.fixed(p)])]),
    asks: [
      after(fact.tried, 'what is in its place is worked on badly'),
      ...works.map((w) =>
        after(fact.worked(w.id), 'nothing is set into wet paint, nor into what is still cut'),
      ),
      ...mine.map((l) => after(fact.sound(l.id), 'every lamp is tested before it is set')),
      ...mine.filter(isTinted).map((l) => after(fact.tinted(l.id), 'it is painted while it lies free')),
    ],
  });
}

/** "the lamps of end A", "all 6 lamps". */
function lampsIn(making: Making, group: string): string {
  const { lamps } = inPlaces(making, each(group));
  const all = Object.keys(making.bench.job.lamps).length;
  if (lamps.length === all) return all === 1 ? 'the lamp' : all === 2 ? 'both lamps' : `all ${all} lamps`;
  return `the lamps of ${making.placeNames(group)}`;
}

/** What sits in some places: its parts and its lamps. */
export function inPlaces(
  { assembly }: Making,
  places: readonly string[],
): { readonly parts: string[]; readonly lamps: string[] } {
  const own = assembly.parts.filter((p) => p.place !== null && places.includes(p.place) && p.lamp !== null);
  return { parts: own.map((p) => p.id), lamps: [...new Set(own.flatMap((p) => p.lamp ?? []))] };
}

/** Places whose lamps are held in the same words, together. */
export function heldAlike({ places, facts, bench }: Making): string[] {
  const by = new Map<string, string[]>();
  for (const place of places) {
    const { does, says } = facts.fixing(bench.job, place);
    by.set(does + says, [...(by.get(does + says) ?? []), place]);
  }
  return [...by.values()].map(together);
}
