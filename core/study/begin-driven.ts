import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { lineFrom, putRectifier, putStage } from '../document/line-stages';
import { usualCircuit } from '../document/usual-circuit';
import { usualDriver, usualFeed, type DriverRecord } from '../document/driver-record';
import { bulbs } from '../part/bulb';
import { candelaAhead } from '../light/lamp-light';
import { supplyKind, type Supply } from '../supply';
import { driverKind } from '../supply/drivers';
import { litVolts, reverseOf, type DriverBuild } from '../supply/drivers/driver-kind';
import { outputOf } from './aspects';
import { firstResistor } from './first-resistor';
import type { Draft } from 'immer';
import type { Driven } from '../document/aspect-record';
import type { JobCore } from '../document/job-record';
import type { LampCore } from '../document/lamp-record';
import type { Layout } from '../document/layout';
import type { LedPart } from '../part/led';
import type { OutputHold } from '../part/decoder-type';

/** What the least bright lamp of a signal is given, in amperes: a lamp that is looked at straight wants little (common practice, no source). */
export const SIGNAL_AMPS = 5e-3;
/** A silicon bridge takes two junctions. */
const BRIDGE_VOLTS = 1.4;
/** Share of what an output bears that is asked of it. */
const GIVEN_SHARE = 0.8;
/** The line of lamps that nothing switches. */
const ALWAYS = 'always';

type Job = JobCore & Driven;

/** Volts of a supply that its driver, with what stands before it, keeps from the lamps. */
export function takenByDriver(driver: DriverRecord | null, supply: Supply): number {
  const kind = supplyKind(supply);
  if (!driver) return kind.changesSides ? BRIDGE_VOLTS / 2 : 0;
  const left = kind.highestVolts(supply) - (driver.feed.bridge ? BRIDGE_VOLTS : 0);
  const own = litVolts(driverKind(driver).build(driver));
  return kind.highestVolts(supply) - (own === null ? left : Math.min(own, left));
}

/** A driver of a kind, fed as a supply asks for: a bridge where it changes sides, a reservoir on AC. */
export const driverOn = (kind: DriverRecord['kind'], supply: Supply, lamps: number): DriverRecord =>
  usualDriver(
    kind,
    usualFeed(supplyKind(supply).changesSides && kind !== 'contacts', supply.kind === 'ac-track'),
    lamps,
  );

/** Intensity ahead for each ampere of a lamp, in candela. */
const candelaPerAmp = ({ lumens, testAmps, beamDegrees }: LedPart): number =>
  candelaAhead(lumens, beamDegrees, 0, 1) / testAmps;

/**
 * Current for a lamp so that it is as bright ahead as the dimmest of its fellows is at the usual
 * current of a signal, in amperes.
 */
export function alikeAmps(layout: Layout, lamps: readonly Pick<LampCore, 'part'>[], part: string): number {
  const types = lamps.flatMap((l) => (Object.hasOwn(bulbs, l.part) ? [] : [lampType(layout, l.part)]));
  if (Object.hasOwn(bulbs, part) || types.length === 0) return SIGNAL_AMPS;
  const aim = SIGNAL_AMPS * Math.min(...types.map(candelaPerAmp));
  return aim / candelaPerAmp(lampType(layout, part));
}

/**
 * Two lamps, one for each way of two contacts that change sides, as they are on the leads: the one that
 * comes first first. Null where an output stands alone or has more than one lamp; they are laid with the
 * lower of their outputs.
 */
function backToBack(
  build: DriverBuild,
  output: number,
  lamps: readonly (LampCore & { readonly id: string })[],
  outputOf: (lampId: string) => number,
): readonly (LampCore & { readonly id: string })[] | 'with the other' | null {
  const reverse = reverseOf(build, `out${output}`);
  if (reverse === null) return null;
  const other = Number(reverse.slice(3));
  const [here, there] = [output, other].map((n) => lamps.filter((l) => outputOf(l.id) === n));
  if (here.length !== 1 || there.length !== 1) return null;
  return output > other ? 'with the other' : lamps.filter((l) => l === here[0] || l === there[0]);
}

/** A reservoir behind a bridge of what nothing switches: enough for the few lamps of one head (common practice, no source). */
const RESERVOIR = { farads: 220e-6, ratedVolts: 50 } as const;
const CHARGE = { ohms: 22, ratedWatts: 0.25, beside: true } as const;

/**
 * Keeps what is backwards off the lamps of a line: a bridge where its supply changes sides and nothing
 * before it makes that steady, a diode where a driver turns its two contacts over.
 */
function keepForward(job: Draft<Job>, supply: Supply, lineId: string, inTurn: boolean): void {
  const line = job.lines[lineId];
  const changes = supplyKind(supply).changesSides;
  if (!job.driver) {
    if (!changes) return;
    putRectifier(line, 'silicon-bridge');
    putStage(line, 'reservoir', RESERVOIR);
    putStage(line, 'charge', CHARGE);
    return;
  }
  const { outputs } = driverKind(job.driver).build(job.driver);
  if (!inTurn && outputs.some((o) => o.between) && job.driver.kind === 'accessory-reversing')
    putStage(line, 'diode', { diode: 'silicon' });
}

/** Whether what a board limits its output by is enough for a lamp: it holds the current, or has most of the resistance itself. */
const suffices = (
  holds: OutputHold | undefined,
  onBoard: number,
  added: { readonly ohms: number },
): boolean => holds?.kind === 'limiter' || (onBoard > 0 && added.ohms < ADDED_SHARE * onBoard);
/** A resistor that would add less than this share to that of the board is left out. */
const ADDED_SHARE = 0.2;

/**
 * Hangs the lamps of a job on the outputs of its driver, each output a line with a circuit of its own,
 * each lamp limited so that all look alike; on the supply itself where nothing switches them. Lamps for
 * which the driver has no output stay loose.
 * @param outputOf which output a lamp goes to, from 1
 */
export function hangOnDriver(
  layout: Layout,
  job: Draft<Job>,
  outputOf: (lampId: string) => number,
  names: (output: number) => string,
): void {
  const supply = layout.supplies[job.supplyId];
  const lamps = inOrder<LampCore>(job.lamps);
  for (const lamp of Object.values<Draft<LampCore>>(job.lamps)) lamp.circuitId = null;
  const taken = takenByDriver(job.driver, supply);
  job.lines = {};
  job.circuits = {};
  const build = job.driver && driverKind(job.driver).build(job.driver);
  const share = build?.litShare ?? 1;
  for (const output of [...new Set(lamps.map((l) => outputOf(l.id)))].sort((a, b) => a - b)) {
    const alone = lamps.filter((l) => outputOf(l.id) === output);
    if (build && !build.outputs.some((o) => o.id === `out${output}`)) continue;
    const back = build ? backToBack(build, output, lamps, outputOf) : null;
    if (back === 'with the other') continue;
    const own = back ?? alone;
    const lineId = job.driver ? `line-${output}` : ALWAYS;
    const id = `output-${output}`;
    job.lines[lineId] = lineFrom(
      job.driver
        ? { kind: 'output', output: `out${output}`, returnTo: 'common' }
        : { kind: 'supply', tap: 'board', supplyId: null },
      output,
      names(output),
    );
    keepForward(job, supply, lineId, back !== null);
    const { limitAmps: limit = Infinity, holds } = build?.outputs[output - 1] ?? {};
    const onBoard = holds?.kind === 'resistor' ? holds.ohms : 0;
    const resistorFor = ({ part }: LampCore) => {
      const amps = Math.min(alikeAmps(layout, lamps, part) / share, (GIVEN_SHARE * limit) / alone.length);
      return firstResistor(
        supply,
        lampType(layout, Object.hasOwn(bulbs, part) ? 'white-warm' : part),
        amps,
        1,
        taken,
        onBoard,
      );
    };
    const name = own.map((l) => names(outputOf(l.id))).filter((n, i, all) => all.indexOf(n) === i);
    job.circuits[id] = usualCircuit(output, name.join(' and '), lineId, {
      ...(back ?? [own[0]]).map(resistorFor).reduce((a, b) => (b.ohms > a.ohms ? b : a)),
      ...(back === null
        ? {
            senses: 'as-they-shine',
            ...(suffices(holds, onBoard, resistorFor(own[0])) ? { limit: 'none' } : {}),
          }
        : // Behind one resistor each keeps what is backwards off the other.
          { senses: 'in-turn', limit: 'shared', swapped: outputOf(back[0].id) !== output }),
    });
    for (const lamp of own) (job.lamps as Record<string, Draft<LampCore>>)[lamp.id].circuitId = id;
  }
}

/**
 * Changes what drives a job: outputs keep their lamps, loose lamps take the outputs that are left, and
 * what limits each is chosen anew for what it gives.
 */
export function setDriver(layout: Layout, job: Draft<Job>, driver: DriverRecord | null): void {
  const outputs = new Map<string, number>();
  const names = new Map<number, string>();
  const lamps = inOrder<LampCore>(job.lamps);
  for (const { id, circuitId } of lamps) {
    const output = outputOf(job, id);
    if (output === null) continue;
    const number = Number(output.slice(3));
    outputs.set(id, number);
    if (circuitId !== null) names.set(number, job.circuits[circuitId].name);
  }
  const taken = new Set(outputs.values());
  for (const { id } of lamps) {
    if (outputs.has(id)) continue;
    let number = 1;
    while (taken.has(number)) number++;
    taken.add(number);
    outputs.set(id, number);
  }
  job.driver = driver;
  hangOnDriver(
    layout,
    job,
    (id) => outputs.get(id)!,
    (n) => names.get(n) ?? `Output ${n}`,
  );
}
