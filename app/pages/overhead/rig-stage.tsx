import { Skeleton } from 'antd';
import { useEffect, useMemo, type ReactNode } from 'react';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { movingLight, withRow, type MovedRow, type RigStudy } from '../../../core/overhead/study';
import { LightFigures } from './light-figures';
import { RigMap } from './rig-map';
import { RigSection } from './rig-section';
import type { Layout } from '../../../core/document/layout';
import type { TaskState } from '../../workers/use-study';

interface Moving {
  readonly row: MovedRow | null;
  /** Where the hand has it now; a hand tells more often than the screen shows, and the next frame has the last. */
  readonly move: (to: MovedRow) => void;
}

/** The row that a hand moves, if any: what follows it is the stage alone. */
export type MovingRow = UseBoundStore<StoreApi<Moving>>;
export const movingRow = (): MovingRow =>
  create<Moving>((set) => {
    let next: MovedRow | null = null;
    return {
      row: null,
      move: (to) => {
        if (next === null)
          requestAnimationFrame(() => {
            set({ row: next });
            next = null;
          });
        next = to;
      },
    };
  });

interface RigStageProps {
  readonly layout: Layout;
  readonly rigId: string;
  readonly study: TaskState<RigStudy>;
  readonly useMoving: MovingRow;
  readonly chosen: string | null;
  readonly onChoose: (rowId: string) => void;
  /** What stands before the figures, and between them and the pictures. */
  readonly before: ReactNode;
  readonly between: ReactNode;
}

/** A rig as it lights: figures, the boards from above, the rig from the side. A row that is moved is shown where the hand has it until it is solved there. */
export function RigStage({
  layout,
  rigId,
  study: { answer, stale, failure },
  useMoving,
  chosen,
  onChoose,
  before,
  between,
}: RigStageProps) {
  const moved = useMoving((m) => m.row);
  const rig = layout.rigs[rigId];
  const isThere = moved === null || (rig.rows[moved.rowId]?.[moved.key] === moved.to && !stale);
  useEffect(() => {
    if (isThere) useMoving.setState({ row: null });
  }, [isThere, useMoving]);
  const shown = useMemo(
    () => (moved && !isThere && Object.hasOwn(rig.rows, moved.rowId) ? withRow(rig, moved) : rig),
    [rig, moved, isThere],
  );
  const isMoved = shown !== rig;
  const lightAs = useMemo(
    () => (answer && isMoved ? movingLight(layout, rigId, answer) : null),
    [answer, isMoved, rigId, layout],
  );
  const light = useMemo(() => (lightAs ? lightAs(shown) : (answer?.light ?? null)), [answer, lightAs, shown]);
  return (
    <section className="overhead-stage">
      <div className="overhead-bar">
        {before}
        {light && <LightFigures layout={layout} rig={shown} light={light} />}
      </div>
      {between}
      {light ? (
        <div className={stale && !isMoved ? 'overhead-pictures stale' : 'overhead-pictures'}>
          <RigMap rig={shown} light={light} chosen={chosen} onChoose={onChoose} />
          <RigSection rig={shown} light={light} chosen={chosen} onChoose={onChoose} />
        </div>
      ) : (
        <Skeleton active />
      )}
      {failure && <p className="field-refusal">{failure}</p>}
    </section>
  );
}
