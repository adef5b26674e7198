import { functionsOn, isMoving, pressesIn } from '../supply/drivers/decoder';
import { throttleIn, type Phase, type State } from '../supply/state';
import { isDriven } from '../document/aspect-record';
import { aspectIn } from './aspects';
import { inputsOf } from './states';
import type { Bench } from './bench';

/** A state in words: "forward, F0 and F2 on, Tail lamps off". */
export function stateWords(
  bench: Pick<Bench, 'job' | 'supply'>,
  state: State,
  {
    phase,
    throttle = false,
    otherwise = 'as it stands',
  }: {
    readonly phase?: Phase;
    readonly throttle?: boolean;
    /** Where nothing can be set. */
    readonly otherwise?: string;
  } = {},
): string {
  const { decoder } = bench.job;
  const inputs = inputsOf(bench);
  const has = (id: string): boolean => inputs.some((i) => i.id === id);
  const words: string[] = [];
  if (has('direction')) words.push(String(state.direction ?? 'forward'));
  if (throttle && has('throttle')) words.push(`throttle ${Math.round(throttleIn(state) * 100)} %`);
  if (decoder && inputs.some((i) => i.with !== undefined)) {
    const on = functionsOn(state);
    words.push(on.length === 0 ? 'nothing pressed' : `${on.map((f) => `F${f}`).join(' and ')} on`);
    if (decoder.stepped && pressesIn(state) > 0)
      words.push(`F${decoder.stepped.function} pressed ${pressesIn(state)}×`);
  }
  if (isDriven(bench.job)) words.push(aspectIn(bench.job, state).name);
  if (!isMoving(state)) words.push('standing');
  for (const input of inputs)
    if (input.id.startsWith('switch ') && state[input.id] === false) words.push(`${input.name} off`);
  if (phase && phase.id !== '') words.push(phase.id);
  return words.join(', ') || otherwise;
}
