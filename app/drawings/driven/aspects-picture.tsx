import { useId, useMemo } from 'react';
import { isDriven } from '../../../core/document/aspect-record';
import { screenColour } from '../../../core/light/colour';
import { aspectLooks, type AspectLook } from '../../../core/study/aspect-looks';
import { aspectIdIn } from '../../../core/study/aspects';
import { formatQuantity } from '../../../core/quantity/format';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { wiringOf } from '../../../core/kinds/wirings';
import { ASPECT } from '../../../core/supply/state';
import type { PictureProps } from '../../kinds/face';
import './aspects.css';

/** Room round the lamps of a head, in spacings of a millimetre, and the least a head is drawn across. */
const ROOM = 5;
const LEAST_ACROSS = 16;
/** Radius of a lamp on the picture, in millimetres, and the least over the width of all. */
const LAMP = 1.4;
const LEAST_SHARE = 1 / 45;
/** Lamps whose current is listed below a picture. */
const MOST_LISTED = 4;

/** Every aspect side by side as it looks in the dark, with what each lamp gets; a press shows one on the stage. */
export function AspectsPicture({ layout, jobId, solved, onState }: PictureProps) {
  const { bench, state } = solved;
  const { job } = bench;
  const looks = useMemo((): readonly AspectLook[] => {
    try {
      return aspectLooks(bench);
    } catch {
      return [];
    }
  }, [bench]);
  if (!isDriven(job)) return null;
  if (looks.length === 0)
    return <p className="stale-note">No aspect could be worked out; the findings say why.</p>;
  const names = lampNamesOf(layout, jobId);
  const now = aspectIdIn(job, state);
  return (
    <div className="aspects">
      {looks.map((look) => (
        <button
          key={look.id}
          type="button"
          className="aspect-card"
          aria-pressed={look.id === now}
          onClick={() => onState({ ...state, [ASPECT]: look.id })}
        >
          <strong>{look.aspect.name}</strong>
          <Head look={look} of={bench} />
          <span className="aspect-lamps">
            {look.seen.length === 0 ? (
              <small>dark</small>
            ) : (
              look.seen.slice(0, MOST_LISTED).map((s) => (
                <small key={s.lampId}>
                  {names.get(s.lampId)}
                  {s.shows === 'flash' ? ', flashing' : ''}:{' '}
                  <code>{formatQuantity(s.litAmps, 'amp', { significant: 2 })}</code>
                </small>
              ))
            )}
            {look.seen.length > MOST_LISTED && <small>and {look.seen.length - MOST_LISTED} more</small>}
          </span>
        </button>
      ))}
    </div>
  );
}

/** The lamps of a head where they sit, lit as an aspect has them. */
function Head({
  look,
  of: { job },
}: {
  readonly look: AspectLook;
  readonly of: PictureProps['solved']['bench'];
}) {
  const id = useId();
  const wiring = wiringOf(job.kind);
  const spots = Object.keys(job.lamps).map((lampId) => ({ lampId, ...wiring.spotOf(job, lampId) }));
  const low = Math.min(...spots.map((s) => s.height)) - ROOM;
  const high = Math.max(...spots.map((s) => s.height)) + ROOM;
  const left = Math.min(...spots.map((s) => s.along)) - ROOM;
  const right = Math.max(...spots.map((s) => s.along)) + ROOM;
  const across = Math.max(LEAST_ACROSS, right - left);
  const middle = (left + right) / 2;
  const radius = Math.max(LAMP, across * LEAST_SHARE);
  return (
    <svg
      viewBox={`${middle - across / 2} ${-high} ${across} ${Math.max(LEAST_ACROSS, high - low)}`}
      role="img"
      aria-label={`${look.aspect.name} by night`}
    >
      <defs>
        {look.seen.map((s) => (
          <radialGradient key={s.lampId} id={`${id}${s.lampId}`}>
            <stop offset="0" stopColor={screenColour(s.xy)} stopOpacity={0.8} />
            <stop offset="1" stopColor={screenColour(s.xy)} stopOpacity={0} />
          </radialGradient>
        ))}
      </defs>
      {spots.map(({ lampId, along, height }) => {
        const seen = look.seen.find((s) => s.lampId === lampId);
        const level = Math.min(1, (seen?.lightness ?? 0) / 100);
        return (
          <g key={lampId}>
            {seen && (
              <circle cx={along} cy={-height} r={radius * 3} fill={`url(#${id}${lampId})`} opacity={level} />
            )}
            <circle
              cx={along}
              cy={-height}
              r={radius}
              fill={seen ? screenColour(seen.xy) : '#141b19'}
              fillOpacity={seen ? level : 1}
              stroke="#7b8a83"
              strokeWidth={0.25}
              strokeDasharray={seen?.shows === 'flash' ? '0.7 0.5' : undefined}
            />
          </g>
        );
      })}
    </svg>
  );
}
