import type { Steps } from '../../core/quantity/steps';

/** How long work in steps goes on before it looks whether something more urgent has come. */
const TURN_MS = 8;

/** What was asked for is no longer wanted. */
export class Left extends Error {}

/** Lets everything that has come meanwhile have its turn. */
const aTurn = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/**
 * Does work in turns, so that a frame asked for meanwhile need not wait for its end.
 * @param tellEarly gets what can be said before the end
 * @throws Left as soon as it is no longer wanted
 */
export async function inTurns<T, Early>(
  steps: Steps<T, Early>,
  isWanted: () => boolean,
  tellEarly: (early: Early) => void,
): Promise<T> {
  let until = performance.now() + TURN_MS;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (step.value !== undefined) tellEarly(step.value);
    if (performance.now() < until) continue;
    await aTurn();
    if (!isWanted()) throw new Left();
    until = performance.now() + TURN_MS;
  }
}
