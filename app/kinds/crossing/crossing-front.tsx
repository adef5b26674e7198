import { Glow } from '../../drawings/scenery/glow';
import { lampLevel } from '../../drawings/scenery/lamp-levels';
import { lampAt, postAt } from '../../../core/kinds/crossing/road';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';
import type { Readings } from '../../../core/study/readings';

interface CrossingFrontProps {
  readonly job: CrossingRecord;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
  /** The barriers are down. */
  readonly closed: boolean;
}

const IRON = '#5d6d66';
const DARK_IRON = '#2e3a36';
const RAISED_DEGREES = 78;

/** A crossing from the road, to scale in millimetres, y down from the ground, from its left end. */
export function CrossingFront({ job, readings, shown, closed }: CrossingFrontProps) {
  const { road, lamps } = job;
  const posts = Math.max(1, ...Object.values(lamps).map((l) => l.post));
  const {
    heightMillimetres: high,
    spacingMillimetres: apart,
    lensMillimetres: lens,
    postMillimetres: post,
  } = road;
  const pivot = high * 0.42;
  const numbers = Array.from({ length: posts }, (_, i) => i + 1);
  /** Lamps of a barrier rise with it. */
  const turned = (n: number): string =>
    closed ? '' : `rotate(${n % 2 === 1 ? -RAISED_DEGREES : RAISED_DEGREES} ${postAt(job, n)} ${-pivot})`;
  return (
    <g>
      {numbers.map((n) => {
        const x = postAt(job, n);
        const inward = n % 2 === 1 ? 1 : -1;
        const cross = apart * 0.62;
        return (
          <g key={n}>
            <g fill={DARK_IRON} stroke={IRON} strokeWidth={0.2}>
              <rect x={x - post / 2} y={-high - apart * 0.9} width={post} height={high + apart * 0.9} />
              <rect
                x={x - apart * 0.5 - lens}
                y={-high - lens * 1.1}
                width={apart + 2 * lens}
                height={lens * 2.2}
                rx={lens}
              />
            </g>
            <g stroke="#e9e4d6" strokeWidth={lens * 0.5} strokeLinecap="round">
              <path
                d={`M${x - cross} ${-high - apart * 1.25}l${2 * cross} ${apart * 0.55}M${x + cross} ${-high - apart * 1.25}l${-2 * cross} ${apart * 0.55}`}
              />
            </g>
            {road.barrierMillimetres > 0 && (
              <g transform={turned(n)}>
                <rect
                  x={inward > 0 ? x : x - road.barrierMillimetres}
                  y={-pivot - lens * 0.4}
                  width={road.barrierMillimetres}
                  height={lens * 0.8}
                  fill="#e9e4d6"
                />
                <path
                  d={`M${x} ${-pivot}h${inward * road.barrierMillimetres}`}
                  stroke="#b3261e"
                  strokeWidth={lens * 0.8}
                  strokeDasharray={`${road.barrierMillimetres / 7} ${road.barrierMillimetres / 7}`}
                />
              </g>
            )}
          </g>
        );
      })}
      {Object.entries(lamps).map(([id, lamp]) => {
        const { x, y } = lampAt(job, lamp);
        const { colour, level } = lampLevel(readings, id, shown);
        const small = lamp.place === 'barrier' || lamp.place === 'bell';
        return (
          <g key={id} transform={lamp.place === 'barrier' ? turned(lamp.post) : undefined}>
            <Glow
              x={x}
              y={-y}
              radius={(lens / 2) * (small ? 0.6 : 1)}
              reach={lens * (small ? 1.6 : 2.8)}
              colour={colour}
              level={level}
              lampId={id}
            />
          </g>
        );
      })}
    </g>
  );
}
