import { DrawnNow } from '../drawings/drawn-now';
import type { PanelProps } from '../kinds/face';

/** What a job that lights no ground draws at the moment. */
export function StageFigures({ solved, hand }: PanelProps) {
  return (
    <dl className="stage-figures">
      <DrawnNow solved={solved} hand={hand} />
    </dl>
  );
}
