import type { DecoderType } from '../../part/decoder-type';
import type { DecoderTable, OutputKey, OutputRule } from './decoder';

/** The first of the CVs that map functions (NMRA S-9.2.2). */
export const FIRST_CV = 33;
/** F0 forward, F0 reverse, F1 to F12: one CV each. */
export const MAPPED_CVS = 14;
const WINDOW_BITS = 8;

/** Defaults of CV 33 to 46 as remembered: each function on its own output (NMRA S-9.2.2). */
export const defaultCvs: readonly number[] = [1, 2, 4, 8, 16, 4, 8, 16, 32, 64, 16, 32, 64, 128];

/** A decoder that maps by the bits of CVs. */
export interface Windowed {
  readonly windows: readonly number[];
}
/** Whether a decoder maps by the bits of CVs, and not freely. */
export const isWindowed = <T extends Pick<DecoderType, 'windows'>>(type: T): type is T & Windowed =>
  type.windows !== null;

/**
 * The windows of a decoder from words: the first output of each of CV 33 to 46 in turn.
 * @returns 14 output numbers, or why the words are none
 */
export function readWindows(text: string, outputs: number): number[] | string {
  const words = text.split(/[\s,;]+/).filter((w) => w !== '');
  if (words.length !== MAPPED_CVS)
    return `CV ${FIRST_CV} to ${FIRST_CV + MAPPED_CVS - 1} need ${MAPPED_CVS} output numbers, not ${words.length}.`;
  const wrong = words.find((w) => !/^\d{1,2}$/.test(w) || Number(w) < 1 || Number(w) > outputs);
  return wrong === undefined ? words.map(Number) : `“${wrong}” is not an output from 1 to ${outputs}.`;
}

/** Something a table asks that the mapping cannot say. */
export interface MapRefusal {
  readonly output: string;
  readonly reason: string;
  /** Free outputs that the same press could reach; empty where that is no help. */
  readonly offers: readonly string[];
}

/** A table as CVs 33 to 46 in turn, and what of it they cannot say. */
export interface FunctionMap {
  readonly cvs: readonly number[];
  readonly refusals: readonly MapRefusal[];
}

const outputNumber = (id: string): number => Number(id.slice('out'.length));

/** Index of the CV, from CV 33, that a press is mapped by; null for one that no CV maps. */
function cvIndex(key: OutputKey): number | null {
  if (key.function === 0) return key.direction === 'reverse' ? 1 : 0;
  return key.function <= MAPPED_CVS - 2 && key.direction === 'both' ? key.function + 1 : null;
}

/** What the CV of an index is for, in words. */
export function cvMeaning(index: number): string {
  return index === 0 ? 'F0 forward' : index === 1 ? 'F0 reverse' : `F${index - 1}`;
}

/** Value of the bit an output has in a CV's window; null where it lies outside. */
export function bitOf(type: Windowed, index: number, output: string): number | null {
  const bit = outputNumber(output) - type.windows[index];
  return bit >= 0 && bit < WINDOW_BITS ? 2 ** bit : null;
}

/**
 * CVs 33 to 46 for a table, after the decoder's windows (NMRA S-9.2.2). What cannot be said in their
 * bits is refused with the reason, and left out.
 */
export function toCvs(table: DecoderTable, type: Windowed & Pick<DecoderType, 'outputs'>): FunctionMap {
  const cvs = new Array<number>(MAPPED_CVS).fill(0);
  const refusals: MapRefusal[] = [];
  const free = type.outputs.filter(
    (o) => o.level === 'full' && (table.outputs[o.id]?.keys.length ?? 0) === 0,
  );
  const refuse = (output: string, reason: string, index: number | null): void => {
    const offers = free.filter((o) => index !== null && bitOf(type, index, o.id) !== null).map((o) => o.id);
    refusals.push({ output, reason, offers });
  };
  for (const [output, rule] of Object.entries(table.outputs)) {
    for (const key of rule.keys) {
      const index = cvIndex(key);
      if (index === null) {
        const reason =
          key.function > MAPPED_CVS - 2
            ? `F${key.function} has no CV: the mapping ends at F${MAPPED_CVS - 2}`
            : `F${key.function} only ${key.direction} cannot be said: of the mapped functions F0 alone knows the direction`;
        refuse(output, reason, null);
        continue;
      }
      for (const i of key.function === 0 && key.direction === 'both' ? [0, 1] : [index]) {
        const bit = bitOf(type, i, output);
        if (bit === null) {
          const first = type.windows[i];
          refuse(
            output,
            `CV ${FIRST_CV + i} (${cvMeaning(i)}) reaches outputs ${first} to ${first + WINDOW_BITS - 1} only`,
            i,
          );
        } else cvs[i] |= bit;
      }
    }
    if (rule.keys.length === 0) continue;
    if (rule.moving !== 'any') refuse(output, `“only while ${rule.moving}” is no part of the mapping`, null);
    if (rule.withKey !== null)
      refuse(output, `another effect with F${rule.withKey.function} is no part of the mapping`, null);
    if (rule.unless !== null) refuse(output, `“not with F${rule.unless}” is no part of the mapping`, null);
  }
  if (table.stepped)
    for (const output of table.stepped.outputs)
      refuse(output, `stepping with F${table.stepped.function} is no part of the mapping`, null);
  for (const output of table.dim?.outputs ?? [])
    if ((table.outputs[output]?.keys.length ?? 0) > 0)
      refuse(output, `dimming with F${table.dim!.function} is no part of the mapping`, null);
  return { cvs, refusals };
}

/**
 * The presses that CVs 33 to 46 give each output; brightness, effect and what the mapping knows
 * nothing of stay as the table before had them, without conditions.
 * @throws RangeError when a CV is not a whole number from 0 to 255, or there are not 14 of them
 */
export function fromCvs(
  cvs: readonly number[],
  type: Windowed & Pick<DecoderType, 'outputs'>,
  before: Readonly<Record<string, OutputRule>> = {},
): Record<string, OutputRule> {
  if (cvs.length !== MAPPED_CVS)
    throw new RangeError(
      `CV ${FIRST_CV} to ${FIRST_CV + MAPPED_CVS - 1} are ${MAPPED_CVS} numbers, not ${cvs.length}`,
    );
  const wrong = cvs.findIndex((v) => !Number.isInteger(v) || v < 0 || v > 255);
  if (wrong >= 0)
    throw new RangeError(`CV ${FIRST_CV + wrong} is ${cvs[wrong]}: a CV is a whole number from 0 to 255`);
  const table: Record<string, OutputRule> = {};
  for (const { id } of type.outputs) {
    const has = (index: number): boolean => {
      const bit = bitOf(type, index, id);
      return bit !== null && (cvs[index] & bit) !== 0;
    };
    const keys: OutputKey[] = [];
    if (has(0) && has(1)) keys.push({ function: 0, direction: 'both' });
    else if (has(0)) keys.push({ function: 0, direction: 'forward' });
    else if (has(1)) keys.push({ function: 0, direction: 'reverse' });
    for (let f = 1; f <= MAPPED_CVS - 2; f++) if (has(f + 1)) keys.push({ function: f, direction: 'both' });
    table[id] = {
      ...usualRule,
      ...(before[id] as OutputRule | undefined),
      keys,
      moving: 'any',
      unless: null,
    };
  }
  return table;
}

/** An output as it comes. */
export const usualRule: OutputRule = {
  keys: [],
  moving: 'any',
  unless: null,
  brightness: 1,
  effect: 'steady',
  withKey: null,
};
