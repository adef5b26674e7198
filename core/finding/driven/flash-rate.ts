import { isDriven, type Driven } from '../../document/aspect-record';
import { HARMFUL_HERTZ, USUAL_PER_MINUTE } from '../../quantity/flashes';
import { driverKind } from '../../supply/drivers';
import { rule, type Cure } from '../finding';
import type { Bench } from '../../study/bench';

/** Sets the rate of a driver that has one; of what is timed by parts, its capacitors. */
const setRate = (jobId: string, perMinute: number): Cure => ({
  label: `${perMinute} flashes a minute`,
  recipe(draft) {
    const { driver } = draft.jobs[jobId] as unknown as Driven;
    if (!driver) return false;
    const now = driverKind(driver).perMinute(driver);
    if (now === null) return false;
    if ('perMinute' in driver) driver.perMinute = perMinute;
    else if (driver.kind === 'flasher')
      for (const half of [driver.one, driver.other])
        half.ohms = Number(((half.ohms * now) / perMinute).toPrecision(3));
    else if (driver.kind === 'timer')
      Object.assign(driver, {
        ohmsB: Number(((driver.ohmsB * now) / perMinute).toPrecision(3)),
        ohmsA: Number(((driver.ohmsA * now) / perMinute).toPrecision(3)),
      });
    return true;
  },
});

/** How often a lamp of a job flashes in a minute; null where none does. */
function flashesOf({ job }: Bench): number | null {
  if (!isDriven(job) || !job.driver) return null;
  const flashing = Object.values(job.aspects).some((a) => Object.values(a.lamps).some((s) => s !== 'steady'));
  return flashing ? driverKind(job.driver).perMinute(job.driver) : null;
}

/** A lamp that flashes too slowly, too fast, or so that it can hurt. */
export const flashRate = rule({
  id: 'flash-rate',
  needs: ['laid'],
  about: (bench) => flashesOf(bench) !== null,
  judge(bench) {
    const perMinute = flashesOf(bench);
    if (perMinute === null) return [];
    const { least, usual, most } = USUAL_PER_MINUTE;
    const hertz = perMinute / 60;
    const harmful = hertz >= HARMFUL_HERTZ.least && hertz <= HARMFUL_HERTZ.most;
    if (!harmful && perMinute >= least && perMinute <= most) return [];
    return [
      {
        id: 'flash-rate',
        severity: harmful ? ('stop' as const) : ('mind' as const),
        title: harmful
          ? 'Flashes this fast can hurt'
          : perMinute > most
            ? 'It flashes too fast'
            : 'It flashes too slowly',
        sentence: harmful
          ? `Each lamp flashes ${hertz.toFixed(1)} times a second; from ${HARMFUL_HERTZ.least} to ${HARMFUL_HERTZ.most} can provoke seizures.`
          : `Each lamp flashes ${perMinute.toFixed(0)} times a minute; such lamps commonly do ${least} to ${most}.`,
        reason: harmful
          ? 'People with photosensitive epilepsy can be hurt by it, at a show by the lamps of others. Three a second is the most that is taken to be safe.'
          : 'A rate the eye knows makes a crossing believable.',
        paths: [['jobs', bench.jobId, 'driver']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: harmful
          ? [{ is: hertz, limit: HARMFUL_HERTZ.least, unit: 'Hz' as const }]
          : [{ is: perMinute / 60, limit: (perMinute > most ? most : least) / 60, unit: 'Hz' as const }],
        cures: [setRate(bench.jobId, usual)],
      },
    ];
  },
});
