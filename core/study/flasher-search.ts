import { lampType } from '../document/lamp-type';
import { bulbs } from '../part/bulb';
import { preferredBetween } from '../part/preferred';
import { driverOf } from '../document/aspect-record';
import { change, type Patch } from '../document/patch';
import { supplyKind } from '../supply';
import { firstResistor } from './first-resistor';
import { takenByDriver } from './begin-driven';
import { benchIn, type Bench } from './bench';
import { FLASHER_TRANSISTOR, flasherRun } from './flasher-run';
import type { Driven } from '../document/aspect-record';
import type { LampCore } from '../document/lamp-record';

/** Capacitors such flashers are made with, in farads: electrolytics as sold. */
const CAPACITORS = [4.7e-6, 10e-6, 22e-6, 47e-6, 100e-6, 220e-6];
/** A base is given at least so many times what it needs, so that the transistor is fully on. */
const OVERDRIVE = 3;
/** A base resistor keeps above this, or the base alone draws what a lamp does; and below this, or what leaks in an electrolytic starves it. */
const OHMS = { least: 4.7e3, most: 220e3 };
/** What comes no nearer than this is not offered, as a share. */
const NEAR = 0.25;
/** Candidates that are run. */
const TRIED = 3;

/** Parts for a flasher, with the rate they give as run. */
export interface FlasherParts {
  readonly ohms: number;
  readonly otherOhms: number;
  readonly farads: number;
  readonly perMinute: number;
  readonly lampOhms: number;
  readonly patches: readonly Patch[];
}

/**
 * Resistors and capacitors from preferred values for a wanted rate and lamp current: capacitors alike,
 * base resistors one step apart, so that it starts; bases given what keeps the transistors fully on.
 * Each candidate is run, and they are given in the order of how near they come.
 * @param perMinute flashes of each lamp
 * @param amps in each lamp
 * @returns none for what is driven otherwise, and where no parts do it
 */
export function flasherParts(bench: Bench, perMinute: number, amps: number): FlasherParts[] {
  const { job, jobId, layout, supply } = bench;
  if (driverOf(job)?.kind !== 'flasher') return [];
  const volts = supplyKind(supply).highestVolts(supply) - takenByDriver(driverOf(job), supply);
  const lamps = Object.values<LampCore>(job.lamps);
  const perOutput = Math.max(
    1,
    ...Object.keys(job.circuits).map((id) => lamps.filter((l) => l.circuitId === id).length),
  );
  const most = (volts * FLASHER_TRANSISTOR.forwardGain) / (OVERDRIVE * amps * perOutput);
  const half = 30 / perMinute;
  const steps = preferredBetween(OHMS.least, Math.min(OHMS.most, most), 'E24');
  const candidates = CAPACITORS.flatMap((farads) => {
    const wanted = half / (Math.LN2 * farads);
    const near = steps
      .map((ohms, i) => ({ ohms, otherOhms: steps[Math.max(0, i - 1)], farads }))
      .filter((c) => c.ohms !== c.otherOhms)
      .sort((a, b) => Math.abs(a.ohms / wanted - 1) - Math.abs(b.ohms / wanted - 1));
    return near.slice(0, 1).map((c) => ({ ...c, miss: Math.abs(c.ohms / wanted - 1) }));
  })
    .filter((c) => c.miss < 0.5)
    .sort((a, b) => a.miss - b.miss)
    .slice(0, TRIED);
  return candidates
    .flatMap(({ ohms, otherOhms, farads }): FlasherParts[] => {
      let factor = 1;
      let found: FlasherParts | null = null;
      // The sum by hand misses what lamp and junction take of the swing: a run says by how much.
      for (let turn = 0; turn < 2; turn++) {
        const set = {
          one: { ohms: nearest(steps, ohms * factor), farads },
          other: { ohms: nearest(steps, otherOhms * factor), farads },
        };
        if (set.one.ohms === set.other.ohms) break;
        const made = change(layout, (draft) => {
          const own = draft.jobs[jobId] as unknown as Driven & typeof job;
          if (own.driver?.kind === 'flasher') Object.assign(own.driver, set);
          for (const [id, circuit] of Object.entries(own.circuits)) {
            const part = lamps.find((l) => l.circuitId === id)?.part;
            if (part === undefined || Object.hasOwn(bulbs, part)) continue;
            Object.assign(
              circuit,
              firstResistor(supply, lampType(layout, part), amps, 1, takenByDriver(driverOf(job), supply)),
            );
          }
        });
        const run = flasherRun(benchIn(bench, made.layout));
        if (!run?.turn) break;
        const [circuit] = Object.values(made.layout.jobs[jobId].circuits);
        found = {
          ohms: set.one.ohms,
          otherOhms: set.other.ohms,
          farads,
          perMinute: 60 / run.turn.seconds,
          lampOhms: circuit.ohms,
          patches: made.patches,
        };
        factor *= (2 * half) / run.turn.seconds;
      }
      return found ? [found] : [];
    })
    .filter((p) => Math.abs(p.perMinute / perMinute - 1) < NEAR)
    .sort((a, b) => Math.abs(a.perMinute / perMinute - 1) - Math.abs(b.perMinute / perMinute - 1));
}

const nearest = (steps: readonly number[], to: number): number =>
  steps.reduce((best, s) => (Math.abs(s / to - 1) < Math.abs(best / to - 1) ? s : best), steps[0]);
