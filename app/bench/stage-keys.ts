import { throttleIn, THROTTLE, type Setting, type State } from '../../core/supply/state';
import { handFor, inputsForHand } from '../../core/study/hand';
import type { Bench } from '../../core/study/bench';

/** What a key on the stage may do. */
export interface StageHand {
  readonly bench: Bench;
  readonly state: State;
  readonly power: boolean;
  readonly onPower: (power: boolean) => void;
  readonly onSet: (input: string, setting: Setting) => void;
  /** To the stage of the work so many after this one. */
  readonly onStep: (by: number) => void;
}

/** What an arrow key moves the throttle by, as a share of full throttle. */
const NUDGE = 0.05;
const nudges: Readonly<Record<string, number>> = {
  ArrowUp: NUDGE,
  ArrowRight: NUDGE,
  ArrowDown: -NUDGE,
  ArrowLeft: -NUDGE,
};

interface KeyPress {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
  readonly target: unknown;
  readonly currentTarget: unknown;
  preventDefault(): void;
}

/** Does what a single key does while the stage has the focus: power, the list of keys, steps, and one key for each input that has one. */
export function onStageKey(event: KeyPress, hand: StageHand): void {
  if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const { bench } = hand;
  const state = handFor(bench, hand.state);
  const inputs = inputsForHand(bench);
  const own = inputs.find((i) => i.key === key);
  if (key === 'p') hand.onPower(!hand.power);
  else if (key === '[') hand.onStep(-1);
  else if (key === ']') hand.onStep(1);
  else if (key === '?') dispatchEvent(new Event('hazel-keys'));
  else if (Object.hasOwn(nudges, key) && inputs.some((i) => i.id === THROTTLE)) {
    const throttle = Math.round((throttleIn(state) + nudges[key]) * 100) / 100;
    hand.onSet(THROTTLE, Math.min(1, Math.max(0, throttle)));
  } else if (own && 'values' in own.domain) {
    const { values } = own.domain;
    const at = values.indexOf(state[own.id] ?? own.usual);
    hand.onSet(own.id, values[(at + 1) % values.length]);
  } else return;
  event.preventDefault();
}
