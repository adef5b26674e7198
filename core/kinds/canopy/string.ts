import { plainLamp } from '../../document/lamp-record';
import type { CanopyRecord, CanopySide, StringLamp } from './record';

/** How far in from the edge of the roof a string runs, as a share of its width (common practice, no source). */
const INSET = 0.25;
const sideNames: Readonly<Record<CanopySide, string>> = { near: 'Near side', far: 'Far side' };

export const canopySides = Object.keys(sideNames) as CanopySide[];
export const canopySideName = (side: CanopySide): string => sideNames[side];

/** Where the lamps of one side hang: evenly, at every truss or every second or third where that comes out, else between them. */
export function placesOfString(
  { lengthMillimetres, trussMillimetres }: CanopyRecord['roof'],
  count: number,
): number[] {
  const trusses = Math.max(1, Math.floor(lengthMillimetres / trussMillimetres));
  const atTrusses = trusses % count === 0;
  const step = atTrusses ? (trusses / count) * trussMillimetres : lengthMillimetres / count;
  // The first truss stands so that all of them lie about the middle of the roof.
  const first = atTrusses ? (lengthMillimetres - (trusses - 1) * trussMillimetres) / 2 : step / 2;
  return Array.from({ length: count }, (_, i) => Number((first + i * step).toFixed(1)));
}

/** Lamps of both sides, or of the near one, as wanted. */
export function stringLamps(
  roof: CanopyRecord['roof'],
  counts: Readonly<Record<CanopySide, number>>,
  part: string,
): Record<string, StringLamp> {
  const lamps = canopySides.flatMap((side, s) =>
    placesOfString(roof, counts[side]).map((alongMillimetres, i): [string, StringLamp] => [
      `${side}-${i + 1}`,
      { ...plainLamp, order: 1000 * s + i + 1, part, circuitId: side, side, alongMillimetres },
    ]),
  );
  return Object.fromEntries(lamps);
}

/** From the middle of the roof towards the far side, in millimetres. */
export const acrossOf = ({ widthMillimetres }: CanopyRecord['roof'], side: CanopySide): number =>
  (side === 'near' ? -1 : 1) * (0.5 - INSET) * widthMillimetres;
