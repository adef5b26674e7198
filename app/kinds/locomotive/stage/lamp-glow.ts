import { lampBodies } from '../../../../core/part/lamp-body';
import { lightness, shareOfLightness } from '../../../../core/light/lightness';
import { screenColour } from '../../../../core/light/colour';
import type { Readings } from '../../../../core/study/readings';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

/** How one lamp looks now: its colour on the screen and how strongly, 0 to 1. */
export interface LampGlow {
  readonly colour: string;
  readonly strength: number;
}

/** What each lamp shows, by lamp; the stronger colour of a two-colour one. */
export function lampGlows(lit: Readings | null, share: (lampId: string) => number): Map<string, LampGlow> {
  const glows = new Map<string, LampGlow>();
  for (const l of lit?.dies ?? []) {
    const shown = lightness(shareOfLightness(l.lightness) * share(l.lampId));
    const strength = Math.min(1, shown / 100);
    if (strength <= (glows.get(l.lampId)?.strength ?? -1)) continue;
    glows.set(l.lampId, { colour: screenColour(l.xy), strength });
  }
  return glows;
}

/** Radius a lamp is drawn with, in millimetres. */
export const lampRadius = (lamp: LocomotiveRecord['lamps'][string]): number =>
  Math.max(0.5, lamp.lensMillimetres / 2, lampBodies[lamp.body].lensMillimetres / 2.4);
