import { inOrder } from '../../../core/document/in-order';
import { Glow } from '../../drawings/scenery/glow';
import { lampLevel } from '../../drawings/scenery/lamp-levels';
import type { CanopyRecord } from '../../../core/kinds/canopy/record';
import type { Readings } from '../../../core/study/readings';

interface CanopyOnPostsProps {
  readonly job: CanopyRecord;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
}

/** Height of roof and truss above the lamps, as a share of theirs. */
const ROOF_SHARE = 0.28;
export const roofThickness = ({ roof }: CanopyRecord): number => ROOF_SHARE * roof.heightMillimetres;

const MOST_POSTS = 60;
const LAMP = 0.9;

/** A canopy to scale in millimetres, y down from the platform: posts, trusses, roof, and the string under it. */
export function CanopyOnPosts({ job, readings, shown }: CanopyOnPostsProps) {
  const { lengthMillimetres: length, heightMillimetres: high, trussMillimetres: truss } = job.roof;
  const thick = roofThickness(job);
  const count = Math.min(MOST_POSTS, Math.max(1, Math.floor(length / truss)));
  const first = (length - (count - 1) * truss) / 2;
  const posts = Array.from({ length: count }, (_, i) => first + i * truss);
  const post = Math.max(0.6, high * 0.035);
  // The far side is seen past the near one, a little higher.
  const sides = ['far', 'near'] as const;
  return (
    <g>
      <g fill="#26312c" stroke="#45564e" strokeWidth={0.3}>
        {posts
          .filter((_, i) => i % 2 === 0 || count < 6)
          .map((x) => (
            <rect key={x} x={x - post / 2} y={-high} width={post} height={high} />
          ))}
      </g>
      {posts.map((x) => (
        <path
          key={x}
          d={`M${x - truss * 0.32} ${-high}L${x} ${-high - thick * 0.45}L${x + truss * 0.32} ${-high}`}
          fill="none"
          stroke="#45564e"
          strokeWidth={0.5}
        />
      ))}
      <path
        d={`M${-length * 0.012} ${-high - thick * 0.42}L${length * 0.012} ${-high - thick}H${length * 0.988}L${length * 1.012} ${-high - thick * 0.42}Z`}
        fill="#2b2a24"
        stroke="#5b4a35"
        strokeWidth={0.5}
      />
      <rect x={0} y={-high - thick * 0.44} width={length} height={thick * 0.1} fill="#3d3a30" />
      {sides.flatMap((side) =>
        inOrder(job.lamps)
          .filter((l) => l.side === side)
          .map((lamp) => {
            const { colour, level } = lampLevel(readings, lamp.id, shown);
            const y = -high - (side === 'far' ? thick * 0.16 : 0);
            return (
              <Glow
                key={lamp.id}
                x={lamp.alongMillimetres}
                y={y}
                radius={side === 'far' ? LAMP * 0.75 : LAMP}
                reach={high * (side === 'far' ? 0.3 : 0.42)}
                colour={colour}
                level={side === 'far' ? level * 0.8 : level}
                lampId={lamp.id}
              />
            );
          }),
      )}
    </g>
  );
}
