import { inOrder } from '../document/in-order';
import { chainOf } from '../document/line-stages';
import { isDriven } from '../document/aspect-record';
import { aspectInput } from './aspects';
import { supplyKind } from '../supply';
import { decoderInputs } from '../supply/drivers/decoder';
import type { Input, Setting, State } from '../supply/state';
import type { AnyJob } from '../document/layout';
import type { Bench } from './bench';

/** More states than this are tried in groups. */
export const MOST_STATES = 4096;
/** Inputs of one group that are still tried in every combination. */
const MOST_TOGETHER = 8;

/** What can be set, and the states that come of it. */
export interface Reach {
  readonly inputs: readonly Input[];
  readonly states: readonly State[];
  /** What was tried in groups, and why; null where every combination is there. */
  readonly grouped: string | null;
}

/** Input of the switches of a name; one setting for all of them. */
export const switchInput = (name: string): string => `switch ${name}`;

/** Names of the switches that lamps hang behind, with how the first of a name is set. */
function switchesOf(job: AnyJob): Map<string, boolean> {
  const used = new Set(
    Object.values(job.lamps).flatMap((l) =>
      l.circuitId === null ? [] : chainOf(job, job.circuits[l.circuitId].lineId).map((line) => line.id),
    ),
  );
  const names = new Map<string, boolean>();
  for (const line of inOrder(job.lines)) {
    if (!used.has(line.id)) continue;
    for (const stage of inOrder(line.stages))
      if (stage.kind === 'switch' && !names.has(stage.name)) names.set(stage.name, stage.on);
  }
  return names;
}

/** Everything that can be set: presses and functions of a decoder, switches, and what the supply gives a hand. */
export function inputsOf({ job, supply }: Pick<Bench, 'job' | 'supply'>): Input[] {
  const fromSupply = supplyKind(supply).inputs(supply);
  const driven = job.decoder ? decoderInputs(job.decoder) : [];
  const known = new Set(driven.map((i) => i.id));
  return [
    ...(isDriven(job) ? [aspectInput(job)] : []),
    ...driven.filter((i) => i.with === undefined && i.id !== 'direction'),
    ...[...switchesOf(job)].map(([name, on]): Input => ({
      id: switchInput(name),
      name,
      domain: { values: [true, false] },
      usual: on,
    })),
    ...fromSupply.filter((i) => !known.has(i.id)),
    ...driven.filter((i) => i.id === 'direction'),
    ...driven.filter((i) => i.with !== undefined),
  ];
}

/** The state of every day: each input as usual. */
export const usualState = (bench: Pick<Bench, 'job' | 'supply'>, set: State = {}): State => ({
  ...Object.fromEntries(inputsOf(bench).map((i) => [i.id, i.usual])),
  ...set,
});

/** Every state a job can be in: the product of its inputs, those that run through a range held as usual. */
export function statesOf(bench: Pick<Bench, 'job' | 'supply'>): Reach {
  const inputs = inputsOf(bench);
  const base = Object.fromEntries(inputs.map((i) => [i.id, i.usual]));
  const finite = inputs.filter((i) => 'values' in i.domain);
  const all = finite.reduce((count, i) => count * valuesOf(i).length, 1);
  if (all <= MOST_STATES) return { inputs, states: product(finite, base), grouped: null };
  const grouped = finite.filter((i) => i.with !== undefined);
  const crossed = finite.filter((i) => i.with === undefined);
  const groups = groupsOf(grouped);
  const settings = settingsOfGroups(groups, grouped);
  const states = settings.flatMap((set) => product(crossed, { ...base, ...set }));
  return {
    inputs,
    states,
    grouped: `${all} states are more than ${MOST_STATES}: functions whose outputs have nothing in common were tried apart from one another, then all together: ${states.length} states. Together were ${groups.map((g) => g.map((i) => i.name).join(' with ')).join('; ')}.`,
  };
}

const valuesOf = ({ domain }: Input): readonly Setting[] => ('values' in domain ? domain.values : []);

/** Every combination of inputs, the first of them changing fastest. */
function product(inputs: readonly Input[], base: State): State[] {
  return inputs.reduce<State[]>(
    (states, input) => valuesOf(input).flatMap((value) => states.map((s) => ({ ...s, [input.id]: value }))),
    [base],
  );
}

/** Inputs that act together, directly or through others. */
function groupsOf(inputs: readonly Input[]): Input[][] {
  const groups: Input[][] = [];
  for (const input of inputs) {
    const met = groups.filter((g) => g.some((i) => i.with?.includes(input.id) || input.with?.includes(i.id)));
    for (const g of met) groups.splice(groups.indexOf(g), 1);
    groups.push([...met.flat(), input]);
  }
  return groups;
}

/** Groups are tried one at a time, in every combination while they are small, and all at once. */
function settingsOfGroups(groups: readonly (readonly Input[])[], inputs: readonly Input[]): State[] {
  const rest: State = Object.fromEntries(inputs.map((i) => [i.id, valuesOf(i)[0]]));
  const set = (on: readonly Input[]): State => ({
    ...rest,
    ...Object.fromEntries(on.map((i) => [i.id, valuesOf(i)[valuesOf(i).length - 1]])),
  });
  const sets = groups.flatMap((g) =>
    g.length <= MOST_TOGETHER
      ? product(g, rest)
      : [...g.map((i) => set([i])), ...g.map((i) => set(g.filter((x) => x !== i)))],
  );
  return [...new Map([...sets, rest, set(inputs)].map((s) => [JSON.stringify(s), s])).values()];
}
