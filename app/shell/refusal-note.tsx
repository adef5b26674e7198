import { Popover, Button } from 'antd';
import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import { useLayoutStore } from '../store/layout-store';
import { lastPressed } from './last-pressed';

interface Spot {
  readonly left: number;
  readonly top: number;
  readonly height: number;
}

function spotOf(element: Element | null): Spot {
  const box = element?.isConnected ? element.getBoundingClientRect() : null;
  // What was pressed has gone: the middle of the top will do.
  if (!box || (box.width === 0 && box.height === 0)) return { left: innerWidth / 2, top: 60, height: 0 };
  return { left: box.left + box.width / 2, top: box.top, height: box.height };
}

/** Says beside what was pressed why an edit was not made. Nothing was changed. */
export default function RefusalNote() {
  const refusal = useLayoutStore((s) => s.refusal);
  const dismiss = useLayoutStore((s) => s.dismiss);
  const [spot, setSpot] = useState<Spot | null>(null);
  const { pathname } = useLocation();
  const [page] = useState(pathname);
  useEffect(() => {
    // On another page it would stand beside nothing.
    if (pathname !== page) dismiss();
  }, [pathname, page, dismiss]);
  useEffect(() => {
    // Where it stands is measured once it is there to be measured.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setSpot(refusal ? spotOf(lastPressed()) : null);
  }, [refusal]);
  if (!refusal || !spot) return null;
  return (
    <Popover
      open
      placement="bottom"
      title="Not done"
      content={
        <div className="refusal" role="alert">
          <p>{refusal.reason}.</p>
          <p>“{refusal.label}” would leave a layout that cannot be opened again. Nothing was changed.</p>
          <Button size="small" onClick={dismiss}>
            All right
          </Button>
        </div>
      }
    >
      <span
        aria-hidden="true"
        style={{
          position: 'fixed',
          left: spot.left,
          top: spot.top,
          height: spot.height,
          width: 1,
          pointerEvents: 'none',
        }}
      />
    </Popover>
  );
}
