import { Button, ConfigProvider } from 'antd';
import { memo, type ReactNode } from 'react';
import { useRunStore } from '../store/run-store';
import { night } from '../theme/theme';

interface ViewSwitchesProps {
  readonly hasCorridor: boolean;
  readonly corridorSide: 'near' | 'far' | undefined;
  /** More switches, after the common ones. */
  readonly children?: ReactNode;
}

/** Which side, by night or by day, with the roof on or lifted. */
export const ViewSwitches = memo(function ViewSwitches({
  hasCorridor,
  corridorSide,
  children,
}: ViewSwitchesProps) {
  const view = useRunStore((s) => s.view);
  const look = useRunStore((s) => s.look);
  const other = view.side === 'near' ? 'far' : 'near';
  const sideName = hasCorridor
    ? view.side === corridorSide
      ? 'Corridor side'
      : 'Room side'
    : view.side === 'near'
      ? 'Near side'
      : 'Far side';
  return (
    <ConfigProvider theme={night}>
      <div className="view-switches" role="group" aria-label="How the stage is looked at">
        <Button size="small" onClick={() => look({ side: other })} title="Look from the other side">
          {sideName}
        </Button>
        <Button size="small" onClick={() => look({ by: view.by === 'night' ? 'day' : 'night' })}>
          {view.by === 'night' ? 'Night' : 'Day'}
        </Button>
        <Button size="small" onClick={() => look({ roof: !view.roof })}>
          {view.roof ? 'Roof on' : 'Roof off'}
        </Button>
        {children}
      </div>
    </ConfigProvider>
  );
});

/** By night or by day. */
export const NightOrDay = memo(function NightOrDay() {
  const by = useRunStore((s) => s.view.by);
  const look = useRunStore((s) => s.look);
  return (
    <ConfigProvider theme={night}>
      <div className="view-switches" role="group" aria-label="How the stage is looked at">
        <Button size="small" onClick={() => look({ by: by === 'night' ? 'day' : 'night' })}>
          {by === 'night' ? 'Night' : 'Day'}
        </Button>
      </div>
    </ConfigProvider>
  );
});
