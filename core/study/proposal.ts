import { nearestPreferred } from '../part/preferred';
import { bodyFor } from '../part/resistor';
import { change } from '../document/patch';
import { benchOf } from './bench';
import { steadyStudy, type SteadyStudy } from './steady';
import { meanLux, windowLight } from './window-light';
import type { Layout } from '../document/layout';

/** A resistor that gives the wanted light, and what it then does. */
export interface ResistorProposal {
  /** Resistance that would hit the wanted light exactly. */
  readonly exactOhms: number;
  /** The preferred value (E12) nearest to it. */
  readonly ohms: number;
  /** Heat in each such resistor, and the body that takes it. */
  readonly watts: number;
  readonly ratedWatts: number;
  /** Light it gives, in lux at seat height. */
  readonly lux: number;
  /** Why the wanted light is not reached, when it is not. */
  readonly limitedBy: 'lamp' | 'supply' | null;
}

const TURNS = 24;

/**
 * Finds the resistor for a group of lamps that gives the wanted light, by solving the job, not by
 * a rule: the light of the periodic steady state is brought to the wanted mean over the windows.
 * Lamps are never asked for more than their long-life current.
 * @param drive how the group is to be driven; the drive it has when left out, each its own when it has none
 * @returns null when the group has no lamps or no light can be had
 */
export function proposeResistor(
  layout: Layout,
  jobId: string,
  groupId: string,
  longLifeAmps: number,
  drive?: 'resistor-each' | 'resistor-shared',
): ResistorProposal | null {
  const job = layout.jobs[jobId];
  if (!Object.values(job.lamps).some((l) => l.groupId === groupId)) return null;
  let stored: Float64Array | undefined;
  const solve = (ohms: number): { lux: number; amps: number; steady: SteadyStudy } => {
    const { layout: tried } = change(layout, (draft) => {
      const group = draft.jobs[jobId].groups[groupId];
      group.ohms = ohms;
      group.drive = drive ?? (group.drive === 'none' ? 'resistor-each' : group.drive);
    });
    const steady = steadyStudy(benchOf(tried, jobId), stored);
    stored = steady.stored;
    const members = steady.lamps.filter((l) => job.lamps[l.lampId].groupId === groupId);
    return {
      lux: meanLux(windowLight(tried.jobs[jobId], steady)),
      amps: Math.max(...members.map((l) => l.amps.greatest)),
      steady,
    };
  };
  const bright = (s: { lux: number; amps: number }): boolean =>
    s.lux > job.wantedLux || s.amps > longLifeAmps;
  let low = 1;
  let high = 1e6;
  if (!bright(solve(low))) return settle(low, 'supply');
  for (let i = 0; i < TURNS && high / low > 1.005; i++) {
    const middle = Math.sqrt(low * high);
    if (bright(solve(middle))) low = middle;
    else high = middle;
  }
  return settle(high, solve(low).amps > longLifeAmps ? 'lamp' : null);

  function settle(exactOhms: number, limitedBy: 'lamp' | 'supply' | null): ResistorProposal | null {
    let ohms = nearestPreferred(exactOhms, 'E12');
    let at = solve(ohms);
    if (at.amps > longLifeAmps) {
      ohms = nearestPreferred(ohms * 1.2, 'E12');
      at = solve(ohms);
    }
    if (!(at.lux > 0)) return null;
    const heats = [...at.steady.resistors].filter(([id]) => id !== 'charge').map(([, r]) => r.watts);
    const ids = new Set(
      Object.entries(job.lamps)
        .filter(([, l]) => l.groupId === groupId)
        .map(([id]) => `resistor-${id}`),
    );
    const own = [...at.steady.resistors].filter(([id]) => ids.has(id) || id === `resistor-${groupId}`);
    const watts = Math.max(...(own.length > 0 ? own.map(([, r]) => r.watts) : heats));
    const body = bodyFor(watts);
    return { exactOhms, ohms, watts, ratedWatts: body?.watts ?? 5, lux: at.lux, limitedBy };
  }
}
