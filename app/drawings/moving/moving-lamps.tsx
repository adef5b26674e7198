import { useMemo, useRef } from 'react';
import { screenColour } from '../../../core/light/colour';
import { candelaAhead, lampLightness } from '../../../core/light/lamp-light';
import { lightness, shareOfLightness } from '../../../core/light/lightness';
import { channelsOf, type Play } from '../../../core/study/play';
import { useFrames } from '../../bench/use-frames';
import { momentNow, useSceneClocks } from '../../store/scene-clock';
import { Glow } from '../scenery/glow';
import { lampLevel } from '../scenery/lamp-levels';
import type { JobCore } from '../../../core/document/job-record';
import type { Moving } from '../../../core/document/moving-record';
import type { Readings } from '../../../core/study/readings';

/** Where a lamp is drawn, in millimetres, y down. */
export interface LampSpot {
  readonly x: number;
  readonly y: number;
}

interface MovingLampsProps {
  readonly jobId: string;
  readonly job: JobCore & Moving;
  readonly play: Play | null;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
  readonly spotOf: (lampId: string) => LampSpot;
  readonly stringSpots: readonly LampSpot[];
  /** Of a lamp, in millimetres. */
  readonly radius: number;
}

/** A lamp of a string shines to all sides. */
const STRING_BEAM = 120;
/** Colours are drawn in steps that no eye tells apart. */
const STEPS = 200;
const colours = new Map<number, string>();
function colourOf({ x, y }: { readonly x: number; readonly y: number }): string {
  const [i, j] = [Math.round(x * STEPS), Math.round(y * STEPS)];
  const key = i * 1000 + j;
  let colour = colours.get(key);
  if (colour === undefined) colours.set(key, (colour = screenColour({ x: i / STEPS, y: j / STEPS })));
  return colour;
}

/** The lamps of a scene at every frame of the screen: plain ones by the share of their time, those of a string as solved along it. */
export function MovingLamps(props: MovingLampsProps) {
  const { jobId, job, play, readings, shown, spotOf, stringSpots, radius } = props;
  const runs = useSceneClocks((s) => s.clocks[jobId]?.runs ?? true);
  const lamps = useRef(new Map<string, SVGGElement>());
  const string = useRef<SVGGElement>(null);
  const channels = useMemo(() => channelsOf(job), [job]);
  const full = useMemo(
    () => new Map((readings?.dies ?? []).map((d) => [d.lampId, shareOfLightness(d.lightness)])),
    [readings],
  );
  useFrames(runs && play !== null, () => {
    if (!play) return;
    const moment = play.at(momentNow(jobId));
    for (const [id, element] of lamps.current) {
      const channel = channels.get(id);
      const share = channel === undefined ? 0 : moment.frame[channel] / 255;
      const level = shown(lightness((full.get(id) ?? 0) * share)) / 100;
      element.style.opacity = String(Math.min(1, level));
    }
    const dots = string.current?.children;
    if (!dots || !moment.string) return;
    moment.string.lamps.forEach(({ lumens, xy }, k) => {
      const dot = dots[k] as SVGElement | undefined;
      if (!dot) return;
      const level = xy === null ? 0 : shown(lampLightness(candelaAhead(lumens, STRING_BEAM, 0, 1))) / 100;
      dot.style.opacity = Math.min(1, level).toFixed(3);
      if (xy) dot.style.fill = colourOf(xy);
    });
  });
  return (
    <g>
      {Object.keys(job.lamps).map((id) => {
        const { x, y } = spotOf(id);
        return (
          <g key={id}>
            <circle cx={x} cy={y} r={radius} fill="#141b19" stroke="#7b8a83" strokeWidth={radius * 0.12} />
            <g
              ref={(element) => {
                if (element) lamps.current.set(id, element);
                else lamps.current.delete(id);
              }}
              data-moving={id}
            >
              <Glow
                x={x}
                y={y}
                radius={radius}
                reach={radius * 5}
                colour={lampLevel(readings, id, shown).colour}
                level={1}
                lampId={id}
              />
            </g>
          </g>
        );
      })}
      {stringSpots.map(({ x, y }, k) => (
        <circle
          key={k}
          cx={x}
          cy={y}
          r={radius * 0.8}
          fill="#1b2421"
          stroke="#4d5b55"
          strokeWidth={radius * 0.1}
        />
      ))}
      <g ref={string} className="moving-string">
        {stringSpots.map(({ x, y }, k) => (
          <circle key={k} cx={x} cy={y} r={radius * 1.15} opacity={0} />
        ))}
      </g>
    </g>
  );
}
