/**
 * Work in steps: between two of them whoever does it may turn to something else, or leave it. A step may
 * hand over what can be said before the end.
 */
export type Steps<T, Early = never> = Generator<Early | undefined, T, void>;

/** Does all steps at once. */
export function atOnce<T, Early>(steps: Steps<T, Early>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
