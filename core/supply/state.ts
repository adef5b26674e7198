/** How one input is set. */
export type Setting = boolean | number | string;

/** Something a hand, the track or a press decides. */
export interface Input {
  readonly id: string;
  readonly name: string;
  readonly domain:
    | {
        readonly values: readonly Setting[];
        /** What each is called, where it is not called by itself. */
        readonly names?: Readonly<Record<string, string>>;
      }
    | { readonly least: number; readonly most: number; readonly step: number };
  /** How it stands every day. */
  readonly usual: Setting;
  /** The key it has while the stage is looked at. */
  readonly key?: string;
  /** Inputs it acts together with, where there are too many to try all with all. */
  readonly with?: readonly string[];
}

/** One setting for each input; one that is left out stands as usual. */
export type State = Readonly<Record<string, Setting>>;

/** A share of a phase, too fast for the eye: averaged. */
export interface Slice {
  readonly share: number;
  /** Outputs that conduct. */
  readonly conducting: ReadonlySet<string>;
}

/** A part of a state that the eye tells from the others, as the halves of a flasher. */
export interface Phase {
  readonly id: string;
  readonly seconds: number;
  readonly slices: readonly Slice[];
}

/** Nothing drives: one phase in which nothing conducts. */
export const undriven: readonly Phase[] = [
  { id: '', seconds: 1, slices: [{ share: 1, conducting: new Set() }] },
];

export type Direction = 'forward' | 'reverse';
/** Which row of a table of aspects is shown. */
export const ASPECT = 'aspect';
export const DIRECTION = 'direction';
export const THROTTLE = 'throttle';

/** Which way it runs in a state; forward where nothing says. */
export const directionIn = (state: State): Direction =>
  state[DIRECTION] === 'reverse' ? 'reverse' : 'forward';
/** Share of full throttle in a state; full where nothing says. */
export const throttleIn = (state: State): number =>
  typeof state[THROTTLE] === 'number' ? state[THROTTLE] : 1;

/** Whether a board is asked to drive both senses at once. */
export const BOTH = 'both';
export const bothInput: Input = {
  id: BOTH,
  name: 'Both senses',
  domain: { values: [false, true] },
  usual: false,
};

export const directionInput: Input = {
  id: DIRECTION,
  name: 'Direction',
  domain: { values: ['forward', 'reverse'] },
  usual: 'forward',
  key: 'r',
};
