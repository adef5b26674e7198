import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { lineFrom, putRectifier, putStage, stageOf } from '../document/line-stages';
import { usualCircuit } from '../document/usual-circuit';
import { bulbs } from '../part/bulb';
import { leds } from '../part/led';
import { trimmersSold, turnFor, usualSocket } from '../part/hub-socket';
import { ratedVoltsSold, soldFarads } from '../part/electrolytic';
import { wiringOf } from '../kinds/wirings';
import { LOADED_SHARE, supplyKind, type Supply } from '../supply';
import { firstResistor } from './first-resistor';
import type { Draft } from 'immer';
import type { HookUpName, Scenery } from '../document/scenery-record';
import type { JobCore } from '../document/job-record';
import type { LampCore } from '../document/lamp-record';
import type { AnyJob, Layout } from '../document/layout';

/** A silicon bridge takes two junctions (common practice, no source: 24 V in, 22.7 V behind it). */
const BRIDGE_VOLTS = 1.4;
/** What a hub holds on board (typical, from memory). */
const HUB_FARADS = 220e-6;
/** Keeps the charging of a reservoir within what boosters and transformers bear (common practice, no source). */
const CHARGE_OHMS = 22;
/** On the mains it is charged at the crests alone: little may stand in its way. */
const MAINS_CHARGE_OHMS = 10;
/** A reservoir is rated this much above what stands on it. */
const RATED_SHARE = 1.2;
/** What a small lamp of the scenery is given, in amperes (common practice, no source: 4.7 kohm on 12 V). */
export const SCENIC_AMPS = 2.1e-3;

/** Mains at their slowest, and the share of its volts that a reservoir may fall by within a half wave. */
const [LEAST_HERTZ, RIPPLE_SHARE] = [50, 0.05];

/** A trimmer is left some way to turn up. */
const ROOM_TO_TURN = 0.9;

/** The line that all lamps of a piece of scenery hang on. */
export const FEED = 'feed';

type Job = JobCore & Scenery;

/** What the rectifier before the lamps takes, in volts. */
const rectified = (supply: Supply, hookUp: HookUpName): number => {
  if (isReversed(supply, hookUp)) return BRIDGE_VOLTS / 2;
  return hookUp === 'hub' || supplyKind(supply).changesSides ? BRIDGE_VOLTS : 0;
};

/** An address that is reversed on purpose: a diode keeps what is backwards off its lamps. */
const isReversed = (supply: Supply, hookUp: HookUpName): boolean =>
  hookUp === 'output' && supply.kind === 'accessory-output';

/** The lamp type that a circuit of a job mostly has; a white one for bulbs and none. */
function typeIn(layout: Layout, job: Pick<Job, 'lamps'>, circuitId: string) {
  const own = Object.values<LampCore>(job.lamps).find((l) => l.circuitId === circuitId);
  return own === undefined || Object.hasOwn(bulbs, own.part)
    ? leds['white-warm']
    : lampType(layout, own.part);
}

/**
 * Sets what limits a circuit of scenery for a current in each lamp: its resistors, or its trimmer. Safe
 * at the supply's highest.
 */
export function limitTo(layout: Layout, job: Draft<Job>, circuitId: string, amps: number): void {
  const circuit = job.circuits[circuitId];
  const supply = layout.supplies[job.supplyId];
  const type = typeIn(layout, job, circuitId);
  const taken = rectified(supply, job.hookUp);
  const socket = stageOf(job.lines[circuit.lineId], 'socket');
  const many = Object.values<LampCore>(job.lamps).filter((l) => l.circuitId === circuitId).length;
  if (!socket) {
    const through = circuit.limit === 'shared' ? Math.max(1, many) * amps : amps;
    Object.assign(circuit, firstResistor(supply, type, through, circuit.inSeries, taken));
    return;
  }
  const volts = supplyKind(supply).highestVolts(supply) - taken;
  const turnWith = (trimmerOhms: number): number =>
    turnFor({ ...socket, trimmerOhms }, volts, type.inSeries * type.forwardVolts, many * amps);
  // Hubs for less volts come with larger trimmers.
  socket.trimmerOhms =
    trimmersSold.find((ohms) => ohms >= socket.trimmerOhms && turnWith(ohms) <= ROOM_TO_TURN) ??
    socket.trimmerOhms;
  socket.turn = Number(turnWith(socket.trimmerOhms).toFixed(3));
}

/**
 * How the lamps of a kind belong together: each by itself (a socket each on a hub, one circuit for all
 * elsewhere), by rooms with a circuit each, or in strings side by side behind one resistor.
 */
export type HookUpStyle = 'apart' | 'rooms' | 'string';

/**
 * How the lamps of a job belong together: in strings where its wires run from lamp to lamp, by rooms
 * where several sit in one place or there are circuits for each, else each by itself.
 */
export function styleOf(job: AnyJob): HookUpStyle {
  const wiring = wiringOf(job.kind);
  if (wiring.runs === 'along') return 'string';
  const ids = Object.keys(job.lamps);
  return ids.every((id) => wiring.placeOf(job, id) === id) ? 'apart' : 'rooms';
}

/**
 * Joins a piece of scenery to its supply by one of the ways that have names. Lamps, groups and places
 * stay; on a hub each circuit gets a socket.
 * @param ampsOf wanted in each lamp of a circuit
 * @param style how its lamps belong together
 */
export function hookUp(
  layout: Layout,
  job: Draft<Job>,
  name: HookUpName,
  ampsOf: (circuitId: string) => number,
  style: HookUpStyle,
): void {
  const apart = style === 'apart';
  const supply = layout.supplies[job.supplyId];
  const kind = supplyKind(supply);
  const sockets = name === 'hub';
  const asked = new Map(Object.keys(job.circuits).map((id) => [id, ampsOf(id)]));
  const all = Object.values<LampCore>(job.lamps).reduce(
    (sum, l) => sum + (l.circuitId === null ? 0 : (asked.get(l.circuitId) ?? 0)),
    0,
  );
  // All together stay within what the supply is loaded to.
  const fits = Math.min(1, (ROOM_TO_TURN * LOADED_SHARE * kind.limit(supply).amps) / Math.max(all, 1e-9));
  const wanted = new Map([...asked].map(([id, amps]) => [id, fits * amps]));
  const first = inOrder(job.circuits)[0];
  if (apart && sockets) splitCircuits(job, wanted);
  else if (apart && first) {
    for (const lamp of Object.values<Draft<LampCore>>(job.lamps))
      if (lamp.circuitId !== null) lamp.circuitId = first.id;
    for (const id of Object.keys(job.circuits)) if (id !== first.id) Reflect.deleteProperty(job.circuits, id);
  }
  job.hookUp = name;
  const feed = lineFrom({ kind: 'supply', tap: 'board', supplyId: null }, 1, 'Feed');
  const held = job.lines[FEED] as Job['lines'][string] | undefined;
  const keptSwitch = held && stageOf(held, 'switch');
  job.lines = { [FEED]: feed };
  if (keptSwitch)
    putStage(feed, 'switch', { name: keptSwitch.name, on: keptSwitch.on, lead: keptSwitch.lead });
  if (isReversed(supply, name)) putStage(feed, 'diode', { diode: 'silicon' });
  else if (rectified(supply, name) > 0) putRectifier(feed, 'silicon-bridge');
  // What hangs behind a bridge on an alternating supply would flicker without one.
  if (sockets || (rectified(supply, name) > 0 && supply.kind !== 'accessory-output')) {
    const stands = RATED_SHARE * kind.highestVolts(supply);
    const ratedVolts = ratedVoltsSold.find((v) => v >= stands) ?? ratedVoltsSold[ratedVoltsSold.length - 1];
    // A full wave's ripple is I / (2 f C): of many lamps a larger one (common practice, no source).
    const needed = (fits * all) / (2 * LEAST_HERTZ * RIPPLE_SHARE * kind.highestVolts(supply));
    // What a hub comes with is enough but on the mains, where it has 10 ms to bridge.
    const farads =
      sockets && supply.kind !== 'ac-track' ? HUB_FARADS : Math.max(HUB_FARADS, soldFarads(needed));
    putStage(feed, 'reservoir', { farads, ratedVolts });
    const ohms = supply.kind === 'ac-track' ? MAINS_CHARGE_OHMS : CHARGE_OHMS;
    if (!sockets) putStage(feed, 'charge', { ohms, ratedWatts: 0.5, beside: true });
  }
  inOrder(job.circuits).forEach(({ id }, i) => {
    const circuit = job.circuits[id];
    circuit.lineId = FEED;
    circuit.senses = 'alike';
    circuit.limit = sockets ? 'none' : style === 'string' ? 'shared' : 'each';
    if (sockets) {
      const line = lineFrom({ kind: 'line', line: FEED }, i + 2, `Socket ${i + 1}`);
      putStage(line, 'socket', { ...usualSocket });
      job.lines[`socket-${i + 1}`] = line;
      circuit.lineId = `socket-${i + 1}`;
    }
    limitTo(layout, job, id, wanted.get(id) ?? SCENIC_AMPS);
  });
  const pitch = job.plug.socketPitch;
  job.plug.socketPitch = sockets || name === 'board' ? (pitch ?? 2) : null;
}

/** A circuit for each lamp, called as the lamp. */
function splitCircuits(job: Draft<Job>, wanted: Map<string, number>): void {
  const lamps = inOrder<LampCore>(job.lamps);
  const before = { ...job.circuits };
  job.circuits = {};
  lamps.forEach((lamp, i) => {
    if (lamp.circuitId === null) return;
    const id = lamp.id;
    job.circuits[id] = usualCircuit(i + 1, `Lamp ${i + 1}`, FEED, {
      ...(before[lamp.circuitId] as object | undefined),
      order: i + 1,
      name: `Lamp ${i + 1}`,
    });
    wanted.set(id, wanted.get(lamp.circuitId) ?? SCENIC_AMPS);
    (job.lamps as Record<string, Draft<LampCore>>)[id].circuitId = id;
  });
}
