import { beamExponent, luxPerLumen, type LightSource, type Normal } from './illuminance';
import { lightness } from './lightness';

/** The hood of a lamp: how far up in it the lamp sits, and how wide its mouth is. */
export interface Hood {
  readonly depthMillimetres: number;
  readonly mouthMillimetres: number;
}

/** A lamp over the ground. Along and across in millimetres, turned from straight down towards the viewer. */
export interface PoolLamp {
  readonly lampId: string;
  readonly along: number;
  readonly across: number;
  readonly heightMillimetres: number;
  readonly aimDegrees: number;
  readonly hood: Hood | null;
}

/** The same, shining. */
export interface ShiningLamp extends PoolLamp {
  readonly lumens: number;
  readonly beamDegrees: number;
}

/**
 * Light on the ground that counts as full on a layout by night, in lux: to an eye used to the dark a
 * pool as bright as pools get (common practice, no source). Lightness of the ground is told against it.
 */
export const FULL_GROUND_LUX = 40;

/** Half the width of what shines in a small lamp: it blurs the edge of a hood's shadow. */
const DIE_HALF_MILLIMETRES = 0.4;
const UP: Normal = [0, 0, 1];

/**
 * Share of a lamp that is seen past the edge of its hood, from straight below to the side: a disc of
 * the die's width disappears behind the rim, as far as its middle is told by a straight line.
 * @param tangent of the angle from the hood's axis
 */
export function hoodShare(hood: Hood | null, tangent: number): number {
  if (hood === null || hood.depthMillimetres <= 0) return 1;
  const out = tangent * hood.depthMillimetres;
  const rim = hood.mouthMillimetres / 2;
  return Math.min(1, Math.max(0, (rim + DIE_HALF_MILLIMETRES - out) / (2 * DIE_HALF_MILLIMETRES)));
}

/**
 * Illuminance of the ground by one lamp, direct: E = I cos b / r^2 with I = flux (m + 1)/(2 pi) cos^m a,
 * for a matt lamp (m = 1) facing down E = (flux/pi) h^2/(h^2 + d^2)^2; less what its hood hides.
 * @returns lux
 */
export function groundLux(lamp: ShiningLamp, along: number, across: number): number {
  const { heightMillimetres: z, aimDegrees, hood } = lamp;
  const source: LightSource = {
    x: lamp.along,
    y: lamp.across,
    z,
    // Sources are turned towards the far side; lamps towards the viewer.
    aimDegrees: -aimDegrees,
    exponent: beamExponent(lamp.beamDegrees),
  };
  const lux = lamp.lumens * luxPerLumen(source, along, across, 0, UP);
  if (lux === 0 || hood === null) return lux;
  const aim = (aimDegrees * Math.PI) / 180;
  const [dx, dy] = [along - lamp.along, across - lamp.across];
  const axis = -dy * Math.sin(aim) + z * Math.cos(aim);
  const aside = Math.sqrt(Math.max(0, dx * dx + dy * dy + z * z - axis * axis));
  return axis <= 0 ? 0 : lux * hoodShare(hood, aside / axis);
}

/** Illuminance of a place on the ground by all lamps: their sum. @returns lux */
export const poolLux = (lamps: readonly ShiningLamp[], along: number, across: number): number =>
  lamps.reduce((sum, l) => sum + groundLux(l, along, across), 0);

/**
 * Intensity of a lamp towards an eye level with it and in front of it, in candela: what is left of its
 * beam in that direction, and of the lamp behind its hood.
 */
export function candelaToViewer({ lumens, beamDegrees, aimDegrees, hood }: ShiningLamp): number {
  const off = ((90 - aimDegrees) * Math.PI) / 180;
  if (off >= Math.PI / 2 - 1e-9) return 0;
  const m = beamExponent(beamDegrees);
  return ((lumens * (m + 1)) / (2 * Math.PI)) * Math.cos(off) ** m * hoodShare(hood, Math.tan(off));
}

/** The ground between two lamps that stand next to one another. */
export interface Gap {
  readonly between: readonly [string, string];
  /** The least light between them, where it is, and the most under either. */
  readonly leastLux: number;
  readonly at: number;
  readonly mostLux: number;
  /** Lightness of the least against the most, 0 to 100. */
  readonly lightness: number;
}

/** What a row of lamps does on the ground. */
export interface Pool {
  /** Places along the row, in millimetres, and the lux on the line below the lamps. */
  readonly along: readonly number[];
  readonly lux: readonly number[];
  readonly mostLux: number;
  /** Width over which it is at least half of the most, of a single lamp or the brightest. */
  readonly halfMillimetres: number;
  readonly gaps: readonly Gap[];
}

/** Points of a profile. */
const POINTS = 181;
/** Points between two lamps where the least is looked for. */
const BETWEEN = 33;

/**
 * Light on the ground along the line of the lamps nearest the viewer, from one end of it to the other.
 * @returns null where nothing shines
 */
export function poolOf(lamps: readonly ShiningLamp[], from: number, to: number): Pool | null {
  const lit = lamps.filter((l) => l.lumens > 0);
  if (lit.length === 0) return null;
  const across = lit.reduce((sum, l) => sum + l.across, 0) / lit.length;
  const along = Array.from({ length: POINTS }, (_, i) => from + ((to - from) * i) / (POINTS - 1));
  const lux = along.map((x) => poolLux(lit, x, across));
  const under = (l: ShiningLamp): number => poolLux(lit, l.along, across);
  const mostLux = Math.max(...lux, ...lit.map(under));
  const sorted = [...lit].sort((a, b) => a.along - b.along);
  const gaps = sorted.slice(1).flatMap((b, i): Gap[] => {
    const a = sorted[i];
    if (b.along - a.along < 1) return [];
    const places = Array.from(
      { length: BETWEEN },
      (_, k) => a.along + ((b.along - a.along) * (k + 1)) / (BETWEEN + 1),
    );
    const at = places.reduce(
      (least, x) => (poolLux(lit, x, across) < poolLux(lit, least, across) ? x : least),
      places[0],
    );
    const leastLux = poolLux(lit, at, across);
    const most = Math.max(under(a), under(b));
    return [
      {
        between: [a.lampId, b.lampId],
        leastLux,
        at,
        mostLux: most,
        lightness: most > 0 ? lightness(leastLux / most) : 0,
      },
    ];
  });
  const brightest = sorted.reduce((best, l) => (under(l) > under(best) ? l : best));
  return { along, lux, mostLux, gaps, halfMillimetres: halfWidth(brightest, across) };
}

/** Steps of the search for where the light has fallen to half. */
const HALVINGS = 40;

/** Width of the light of one lamp alone, to half of what it is below. */
function halfWidth(lamp: ShiningLamp, across: number): number {
  const most = groundLux(lamp, lamp.along, across);
  if (most === 0) return 0;
  let [inside, outside] = [0, 20 * lamp.heightMillimetres];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (inside + outside) / 2;
    if (groundLux(lamp, lamp.along + middle, across) >= most / 2) inside = middle;
    else outside = middle;
  }
  return 2 * inside;
}
