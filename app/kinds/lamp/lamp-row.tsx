import { inOrder } from '../../../core/document/in-order';
import { fittingSorts } from '../../../core/part/lamp-fitting';
import { mastStock } from '../../../core/part/lamp-kit';
import { Glow } from '../../drawings/scenery/glow';
import { lampLevel } from '../../drawings/scenery/lamp-levels';
import type { LampRecord } from '../../../core/kinds/lamp/record';
import type { Readings } from '../../../core/study/readings';

interface LampRowProps {
  readonly job: LampRecord;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
}

const IRON = '#5d6d66';
const DARK_IRON = '#2e3a36';

/** A row of lamps to scale in millimetres, y down from the ground: masts or brackets, hoods, and the light under them. */
export function LampRow({ job, readings, shown }: LampRowProps) {
  const { fitting, kit, lamps } = job;
  const { heightMillimetres: high, headMillimetres: head, hoodMillimetres: hood, sort } = fitting;
  const { stands } = fittingSorts[sort];
  const thick = Math.max(0.7, mastStock[kit.mast].outsideMillimetres);
  const glow = Math.max(head * 1.6, high * 0.42);
  const tip = hood > 0 ? high + hood : high + head * 0.25;
  return (
    <g>
      {stands !== 'mast' && <Behind job={job} top={high} />}
      {inOrder(lamps).map((lamp) => {
        const { colour, level } = lampLevel(readings, lamp.id, shown);
        const x = lamp.alongMillimetres;
        const half = head / 2;
        return (
          <g key={lamp.id}>
            {stands === 'mast' && (
              <g fill={DARK_IRON} stroke={IRON} strokeWidth={0.25}>
                <rect x={x - thick / 2} y={-tip} width={thick} height={tip} />
                {kit.base !== 'none' && (
                  <rect x={x - thick * 1.4} y={-1.2} width={thick * 2.8} height={1.2} />
                )}
              </g>
            )}
            {sort === 'gooseneck' && (
              <path
                d={`M${x + half * 2.4} ${-high + head}v${-head * 1.4}q0 ${-head} ${-half * 1.2} ${-head}t${-half * 1.2} ${head * 0.8}`}
                fill="none"
                stroke={IRON}
                strokeWidth={Math.max(0.6, head * 0.12)}
              />
            )}
            {stands === 'roof' && (
              <line x1={x} x2={x} y1={-tip} y2={-high - head * 1.6} stroke={IRON} strokeWidth={0.6} />
            )}
            {hood > 0 && level > 0.02 && (
              <path
                d={`M${x - half} ${-high}L${x - half - high * 0.35} 0H${x + half + high * 0.35}L${x + half} ${-high}Z`}
                fill={colour}
                opacity={0.1 * level}
              />
            )}
            {hood > 0 && (
              <path
                d={`M${x - half} ${-high}L${x - half * 0.35} ${-high - hood}H${x + half * 0.35}L${x + half} ${-high}Z`}
                fill={DARK_IRON}
                stroke={IRON}
                strokeWidth={0.3}
              />
            )}
            {kit.ball && stands === 'mast' && (
              <circle cx={x} cy={-tip - thick * 0.6} r={thick * 0.7} fill={IRON} />
            )}
            <Glow
              x={x}
              y={-high}
              radius={Math.max(0.5, Math.min(half, 2.2) * 0.8)}
              reach={glow}
              colour={colour}
              level={level}
              lampId={lamp.id}
            />
          </g>
        );
      })}
    </g>
  );
}

/** The wall, the roof or the thing that lamps without a mast are on. */
function Behind({ job, top }: { readonly job: LampRecord; readonly top: number }) {
  const { fitting, lamps } = job;
  const { stands } = fittingSorts[fitting.sort];
  const places = Object.values(lamps).map((l) => l.alongMillimetres);
  if (places.length === 0) return null;
  const end = fitting.headMillimetres * 3 + 6;
  const [from, to] = [Math.min(...places) - end, Math.max(...places) + end];
  if (stands === 'wall')
    return (
      <rect x={from} y={-top * 1.22} width={to - from} height={top * 1.22} fill="#25302b" stroke="#36443d" />
    );
  if (stands === 'roof')
    return (
      <rect
        x={from}
        y={-top - fitting.headMillimetres * 1.8}
        width={to - from}
        height={fitting.headMillimetres * 0.5}
        fill="#2c2a24"
        stroke="#4a4138"
      />
    );
  if (fitting.sort === 'hand') return null;
  return (
    <g fill="#2b2520" stroke="#5b4a35" strokeWidth={0.4}>
      {places.map((x) => (
        <path
          key={x}
          d={`M${x - top * 0.75} 0V${-top * 0.62}H${x + top * 0.75}V0H${x + top * 0.55}V${-top * 0.45}H${x - top * 0.55}V0ZM${x - top * 0.08} ${-top * 0.62}V${-top * 0.9}H${x + top * 0.08}V${-top * 0.62}Z`}
        />
      ))}
    </g>
  );
}
