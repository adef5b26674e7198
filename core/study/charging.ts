import { change } from '../document/patch';
import { inOrder } from '../document/in-order';
import { putStage, stageOf, takeStage } from '../document/line-stages';
import { benchIn, type Bench } from './bench';
import { inrushStudy } from './inrush';
import { totalLumens } from './meter';
import { powerCutStudy } from './power-cut';
import { usualReadings } from './solver';

/** One way to charge a reservoir, with what it does. */
export interface ChargingWay {
  readonly id: 'none' | 'in-line' | 'with-diode';
  readonly peakAmps: number;
  readonly overSeconds: number;
  /** Seconds until the light has fallen to half without power; null when it does not within the study. */
  readonly holdSeconds: number | null;
  /** Light of all its lamps together. */
  readonly lumens: number;
  /** Whether the job is built this way now. */
  readonly isNow: boolean;
}

const USUAL_CHARGE_OHMS = 100;

/**
 * The reservoir charged straight, through a resistor in the line, and through a resistor with a
 * diode round it for the way back: inrush, hold and light of each, from transients of each.
 * @returns an empty list without a reservoir
 */
export function chargingWays(bench: Bench): ChargingWay[] {
  const { job, layout, jobId } = bench;
  const line = inOrder(job.lines).find((l) => stageOf(l, 'reservoir'));
  if (!line) return [];
  const stage = stageOf(line, 'charge');
  const resistor = stage ?? { ohms: USUAL_CHARGE_OHMS, ratedWatts: 0.25 };
  const now = !stage ? 'none' : stage.beside ? 'with-diode' : 'in-line';
  return (['none', 'in-line', 'with-diode'] as const).map((id) => {
    const laid = change(layout, (draft) => {
      const own = draft.jobs[jobId].lines[line.id];
      if (id === 'none') takeStage(own, 'charge');
      else
        putStage(own, 'charge', {
          ohms: resistor.ohms,
          ratedWatts: resistor.ratedWatts,
          beside: id === 'with-diode',
        });
    }).layout;
    const there = benchIn(bench, laid);
    const readings = usualReadings(there);
    const inrush = inrushStudy(there);
    return {
      id,
      peakAmps: inrush?.peakAmps ?? 0,
      overSeconds: inrush?.overSeconds ?? 0,
      holdSeconds: powerCutStudy(there, readings).moments[0],
      lumens: totalLumens(readings),
      isNow: id === now,
    };
  });
}
