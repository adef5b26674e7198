import type { Shortcut } from '../../../core/study/shortcut';

/** The sum people do, and why the solved answer differs. */
export function ByHand({ sum }: { readonly sum: Shortcut | null }) {
  if (!sum) return null;
  return (
    <p className="by-hand">
      <b>By hand:</b> <code>{sum.sum}</code>. {sum.why}
    </p>
  );
}
