import { colourDifference, type Chromaticity } from './difference';
import { chromaticityOf, whiteOf, type White } from './white';

/** Settings a photograph was taken with. */
export interface Exposure {
  readonly seconds: number;
  readonly fNumber: number;
  readonly iso: number;
  /** Whether its white was held fast; null where nobody knows. */
  readonly fixedWhite: boolean | null;
}

/** A photograph of a white card as a screen has it: red, green, blue, opacity for each place, 0 to 255. */
export interface CardPhoto {
  readonly width: number;
  readonly height: number;
  readonly data: ArrayLike<number>;
  readonly exposure: Exposure;
  /** Settings as they were typed, where the file has some too. */
  readonly typed?: Exposure;
}

/** How the second light stands to the first. */
export interface CardComparison {
  /** Light of the second over the first, and how far that may be off, as a share. */
  readonly light: number;
  readonly lightError: number;
  readonly first: White;
  readonly second: White;
  /** Between their colours in u', v', and how far that may be off. */
  readonly difference: number;
  readonly differenceError: number;
}

export type ComparedCards =
  | { readonly ok: true; readonly comparison: CardComparison }
  | { readonly ok: false; readonly reason: string };

/** Of the picture its middle is looked at: the card has to fill it. */
const MIDDLE = 0.4;
/** A place at this level or above is burnt out, one below is lost in noise. */
const BURNT = 250;
const LOST = 12;
const MOST_BURNT_SHARE = 0.005;
/** Quarters of the middle may differ so much in light. */
const MOST_UNEVEN = 0.12;
/** Settings that agree do so within a share of this. */
const SAME_SETTING = 0.03;
/** What a camera's gamma and its rounding of settings leave in doubt (common practice, no source). */
const GAMMA_DOUBT = 0.03;
const COLOUR_DOUBT = 0.002;

/** Light of a level from 0 to 255 (sRGB, IEC 61966-2-1). */
export function linearLevel(level: number): number {
  const v = level / 255;
  return v <= 0.040_45 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

interface Card {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
  /** Of the mean, from noise alone. */
  readonly error: number;
}

const isSetting = (v: number, least: number, most: number): boolean =>
  Number.isFinite(v) && v >= least && v <= most;

function wrongSettings({ seconds, fNumber, iso }: Exposure): string | null {
  if (!isSetting(seconds, 1 / 16_000, 60)) return 'its exposure time is none a camera has';
  if (!isSetting(fNumber, 0.7, 64)) return 'its f-number is none a lens has';
  return isSetting(iso, 12, 500_000) ? null : 'its ISO is none a camera has';
}

/** Light on the sensor for each unit of light on the card, as far as settings say. */
const gathered = ({ seconds, fNumber, iso }: Exposure): number => (seconds * iso) / fNumber ** 2;

function cardOf({ width, height, data }: CardPhoto): Card | string {
  const [left, top] = [Math.floor((width * (1 - MIDDLE)) / 2), Math.floor((height * (1 - MIDDLE)) / 2)];
  const [right, bottom] = [width - left, height - top];
  const quarters = [0, 0, 0, 0];
  const counts = [0, 0, 0, 0];
  let [red, green, blue, squares, count, burnt] = [0, 0, 0, 0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const i = 4 * (y * width + x);
      if (data[i] >= BURNT || data[i + 1] >= BURNT || data[i + 2] >= BURNT) burnt++;
      const [r, g, b] = [data[i], data[i + 1], data[i + 2]].map(linearLevel);
      red += r;
      green += g;
      blue += b;
      squares += g * g;
      count++;
      const quarter = (x < width / 2 ? 0 : 1) + (y < height / 2 ? 0 : 2);
      quarters[quarter] += g;
      counts[quarter]++;
    }
  if (count === 0) return 'it is too small';
  if (burnt / count > MOST_BURNT_SHARE)
    return `${Math.max(1, Math.round((100 * burnt) / count))} % of the card is burnt out: expose less`;
  if (green / count < linearLevel(LOST)) return 'the card is too dark to be read: expose more';
  const means = quarters.map((q, i) => q / counts[i]);
  if ((Math.max(...means) - Math.min(...means)) / (green / count) > MOST_UNEVEN)
    return 'the card is lit unevenly, or does not fill the middle';
  const mean = green / count;
  const variance = Math.max(0, squares / count - mean ** 2);
  return { red: red / count, green: mean, blue: blue / count, error: Math.sqrt(variance / count) / mean };
}

/** Chromaticity of linear sRGB (IEC 61966-2-1), and its light as Y. */
function seenAs({ red, green, blue }: Card): { xy: Chromaticity; Y: number } {
  const X = 0.4124 * red + 0.3576 * green + 0.1805 * blue;
  const Y = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  const Z = 0.0193 * red + 0.1192 * green + 0.9505 * blue;
  return { xy: chromaticityOf({ X, Y, Z })!, Y };
}

/**
 * Two photographs of a white card under two lights, with settings that hold: how much dimmer and how
 * much bluer the second light is. Refused with the reason where the pictures or their settings cannot
 * tell.
 */
export function compareCards(first: CardPhoto, second: CardPhoto): ComparedCards {
  const refuse = (reason: string): ComparedCards => ({ ok: false, reason });
  for (const [which, photo] of [
    ['The first', first],
    ['The second', second],
  ] as const) {
    const wrong = wrongSettings(photo.exposure);
    if (wrong) return refuse(`${which}: ${wrong}.`);
    if (photo.typed) {
      const [read, typed] = [gathered(photo.exposure), gathered(photo.typed)];
      if (Math.abs(typed / read - 1) > SAME_SETTING)
        return refuse(`${which}: what is typed of its settings is not what its file says.`);
    }
    if (photo.exposure.fixedWhite === false)
      return refuse(`${which}: its white was set by the camera. Hold it fast, at daylight, for both.`);
  }
  const settings = (['seconds', 'fNumber', 'iso'] as const).filter(
    (s) => Math.abs(first.exposure[s] / second.exposure[s] - 1) > SAME_SETTING,
  );
  if (settings.length > 0) {
    const names = { seconds: 'time', fNumber: 'f-number', iso: 'ISO' };
    return refuse(
      `They were taken with unlike settings (${settings.map((s) => names[s]).join(', ')}): set the camera by hand, the same for both.`,
    );
  }
  const cards = [first, second].map(cardOf);
  const [a, b] = cards;
  if (typeof a === 'string') return refuse(`The first: ${a}.`);
  if (typeof b === 'string') return refuse(`The second: ${b}.`);
  const [one, two] = [a, b].map(seenAs);
  const noise = Math.hypot(a.error, b.error);
  return {
    ok: true,
    comparison: {
      light: two.Y / one.Y,
      // A camera's curve is near sRGB only: the further apart the levels, the more of it counts.
      lightError: noise + GAMMA_DOUBT * (1 + Math.abs(Math.log2(two.Y / one.Y))),
      first: whiteOf(one.xy),
      second: whiteOf(two.xy),
      difference: colourDifference(one.xy, two.xy),
      differenceError: COLOUR_DOUBT + noise,
    },
  };
}
