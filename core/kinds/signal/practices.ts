import type { Show } from '../../supply/drivers/driver-kind';

/** What a signal looks like. */
export const signalForms = {
  'colour-light': { name: 'Colour light', says: 'one to four lamps one above another' },
  ground: { name: 'Ground signal', says: 'small, low, for shunting' },
  semaphore: { name: 'Semaphore', says: 'one lamp behind two glasses of an arm' },
  route: { name: 'Route indicator', says: 'a row of white lamps' },
} as const;
export type SignalForm = keyof typeof signalForms;

interface PracticeLamp {
  readonly id: string;
  readonly name: string;
  readonly part: string;
  /** Place in the head, from its top and its left, in lamp spacings. */
  readonly row: number;
  readonly column: number;
  /** Output it hangs on. */
  readonly output: number;
}

interface PracticeAspect {
  readonly id: string;
  readonly name: string;
  readonly lamps: Readonly<Record<string, Show>>;
  readonly dark?: boolean;
  readonly glass?: string;
}

/** A generic way of showing aspects: its lamps, and the table of which are lit. */
export interface Practice {
  readonly name: string;
  readonly form: SignalForm;
  readonly lamps: readonly PracticeLamp[];
  readonly aspects: readonly PracticeAspect[];
}

const column = (...lamps: readonly (readonly [id: string, name: string, part: string])[]): PracticeLamp[] =>
  lamps.map(([id, name, part], i) => ({ id, name, part, row: i, column: 0, output: i + 1 }));
const red = ['red', 'Red', 'red'] as const;
const yellow = ['yellow', 'Yellow', 'yellow'] as const;
const green = ['green', 'Green', 'green'] as const;
const lit = (...ids: string[]): Record<string, Show> => Object.fromEntries(ids.map((id) => [id, 'steady']));

const stop: PracticeAspect = { id: 'stop', name: 'Stop', lamps: lit('red') };
const clear: PracticeAspect = { id: 'clear', name: 'Clear', lamps: lit('green') };
const caution: PracticeAspect = { id: 'caution', name: 'Caution', lamps: lit('yellow') };
const arm: PracticeLamp = { id: 'lamp', name: 'Lamp', part: 'white-warm', row: 0, column: 0, output: 1 };

/** Practices in general use, by number and colour of lamps; no railway's own (common practice, no source). */
export const practices = {
  'one-red': { name: 'Red alone', form: 'colour-light', lamps: column(red), aspects: [stop] },
  'two-aspect': {
    name: 'Red and green',
    form: 'colour-light',
    lamps: column(green, red),
    aspects: [stop, clear],
  },
  distant: {
    name: 'Yellow and green',
    form: 'colour-light',
    lamps: column(green, yellow),
    aspects: [caution, clear],
  },
  'three-aspect': {
    name: 'Red, yellow, green',
    form: 'colour-light',
    lamps: column(green, yellow, red),
    aspects: [stop, caution, clear],
  },
  'four-aspect': {
    name: 'Red, yellow, green, yellow',
    form: 'colour-light',
    lamps: column(['upper', 'Upper yellow', 'yellow'], green, yellow, red),
    aspects: [
      stop,
      caution,
      { id: 'preliminary', name: 'Preliminary caution', lamps: lit('upper', 'yellow') },
      clear,
    ],
  },
  flashing: {
    name: 'Three lamps, yellow flashing',
    form: 'colour-light',
    lamps: column(green, yellow, red),
    aspects: [
      stop,
      caution,
      { id: 'diverging', name: 'Flashing caution', lamps: { yellow: 'flash' } },
      clear,
    ],
  },
  ground: {
    name: 'Ground signal, three lamps',
    form: 'ground',
    lamps: [
      { id: 'upper', name: 'Upper white', part: 'white-warm', row: 0, column: 1, output: 1 },
      { id: 'red', name: 'Red', part: 'red', row: 1, column: 0, output: 2 },
      { id: 'pivot', name: 'Right white', part: 'white-warm', row: 1, column: 1, output: 3 },
    ],
    aspects: [
      { id: 'stop', name: 'Stop', lamps: lit('red', 'pivot') },
      { id: 'proceed', name: 'Proceed', lamps: lit('upper', 'pivot') },
    ],
  },
  'stop-arm': {
    name: 'Stop arm, red and green glass',
    form: 'semaphore',
    lamps: [arm],
    aspects: [
      { id: 'danger', name: 'Danger', lamps: lit('lamp'), glass: 'red-glass' },
      { id: 'clear', name: 'Clear', lamps: lit('lamp'), glass: 'green-glass' },
    ],
  },
  'distant-arm': {
    name: 'Distant arm, yellow and green glass',
    form: 'semaphore',
    lamps: [arm],
    aspects: [
      { id: 'caution', name: 'Caution', lamps: lit('lamp'), glass: 'yellow-glass' },
      { id: 'clear', name: 'Clear', lamps: lit('lamp'), glass: 'green-glass' },
    ],
  },
  route: {
    name: 'Route indicator, five white',
    form: 'route',
    lamps: Array.from({ length: 5 }, (_, i) => ({
      id: `white-${i + 1}`,
      name: `White ${i + 1}`,
      part: 'white-cool',
      row: i,
      column: 4 - i,
      output: 1,
    })),
    aspects: [
      { id: 'straight', name: 'Straight on', lamps: {}, dark: true },
      {
        id: 'diverging',
        name: 'Diverging',
        lamps: lit('white-1', 'white-2', 'white-3', 'white-4', 'white-5'),
      },
    ],
  },
} as const satisfies Readonly<Record<string, Practice>>;
export type PracticeName = keyof typeof practices;
export const practiceOf = (name: PracticeName): Practice => practices[name];
