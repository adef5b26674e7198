import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { isTail, lampRoles } from '../../document/lamp-roles';
import type { End } from '../../document/ends';
import type { LocomotiveRecord } from './record';
import type { Readings } from '../../study/readings';

/** What each end shows to who faces it, in a few words: "white", "white and red", "dark". */
export function shownAt(job: LocomotiveRecord, lit: Readings | null): Record<End, string> {
  const at = (end: End): string => {
    const words = new Set<string>();
    for (const l of lit?.dies ?? []) {
      const lamp = job.lamps[l.lampId];
      if (lamp.end !== end || l.lightness < FAINT_LIGHTNESS) continue;
      words.add(
        lampRoles[lamp.role].inside ? `${lampRoles[lamp.role].name.toLowerCase()}` : colourWord(lamp.role, l),
      );
    }
    return words.size === 0 ? 'dark' : [...words].join(' and ');
  };
  return { A: at('A'), B: at('B') };
}

/** The colour of a lamp in one word, by its chromaticity. */
function colourWord(role: LocomotiveRecord['lamps'][string]['role'], l: Readings['dies'][number]): string {
  const { x, y } = l.xy;
  if (x > 0.58 && y < 0.38) return 'red';
  if (y > 0.5 && x < 0.35) return 'green';
  if (x > 0.5 && y > 0.38) return isTail(role) ? 'amber' : 'yellow';
  return 'white';
}
