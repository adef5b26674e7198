import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { screenColour } from '../light/colour';
import { solvedJob } from './solved-job';
import { tenth, type SketchLight } from './sketch';
import type { Layout } from '../document/layout';

/** The lamps of a job that are seen to be lit, as square spots. */
export function litSpots(
  layout: Layout,
  jobId: string,
  size: number,
  at: (lampId: string) => { readonly x: number; readonly y: number },
): SketchLight[] {
  return (solvedJob(layout, jobId).readings?.dies ?? [])
    .filter((d) => d.lightness >= FAINT_LIGHTNESS)
    .map((d) => {
      const { x, y } = at(d.lampId);
      return {
        x: tenth(x - size / 2),
        y: tenth(y - size / 2),
        width: size,
        height: size,
        lightness: tenth(Math.min(100, d.lightness)),
        colour: screenColour(d.xy),
      };
    });
}

/** "Dark", "3 lit": how a job is lit, in words. */
export function litWords(layout: Layout, jobId: string): string {
  const dies = solvedJob(layout, jobId).readings?.dies ?? [];
  const lit = dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length;
  return lit === 0 ? 'Dark' : `${lit} lit`;
}
