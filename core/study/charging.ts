import { change } from '../document/patch';
import { benchOf } from './bench';
import { inrushStudy } from './inrush';
import { powerCutStudy } from './power-cut';
import { steadyStudy } from './steady';
import { coachLight } from './coach-light';
import { coachIn } from '../document/jobs';
import type { ConditioningRecord } from '../document/coach-record';
import type { Layout } from '../document/layout';

/** One way to charge a reservoir, with what it does. */
export interface ChargingWay {
  readonly id: 'none' | 'in-line' | 'with-diode';
  readonly peakAmps: number;
  readonly overSeconds: number;
  /** Seconds until the light has fallen to half without power; null when it does not within the study. */
  readonly holdSeconds: number | null;
  readonly lux: number;
  /** Whether the job is built this way now. */
  readonly isNow: boolean;
}

const USUAL_CHARGE_OHMS = 100;

/**
 * The reservoir charged straight, through a resistor in the line, and through a resistor with a
 * diode round it for the way back: inrush, hold and light of each, from transients of each.
 * @returns an empty list without a reservoir
 */
export function chargingWays(layout: Layout, jobId: string): ChargingWay[] {
  const { conditioning } = coachIn(layout, jobId);
  if (!conditioning.reservoir) return [];
  const resistor = conditioning.chargeResistor ?? { ohms: USUAL_CHARGE_OHMS, ratedWatts: 0.25 };
  const now = !conditioning.chargeResistor ? 'none' : conditioning.chargeDiode ? 'with-diode' : 'in-line';
  const ways: readonly (readonly [
    ChargingWay['id'],
    Pick<ConditioningRecord, 'chargeResistor' | 'chargeDiode'>,
  ])[] = [
    ['none', { chargeResistor: null, chargeDiode: false }],
    ['in-line', { chargeResistor: resistor, chargeDiode: false }],
    ['with-diode', { chargeResistor: resistor, chargeDiode: true }],
  ];
  return ways.map(([id, arrangement]) => {
    const laid = change(layout, (draft) =>
      Object.assign(coachIn(draft, jobId).conditioning, arrangement),
    ).layout;
    const bench = benchOf(laid, jobId);
    const steady = steadyStudy(bench);
    const inrush = inrushStudy(bench);
    return {
      id,
      peakAmps: inrush?.peakAmps ?? 0,
      overSeconds: inrush?.overSeconds ?? 0,
      holdSeconds: powerCutStudy(bench, steady).moments[0],
      lux: coachLight(bench.job, steady).litLux,
      isNow: id === now,
    };
  });
}
