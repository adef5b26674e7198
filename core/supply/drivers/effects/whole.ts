/**
 * Whole-number sums that mean the same here, in MicroPython and in C++ with 32 bits: one definition of
 * an effect is worked out here for the preview and printed into the program.
 */
export type Whole =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'given'; readonly name: GivenName }
  | { readonly kind: 'two'; readonly op: TwoOp; readonly a: Whole; readonly b: Whole }
  | { readonly kind: 'choose'; readonly test: Whole; readonly then: Whole; readonly other: Whole };

/**
 * What an effect is given: milliseconds since its scene began, the lamp's number in its group from 0,
 * how many there are, a seed, which colour (0 red, 1 green, 2 blue), and its parameters.
 */
export const givens = ['t', 'i', 'n', 's', 'c', 'p', 'q', 'r'] as const;
export type GivenName = (typeof givens)[number];
export type Given = Readonly<Record<GivenName, number>>;

/** `over` and `rest` are of numbers not below 0; `noise` gives 0 to 255 from two whole numbers; `below` gives 1 or 0. */
type TwoOp = 'plus' | 'minus' | 'times' | 'over' | 'rest' | 'least' | 'most' | 'below' | 'noise';

type Term = Whole | number;
const whole = (term: Term): Whole => (typeof term === 'number' ? { kind: 'number', value: term } : term);
const two =
  (op: TwoOp) =>
  (a: Term, b: Term): Whole => ({ kind: 'two', op, a: whole(a), b: whole(b) });

export const plus = two('plus');
export const minus = two('minus');
export const times = two('times');
export const over = two('over');
export const rest = two('rest');
export const least = two('least');
export const most = two('most');
export const below = two('below');
export const noise = two('noise');
export const choose = (test: Whole, then: Term, other: Term): Whole => ({
  kind: 'choose',
  test,
  then: whole(then),
  other: whole(other),
});
export const given = (name: GivenName): Whole => ({ kind: 'given', name });

/** A noise of 0 to 255 that is the same for the same two numbers, on 32 bits that wrap round. */
export function noiseOf(a: number, b: number): number {
  let h = (Math.imul(a, 0x9e3779b1) + Math.imul(b, 0x85ebca77)) >>> 0;
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d) >>> 0;
  h = (h ^ (h >>> 12)) >>> 0;
  return h >>> 24;
}

/** Whether a sum heeds something that is given. */
export function heeds(sum: Whole, name: GivenName): boolean {
  switch (sum.kind) {
    case 'number':
      return false;
    case 'given':
      return sum.name === name;
    case 'two':
      return heeds(sum.a, name) || heeds(sum.b, name);
    case 'choose':
      return heeds(sum.test, name) || heeds(sum.then, name) || heeds(sum.other, name);
  }
}

/** Works a sum out as a function of what is given. */
export function workedOut(sum: Whole): (of: Given) => number {
  switch (sum.kind) {
    case 'number': {
      const { value } = sum;
      return () => value;
    }
    case 'given': {
      const { name } = sum;
      return (of) => of[name];
    }
    case 'choose': {
      const [test, then, other] = [sum.test, sum.then, sum.other].map(workedOut);
      return (of) => (test(of) !== 0 ? then(of) : other(of));
    }
    case 'two': {
      const [a, b] = [workedOut(sum.a), workedOut(sum.b)];
      switch (sum.op) {
        case 'plus':
          return (of) => a(of) + b(of);
        case 'minus':
          return (of) => a(of) - b(of);
        case 'times':
          return (of) => a(of) * b(of);
        case 'over':
          return (of) => Math.floor(a(of) / b(of));
        case 'rest':
          return (of) => a(of) % b(of);
        case 'least':
          return (of) => Math.min(a(of), b(of));
        case 'most':
          return (of) => Math.max(a(of), b(of));
        case 'below':
          return (of) => (a(of) < b(of) ? 1 : 0);
        case 'noise':
          return (of) => noiseOf(a(of), b(of));
      }
    }
  }
}

/** How a language writes a sum. */
export interface WholeWriter {
  two(op: TwoOp, a: string, b: string): string;
  choose(test: string, then: string, other: string): string;
}

/** A sum as a language writes it. */
export function written(sum: Whole, as: WholeWriter): string {
  switch (sum.kind) {
    case 'number':
      return String(sum.value);
    case 'given':
      return sum.name;
    case 'two':
      return as.two(sum.op, written(sum.a, as), written(sum.b, as));
    case 'choose':
      return as.choose(written(sum.test, as), written(sum.then, as), written(sum.other, as));
  }
}
