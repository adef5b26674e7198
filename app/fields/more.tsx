import { useState, type ReactNode } from 'react';

interface MoreProps {
  readonly label: string;
  /** Open from the start, as when something in it is in use. */
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** Choices that few need: folded away until asked for. */
export function More({ label, open = false, children }: MoreProps) {
  const [shown, setShown] = useState(open);
  return (
    <details className="more" open={shown} onToggle={(e) => setShown(e.currentTarget.open)}>
      <summary>{label}</summary>
      {shown && <div className="more-body">{children}</div>}
    </details>
  );
}
