import { useStudy } from '../../workers/use-study';
import { CellLifeChart } from './cell-life-chart';
import { PowerCutChart } from './power-cut-chart';
import { Scope } from './scope';
import type { PictureProps } from '../../kinds/face';

/** How a job behaves over time: its run while it plays, the emptying of its cell, else its light after the power is cut. */
export function BehaviourPicture({ layout, jobId, solved, hand, live }: PictureProps) {
  const supplyId = hand.supplyId ?? undefined;
  const onCell = solved.bench.supply.kind === 'cell';
  const cut = useStudy('powerCut', layout, { jobId, supplyId }, 'slow');
  const alight = useStudy('stayingAlight', layout, onCell ? { jobId, supplyId } : null, 'slow');
  if (live.samples.length > 0) return <Scope samples={live.samples} />;
  if (alight.answer?.cellLife) return <CellLifeChart life={alight.answer.cellLife} stale={alight.stale} />;
  if (cut.answer) return <PowerCutChart cut={cut.answer} stale={cut.stale} />;
  return <p className="stale-note">{cut.failure ?? 'Being worked out…'}</p>;
}
