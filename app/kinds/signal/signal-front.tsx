import { Glow } from '../../drawings/scenery/glow';
import { lampLevel } from '../../drawings/scenery/lamp-levels';
import { signalSize, spotIn } from '../../../core/kinds/signal/head';
import type { SignalRecord } from '../../../core/kinds/signal/record';
import type { Readings } from '../../../core/study/readings';

interface SignalFrontProps {
  readonly job: SignalRecord;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
  /** The arm shows its second aspect or a later one. */
  readonly cleared: boolean;
}

const IRON = '#5d6d66';
const DARK_IRON = '#2e3a36';
/** An arm that is off hangs down by so much. */
const ARM_DEGREES = 45;

/** A signal from the front, to scale in millimetres, y down from the ground, its post in the middle of its width. */
export function SignalFront({ job, readings, shown, cleared }: SignalFrontProps) {
  const { head, lamps } = job;
  const { width } = signalSize(job);
  const middle = width / 2;
  const spots = Object.keys(lamps).map((id) => ({ id, ...spotIn(job, id) }));
  const room = head.lensMillimetres * 0.5 + head.spacingMillimetres * 0.3;
  const left = Math.min(...spots.map((s) => s.x)) - room;
  const right = Math.max(...spots.map((s) => s.x)) + room;
  const top = Math.max(...spots.map((s) => s.y)) + room;
  const low = Math.min(...spots.map((s) => s.y)) - room;
  const post = head.postMillimetres;
  const lens = head.lensMillimetres;
  return (
    <g transform={`translate(${middle} 0)`}>
      <g fill={DARK_IRON} stroke={IRON} strokeWidth={0.2}>
        {head.mount === 'post' ? (
          <>
            <rect x={-post / 2} y={-low} width={post} height={low} />
            <rect x={-post * 1.4} y={-0.8} width={post * 2.8} height={0.8} />
          </>
        ) : (
          <path
            d={`M${-right - post * 4} ${-low - post}H0V${-low}H${-post}V${-low - post * 0.2}H${-right - post * 4}Z`}
          />
        )}
        {head.form === 'semaphore' ? (
          <rect x={-post / 2} y={-top} width={post} height={top - low} />
        ) : (
          <rect x={left} y={-top} width={right - left} height={top - low} rx={room * 0.4} />
        )}
      </g>
      {head.form === 'semaphore' && (
        <g transform={`rotate(${cleared ? ARM_DEGREES : 0} 0 ${-head.heightMillimetres})`}>
          <rect
            x={lens * 0.9}
            y={-head.heightMillimetres - lens * 0.55}
            width={head.heightMillimetres * 0.24}
            height={lens * 1.1}
            fill="#b3261e"
          />
          <rect
            x={lens * 0.9 + head.heightMillimetres * 0.17}
            y={-head.heightMillimetres - lens * 0.55}
            width={lens * 0.45}
            height={lens * 1.1}
            fill="#f4f1ea"
          />
        </g>
      )}
      {spots.map(({ id, x, y }) => {
        const { colour, level } = lampLevel(readings, id, shown);
        return (
          <g key={id}>
            <Glow
              x={x}
              y={-y}
              radius={lens / 2}
              reach={lens * 2.6}
              colour={colour}
              level={level}
              lampId={id}
            />
            {head.hoodMillimetres > 0 && (
              <path
                d={`M${x - lens * 0.62} ${-y}A${lens * 0.62} ${lens * 0.62} 0 0 1 ${x + lens * 0.62} ${-y}`}
                fill="none"
                stroke="#0e1413"
                strokeWidth={lens * 0.18}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}
