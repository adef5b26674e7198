import { directionIn, directionInput, undriven, type Input, type Phase, type State } from '../state';
import type { EffectName } from '../../part/output-effect';
/** A press that lights an output. */
export interface OutputKey {
  readonly function: number;
  readonly direction: 'both' | 'forward' | 'reverse';
}

/** What the table of a decoder says of one output. */
export interface OutputRule {
  readonly keys: readonly OutputKey[];
  readonly moving: 'any' | 'moving' | 'standing';
  readonly unless: number | null;
  readonly brightness: number;
  readonly effect: EffectName;
  /** A function that while it is on gives it another effect. */
  readonly withKey: { readonly function: number; readonly effect: EffectName } | null;
}

/** What a decoder does with presses, direction and speed. */
export interface DecoderTable {
  readonly outputs: Readonly<Record<string, OutputRule>>;
  /** Of these only the first that is asked for shines. */
  readonly exclusive: readonly string[];
  /** A function that steps through outputs, and to none after the last. */
  readonly stepped: { readonly function: number; readonly outputs: readonly string[] } | null;
  /** A function that while it is on dims outputs to a share of their light. */
  readonly dim: {
    readonly function: number;
    readonly share: number;
    readonly outputs: readonly string[];
  } | null;
}

/** Input of a function. */
export const functionInput = (fn: number): string => `F${fn}`;
export const MOVING = 'moving';
export const PRESSES = 'presses';

/** Functions a table knows of, ascending. */
export function functionsOf({ outputs, dim }: Pick<DecoderTable, 'outputs' | 'dim'>): number[] {
  const all = [...Object.values(outputs).flatMap(functionsIn), ...(dim ? [dim.function] : [])];
  return [...new Set(all)].sort((a, b) => a - b);
}

const functionsIn = (rule: OutputRule): number[] => [
  ...rule.keys.map((k) => k.function),
  ...(rule.unless === null ? [] : [rule.unless]),
  ...(rule.withKey === null ? [] : [rule.withKey.function]),
];

/** Effect of an output in a state. */
export const effectIn = ({ effect, withKey }: OutputRule, state: State): EffectName =>
  withKey !== null && state[functionInput(withKey.function)] === true ? withKey.effect : effect;

/** Functions that are on in a state, ascending. */
export const functionsOn = (state: State): number[] =>
  Object.keys(state)
    .filter((id) => /^F\d+$/.test(id) && state[id] === true)
    .map((id) => Number(id.slice(1)))
    .sort((a, b) => a - b);
/** Whether it moves; it does where nothing says. */
export const isMoving = (state: State): boolean => state[MOVING] !== false;
/** Presses so far of the function that steps. */
export const pressesIn = (state: State): number => (typeof state[PRESSES] === 'number' ? state[PRESSES] : 0);

/** What a decoder heeds: presses, direction, and whether it moves where an output asks for that. */
export function decoderInputs(table: DecoderTable): Input[] {
  const { outputs, stepped, exclusive, dim } = table;
  const together = [
    ...Object.entries(outputs)
      .filter(([id]) => !exclusive.includes(id))
      .map(([, o]) => functionsIn(o)),
    exclusive.flatMap((id) => (Object.hasOwn(outputs, id) ? functionsIn(outputs[id]) : [])),
    ...(dim?.outputs ?? []).flatMap((id) =>
      Object.hasOwn(outputs, id) ? [[...functionsIn(outputs[id]), dim!.function]] : [],
    ),
  ];
  const boolean = { values: [false, true] };
  return [
    ...(stepped
      ? [
          {
            id: PRESSES,
            name: `Presses of F${stepped.function}`,
            domain: { values: Array.from({ length: stepped.outputs.length + 1 }, (_, i) => i) },
            usual: 0,
            key: stepped.function < 10 ? String(stepped.function) : undefined,
          },
        ]
      : []),
    ...(Object.values(outputs).some((o) => o.moving !== 'any')
      ? [{ id: MOVING, name: 'Moving', domain: { values: [true, false] }, usual: true }]
      : []),
    directionInput,
    ...functionsOf(table).map((fn) => ({
      id: functionInput(fn),
      name: `F${fn}`,
      domain: boolean,
      usual: fn === 0,
      key: fn < 10 ? String(fn) : undefined,
      with: [...new Set(together.filter((t) => t.includes(fn)).flat())].map(functionInput),
    })),
  ];
}

/**
 * The outputs that are switched on in a state, each with the share of the time it conducts.
 * A pure function of table and state; effects are left out.
 */
export function outputsOn(table: DecoderTable, state: State): ReadonlyMap<string, number> {
  const on = new Map<string, number>();
  const direction = directionIn(state);
  const pressed = (key: OutputKey): boolean =>
    state[functionInput(key.function)] === true && (key.direction === 'both' || key.direction === direction);
  const { stepped, exclusive, dim } = table;
  const isDim = dim !== null && state[functionInput(dim.function)] === true;
  const at = stepped ? pressesIn(state) % (stepped.outputs.length + 1) : 0;
  let taken = false;
  // Exclusive outputs are asked in their own order, whatever that of the table.
  const order = [...exclusive, ...Object.keys(table.outputs).filter((id) => !exclusive.includes(id))];
  for (const id of order) {
    const rule = table.outputs[id] as OutputRule | undefined;
    if (!rule) continue;
    const byStep = stepped !== null && at > 0 && stepped.outputs[at - 1] === id;
    if (!byStep && !rule.keys.some(pressed)) continue;
    if (rule.moving !== 'any' && (rule.moving === 'moving') !== isMoving(state)) continue;
    if (rule.unless !== null && state[functionInput(rule.unless)] === true) continue;
    if (exclusive.includes(id)) {
      if (taken) continue;
      taken = true;
    }
    const share = rule.brightness * (isDim && dim.outputs.includes(id) ? dim.share : 1);
    if (share > 0) on.set(id, share);
  }
  return on;
}

const halves: Readonly<Partial<Record<EffectName, 'first half' | 'second half'>>> = {
  'alternate-one': 'first half',
  'alternate-other': 'second half',
};

/**
 * What a decoder does in a state: two phases where outputs alternate, else one; each in slices of the
 * outputs that conduct together: all begin at once, the dimmest ends first.
 */
export function driveDecoder(table: DecoderTable, state: State): readonly Phase[] {
  const duty = outputsOn(table, state);
  if (duty.size === 0) return undriven;
  const halfOf = (id: string) => halves[effectIn(table.outputs[id], state)];
  const alternates = [...duty.keys()].some((id) => halfOf(id) !== undefined);
  const slices = (own: readonly (readonly [string, number])[]): Phase['slices'] => {
    const ends = [...new Set([...own.map(([, d]) => d), 1])].sort((a, b) => a - b);
    return ends.map((end, i) => ({
      conducting: new Set(own.filter(([, d]) => d >= end).map(([id]) => id)),
      share: end - (i === 0 ? 0 : ends[i - 1]),
    }));
  };
  if (!alternates) return [{ id: '', seconds: 1, slices: slices([...duty]) }];
  return (['first half', 'second half'] as const).map((half) => ({
    id: half,
    seconds: ALTERNATE_SECONDS,
    slices: slices([...duty].filter(([id]) => (halfOf(id) ?? half) === half)),
  }));
}

/** Times of the effects, in seconds (typical, from memory). */
const SOFT_SECONDS = 0.7;
const ALTERNATE_SECONDS = 0.6;
const BEACON_SECONDS = 1.4;
const BEACON_SHARE = 0.2;
const FLICKER_SECONDS = 0.09;

/** A steady noise between 0 and 1 from a whole number; the same number gives the same. */
function noise(n: number): number {
  let h = Math.imul(n ^ 0x9e3779b9, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 2 ** 32;
}

/**
 * What an effect leaves of an output at a moment, 0 to 1.
 * @param seconds since it was switched on
 * @param seed of the flicker; the same seed gives the same run
 */
export function effectShare(effect: EffectName, seconds: number, seed = 1): number {
  switch (effect) {
    case 'steady':
      return 1;
    case 'soft':
      return Math.min(1, Math.max(0, seconds / SOFT_SECONDS));
    case 'alternate-one':
      return Math.floor(seconds / ALTERNATE_SECONDS) % 2 === 0 ? 1 : 0;
    case 'alternate-other':
      return Math.floor(seconds / ALTERNATE_SECONDS) % 2 === 0 ? 0 : 1;
    case 'beacon':
      return (seconds / BEACON_SECONDS) % 1 < BEACON_SHARE ? 1 : 0.05;
    case 'flicker': {
      const at = seconds / FLICKER_SECONDS;
      const n = Math.floor(at);
      const between = at - n;
      return 0.45 + 0.55 * (noise(n + seed * 977) * (1 - between) + noise(n + 1 + seed * 977) * between);
    }
  }
}
