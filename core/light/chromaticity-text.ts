import type { Chromaticity } from './difference';
import { whiteOf, type White } from './white';

/** A chromaticity as it was typed, and the white it is; or why it is none. */
export type ReadChromaticity =
  | { readonly ok: true; readonly xy: Chromaticity; readonly white: White }
  | { readonly ok: false; readonly message: string };

/** A white lies so near to the black body's, and within these, in kelvin. */
const MOST_DUV = 0.03;
const KELVIN = { least: 1500, most: 12_000 } as const;

const SHARE = /\d*[.,]\d+/g;

/** A chromaticity as a bag or a report has it: two shares, as "0.3818, 0.3797" or "x 0,3818; y 0,3797". */
export function readChromaticity(text: string): ReadChromaticity {
  const shares = (text.match(SHARE) ?? []).map((share) => Number(share.replace(',', '.')));
  if (shares.length !== 2)
    return { ok: false, message: `“${text}” is no chromaticity: write x and y, as 0.3818, 0.3797.` };
  const [x, y] = shares;
  if (!(x > 0 && y > 0 && x + y < 1))
    return { ok: false, message: 'x and y are shares of one colour: each above 0, together below 1.' };
  const white = whiteOf({ x, y });
  if (Math.abs(white.duv) > MOST_DUV || white.kelvin < KELVIN.least || white.kelvin > KELVIN.most)
    return {
      ok: false,
      message: `That is no white of a lamp: ${Math.round(white.kelvin)} K with a Duv of ${white.duv.toFixed(3)}; whites lie from ${KELVIN.least} to ${KELVIN.most} K within ${MOST_DUV} of the black body.`,
    };
  return { ok: true, xy: { x, y }, white };
}

/** A chromaticity as it is written: four decimals each. */
export const chromaticityWords = ({ x, y }: Chromaticity): string => `${x.toFixed(4)}, ${y.toFixed(4)}`;
