import { screenColour } from '../../../core/light/colour';
import type { Readings } from '../../../core/study/readings';

/** How a lamp looks at the moment: its colour on the screen, and how bright, 0 to 1. */
export interface LampLevel {
  readonly colour: string;
  readonly level: number;
}

/** What a lamp shows that does not burn. */
const DARK = '#39423e';

/** How each lamp of a job looks: a lamp of two colours as the brighter of them. */
export function lampLevel(
  readings: Readings | null,
  lampId: string,
  shown: (lightness: number) => number,
): LampLevel {
  const own = (readings?.dies ?? []).filter((d) => d.lampId === lampId);
  if (own.length === 0) return { colour: DARK, level: 0 };
  const brightest = own.reduce((best, d) => (d.lightness > best.lightness ? d : best));
  return { colour: screenColour(brightest.xy), level: Math.min(1, shown(brightest.lightness) / 100) };
}
