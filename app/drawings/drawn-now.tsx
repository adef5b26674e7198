import { quantityParts } from '../../core/quantity/format';
import type { JobHand } from '../store/run-store';
import type { Solved } from '../bench/solved-job';

interface DrawnNowProps {
  readonly solved: Pick<Solved, 'readings' | 'failure'>;
  readonly hand: Pick<JobHand, 'power'>;
  /** Of this very moment, where a run is followed. */
  readonly liveAmps?: number;
}

/** What a job draws at the moment, among the figures of its stage: nothing is told before it is worked out, or where it cannot be. */
export function DrawnNow({ solved: { readings, failure }, hand, liveAmps }: DrawnNowProps) {
  const unknown = hand.power && readings === null && liveAmps === undefined;
  const drawn = quantityParts(liveAmps ?? (hand.power ? (readings?.supplyAmps.mean ?? 0) : 0), 'amp');
  return (
    <div>
      <dt>drawn now</dt>
      <dd data-figure="drawn">
        {unknown ? (
          failure === null ? (
            '…'
          ) : (
            '–'
          )
        ) : (
          <>
            {drawn.number} <small>{drawn.symbol}</small>
          </>
        )}
      </dd>
    </div>
  );
}
