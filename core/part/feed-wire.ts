import { gaugeMillimetres, strandsSquareMillimetres } from '../quantity/gauge';

/** A wire that feeds run with, as it is bought. */
export interface FeedWire {
  readonly id: string;
  readonly name: string;
  readonly squareMillimetres: number;
  /** What one of it bears in air; in a bundle of some it bears less. */
  readonly bearsAmps: number;
  /** Typical price of a metre of one conductor, in the layout's currency. */
  readonly metrePrice: number;
}

/** In a bundle of wires each bears this share of what it bears in air (common practice, no source). */
export const BUNDLE_SHARE = 0.6;
/** At what it bears in air a wire is warmer than the room by so many kelvin (typical, from memory). */
export const WARMER_AT_MOST = 30;

const stranded = (strands: number, millimetres: number, bearsAmps: number, metrePrice: number): FeedWire => ({
  id: `${strands}-${millimetres}`,
  name: `${strands}/${millimetres}`,
  squareMillimetres: strandsSquareMillimetres(strands, millimetres),
  bearsAmps,
  metrePrice,
});
const gauge = (awg: number, bearsAmps: number, metrePrice: number): FeedWire => ({
  id: `awg-${awg}`,
  name: `AWG ${awg}`,
  squareMillimetres: (Math.PI / 4) * gaugeMillimetres(awg) ** 2,
  bearsAmps,
  metrePrice,
});

/** Wires for feeds, by section; what they bear is common practice, no source. Another is an entry more. */
export const feedWires: Readonly<Record<string, FeedWire>> = Object.fromEntries(
  [
    stranded(7, 0.2, 1.4, 0.12),
    stranded(16, 0.2, 3, 0.22),
    stranded(24, 0.2, 4.5, 0.3),
    stranded(32, 0.2, 6, 0.42),
    stranded(30, 0.25, 10, 0.6),
    stranded(50, 0.25, 16, 0.95),
    gauge(24, 1.4, 0.14),
    gauge(22, 2.2, 0.18),
    gauge(20, 3.2, 0.24),
    gauge(18, 5, 0.36),
    gauge(16, 8, 0.55),
    gauge(14, 12, 0.8),
    gauge(12, 18, 1.2),
  ].map((w) => [w.id, w]),
);
export const feedWireNames = Object.keys(feedWires) as [string, ...string[]];

/** Wires from the thinnest to the thickest. */
export const bySection = (): FeedWire[] =>
  Object.values(feedWires).sort((a, b) => a.squareMillimetres - b.squareMillimetres);

/** The next thicker of the same sort, stranded in millimetres or by gauge; null for the thickest, and for what is no wire. */
export function nextThicker(id: string): FeedWire | null {
  const own = Object.hasOwn(feedWires, id) ? feedWires[id] : null;
  if (!own) return null;
  const sort = id.startsWith('awg');
  return (
    bySection().find((w) => w.id.startsWith('awg') === sort && w.squareMillimetres > own.squareMillimetres) ??
    null
  );
}

/** How much warmer than the room a wire gets: with the square of its current, more in a bundle. Kelvin. */
export const warmerBy = (wire: Pick<FeedWire, 'bearsAmps'>, amps: number, bundled: boolean): number =>
  WARMER_AT_MOST * (amps / (wire.bearsAmps * (bundled ? BUNDLE_SHARE : 1))) ** 2;
