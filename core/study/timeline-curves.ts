import { type Timeline } from '../supply/drivers/timeline';
import { laidOut, type StringLamp } from '../supply/drivers/laid-out';

/** A time line as it is drawn: the level of each group's first lamp over time, and what is drawn. */
export interface TimelineCurves {
  readonly milliseconds: readonly number[];
  /** 0 to 1, by group. */
  readonly levels: ReadonlyMap<string, readonly number[]>;
  /** Mean of all channels, and of the string, in amperes. */
  readonly channelAmps: readonly number[];
  readonly stringAmps: readonly number[];
}

/** Samples a time line evenly. @param points how many moments are looked at */
export function timelineCurves(
  of: Timeline,
  channelAmps: readonly number[],
  lamp: StringLamp,
  points: number,
): TimelineCurves {
  const fill = laidOut(of);
  const frame = new Uint8Array(of.channels + 3 * of.lamps);
  const milliseconds: number[] = [];
  const levels = new Map(of.groups.map((g) => [g.id, [] as number[]]));
  const drawn: number[] = [];
  const string: number[] = [];
  for (let k = 0; k < points; k++) {
    const at = Math.floor((of.lastsMilliseconds * k) / points);
    fill(at, frame);
    milliseconds.push(at);
    for (const { id, kind, lamps } of of.groups) {
      const first = lamps.at(0);
      const from = of.channels + 3 * (first ?? 0);
      levels
        .get(id)!
        .push(
          first === undefined
            ? 0
            : kind === 'channels'
              ? frame[first] / 255
              : Math.max(frame[from], frame[from + 1], frame[from + 2]) / 255,
        );
    }
    let amps = 0;
    for (let c = 0; c < of.channels; c++) amps += ((channelAmps[c] ?? 0) * frame[c]) / 255;
    drawn.push(amps);
    let sum = 0;
    for (let c = of.channels; c < frame.length; c++) sum += frame[c];
    string.push(of.lamps * lamp.idleAmps + (lamp.colourAmps * sum) / 255);
  }
  return { milliseconds, levels, channelAmps: drawn, stringAmps: string };
}
