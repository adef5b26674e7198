import { quantityParts } from '../../core/quantity/format';
import type { PanelProps } from '../kinds/face';

/** What a job that lights no ground draws at the moment. */
export function StageFigures({ solved, hand }: PanelProps) {
  const drawn = quantityParts(hand.power ? (solved.readings?.supplyAmps.mean ?? 0) : 0, 'amp');
  return (
    <dl className="stage-figures">
      <div>
        <dt>drawn now</dt>
        <dd data-figure="drawn">
          {drawn.number} <small>{drawn.symbol}</small>
        </dd>
      </div>
    </dl>
  );
}
