import { cellLifeByHand } from '../../../core/study/by-hand';
import { ByHand } from './by-hand';
import { shareName } from './share-name';
import type { PanelProps } from '../../kinds/face';
import type { StayingAlight } from '../../workers/questions';
import type { TaskState } from '../../workers/use-study';

/** Hours of a cell, and how they compare with capacity over current. */
export function CellLife({
  solved,
  alight,
}: {
  readonly solved: PanelProps['solved'];
  readonly alight: TaskState<StayingAlight>;
}) {
  const life = alight.answer?.cellLife;
  if (!life || !solved.readings) return null;
  const hand = cellLifeByHand(solved.bench, solved.readings);
  return (
    <>
      <h3 className="part-head">Until the cell is changed</h3>
      <dl className="fact-list" style={alight.stale ? { opacity: 0.5 } : undefined}>
        {life.moments.map((m, i) => (
          <HourRow key={shareName[i]} name={`light at ${shareName[i]}`} hours={m} />
        ))}
        <HourRow name="dark or empty" hours={life.lastHours} />
      </dl>
      <ByHand sum={hand} />
    </>
  );
}

function HourRow({ name, hours }: { readonly name: string; readonly hours: number | null }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{hours === null ? 'not before it is empty' : `${Number(hours.toPrecision(2))} h`}</dd>
    </>
  );
}
