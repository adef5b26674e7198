import { change } from '../document/patch';
import { ratingFor } from '../part/electrolytic';
import { benchOf } from '../study/bench';
import { noLoadStudy } from '../study/no-load';
import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { lower } from '../assembly/lower';
import { steadyStudy } from '../study/steady';
import { rule } from './finding';
import { remedy } from './remedy';
import { FIRST_SHOW_AMPS } from './too-low-to-light';
import { coachIn } from '../document/jobs';
import type { Bench } from '../study/bench';

const FARADS = 1000e-6;
const CHARGE_OHMS = 100;
const TURNS = 7;

/** Throttle at which the lamps begin to show, 0 to 1; null when they do not at full throttle either. */
export function firstShowThrottle(bench: Bench): number | null {
  const shows = (throttle: number): boolean => {
    const controls = { ...bench.controls, throttle };
    const there = { ...bench, controls, lowered: lower(bench.assembly, bench.supply, { controls }) };
    return steadyStudy(there).lamps.some((l) => l.amps.mean >= FIRST_SHOW_AMPS);
  };
  if (!shows(1)) return null;
  let [dark, lit] = [0, 1];
  for (let i = 0; i < TURNS; i++) {
    const middle = (dark + lit) / 2;
    if (shows(middle)) lit = middle;
    else dark = middle;
  }
  return lit;
}

/** On a DC track nothing shines while the train stands; here with nothing that would hold the light. */
export const stationStop = rule({
  id: 'station-stop',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { supply, job, jobId, layout } = bench;
    if (supply.kind !== 'dc-track' || job.conditioning.reservoir || steady.lamps.length === 0) return [];
    const first = firstShowThrottle(bench);
    if (first === null) return [];
    const steadier = inOrder(layout.supplies).find((s) => s.kind !== 'dc-track');
    const whole = (name: string): boolean => name.endsWith('bridge') || name.endsWith('diodes');
    const fitted = change(layout, (draft) => {
      const { conditioning } = coachIn(draft, jobId);
      if (!whole(conditioning.rectifier)) conditioning.rectifier = 'silicon-bridge';
      conditioning.reservoir = { farads: FARADS, ratedVolts: 100 };
      conditioning.chargeResistor ??= { ohms: CHARGE_OHMS, ratedWatts: 0.25 };
    }).layout;
    const rating = ratingFor(noLoadStudy(benchOf(fitted, jobId))?.volts.greatest ?? 0);
    return [
      {
        id: 'station-stop',
        rule: 'station-stop',
        severity: 'note' as const,
        title: 'Dark at a station stop',
        sentence: `The lamps first show at ${(100 * first).toFixed(0)} % throttle and are out below, so also while the train stands.`,
        reason:
          'A DC track has no voltage with the throttle closed. A reservoir carries the light through a short stop; a cell, DCC or a constant voltage on the track carries it for good.',
        paths: [['jobs', jobId, 'supplyId']],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { firstShowShare: first },
        remedies: [
          ...(rating === null
            ? []
            : remedy(
                `Fit a reservoir of ${formatQuantity(FARADS, 'farad')}, ${formatQuantity(rating, 'volt')}`,
                bench,
                steady,
                (draft) => {
                  const from = coachIn(fitted, jobId).conditioning;
                  Object.assign(coachIn(draft, jobId).conditioning, {
                    rectifier: from.rectifier,
                    chargeResistor: from.chargeResistor,
                    reservoir: { farads: FARADS, ratedVolts: rating },
                  });
                  return true;
                },
              )),
          ...(steadier
            ? remedy(`Feed it from ${steadier.name}`, bench, steady, (draft) => {
                coachIn(draft, jobId).supplyId = steadier.id;
                return true;
              })
            : []),
        ],
      },
    ];
  },
});
