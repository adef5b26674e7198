import { Skeleton } from 'antd';
import { useEffect, useMemo, type ReactNode } from 'react';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { movedLight, withRow, type MovedRow, type RigStudy } from '../../../core/overhead/study';
import { LightFigures } from './light-figures';
import { RigMap } from './rig-map';
import { RigSection } from './rig-section';
import type { Layout } from '../../../core/document/layout';
import type { TaskState } from '../../workers/use-study';

/** The row that a hand moves, if any: what follows it is the stage alone. */
export type MovingRow = UseBoundStore<StoreApi<{ readonly row: MovedRow | null }>>;
export const movingRow = (): MovingRow => create(() => ({ row: null }));

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
  const { row: moved } = useMoving();
  const rig = layout.rigs[rigId];
  const isThere = moved === null || (rig.rows[moved.rowId]?.[moved.key] === moved.to && !stale);
  useEffect(() => {
    if (isThere) useMoving.setState({ row: null });
  }, [isThere, useMoving]);
  const shown = useMemo(
    () => (moved && !isThere && Object.hasOwn(rig.rows, moved.rowId) ? withRow(rig, moved) : rig),
    [rig, moved, isThere],
  );
  const light = useMemo(
    () => answer && (shown === rig ? answer.light : movedLight(layout, rigId, shown, answer)),
    [answer, shown, rig, rigId, layout],
  );
  return (
    <section className="overhead-stage">
      <div className="overhead-bar">
        {before}
        {light && <LightFigures layout={layout} rig={shown} light={light} />}
      </div>
      {between}
      {light ? (
        <div className={stale && shown === rig ? 'overhead-pictures stale' : 'overhead-pictures'}>
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
