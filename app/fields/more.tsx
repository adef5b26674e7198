import { Collapse } from 'antd';
import type { ReactNode } from 'react';

interface MoreProps {
  readonly label: string;
  /** Open from the start, as when something in it is in use. */
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** Choices or reasons that few need: folded away until asked for. */
export function More({ label, open = false, children }: MoreProps) {
  return (
    <Collapse
      ghost
      size="small"
      className="more"
      defaultActiveKey={open ? 'more' : undefined}
      items={[{ key: 'more', label, children }]}
    />
  );
}
