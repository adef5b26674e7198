import type { EffectName } from '../part/output-effect';

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
}

/** What a decoder does with presses, direction and speed. */
export interface DecoderTable {
  readonly outputs: Readonly<Record<string, OutputRule>>;
  /** Of these only the first that is asked for shines. */
  readonly exclusive: readonly string[];
  /** A function that steps through outputs, and to none after the last. */
  readonly stepped: { readonly function: number; readonly outputs: readonly string[] } | null;
}

/** What has been pressed, and how it runs. */
export interface DecoderState {
  /** Functions that are on. */
  readonly functions: readonly number[];
  readonly direction: 'forward' | 'reverse';
  readonly moving: boolean;
  /** Presses so far of the function that steps. */
  readonly presses: number;
}

/**
 * The outputs that are switched on in a state, each with the share of the time it conducts.
 * A pure function of table and state; effects are left out.
 */
export function outputsOn(table: DecoderTable, state: DecoderState): ReadonlyMap<string, number> {
  const on = new Map<string, number>();
  const pressed = (key: OutputKey): boolean =>
    state.functions.includes(key.function) && (key.direction === 'both' || key.direction === state.direction);
  const { stepped, exclusive } = table;
  const at = stepped ? state.presses % (stepped.outputs.length + 1) : 0;
  let taken = false;
  // Exclusive outputs are asked in their own order, whatever that of the table.
  const order = [...exclusive, ...Object.keys(table.outputs).filter((id) => !exclusive.includes(id))];
  for (const id of order) {
    const rule = table.outputs[id] as OutputRule | undefined;
    if (!rule) continue;
    const byStep = stepped !== null && at > 0 && stepped.outputs[at - 1] === id;
    if (!byStep && !rule.keys.some(pressed)) continue;
    if (rule.moving !== 'any' && (rule.moving === 'moving') !== state.moving) continue;
    if (rule.unless !== null && state.functions.includes(rule.unless)) continue;
    if (exclusive.includes(id)) {
      if (taken) continue;
      taken = true;
    }
    if (rule.brightness > 0) on.set(id, rule.brightness);
  }
  return on;
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
