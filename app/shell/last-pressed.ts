/** Where the last press was made, or the key that stands for one. */
let pressed: Element | null = null;

/** What was pressed last; null when nothing was yet. */
export const lastPressed = (): Element | null => pressed;

/** Remembers what was pressed last, so that a refusal can stand beside it. */
export function watchPresses(): () => void {
  const note = (event: Event): void => {
    if (event.target instanceof Element) pressed = event.target;
  };
  const names = ['pointerdown', 'keydown', 'change'] as const;
  for (const name of names) addEventListener(name, note, true);
  return () => {
    for (const name of names) removeEventListener(name, note, true);
  };
}
