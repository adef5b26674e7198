import { describe, expect, test } from 'vitest';
import { lower } from '../../core/assembly/lower';
import { writeDeck, deckNode } from '../../core/circuit/deck/write';
import { bulbs } from '../../core/part/bulb';
import { usualState } from '../../core/study/states';
import { benchOf, type Bench } from '../../core/study/bench';
import { Solver } from '../../core/study/solver';
import { endNames } from '../../core/document/ends';
import { eachLine, onRails, steer, vehicleId } from '../vehicles';
import { referenceVector, runReference } from './simulator';
import type { Layout } from '../../core/document/layout';

/** Agreement asked for, as a share. */
const WITHIN = 0.005;

/** Every way to wire a circuit on DC track, with the arrangements that make a different circuit of it. */
const circuits: Record<string, Layout> = {
  'one shared resistor': onRails('shared-both-ways'),
  'one shared resistor, leads swapped': onRails('shared-both-ways', (job) => {
    eachLine(job, (line) => (line.swapped = true));
  }),
  'one shared resistor behind the old diode': onRails('shared-both-ways', (job) => {
    for (const end of endNames) steer(job.lines[`end-${end.toLowerCase()}`], 'kept', end);
  }),
  'a resistor each': onRails('resistor-each'),
  'two-colour lamps': onRails('two-colour', (job) => {
    for (const [id, l] of Object.entries(job.lamps))
      if (l.role === 'tail') Reflect.deleteProperty(job.lamps, id);
      else l.secondPart = 'red';
  }),
  'ready-wired lamps': onRails('ready-wired', (job) => {
    for (const l of Object.values(job.lamps)) l.builtIn = { kind: 'resistor', ohms: 680 };
  }),
  'bulbs with their diodes': onRails('bulb', undefined, 'bulb'),
  'bulbs, diodes bridged': onRails(
    'bulb',
    (job) => {
      for (const end of endNames) steer(job.lines[`end-${end.toLowerCase()}`], 'bridged', end);
    },
    'bulb',
  ),
  'a regulated board': onRails('regulated-board'),
  'a bridge of its own': onRails('own-bridge'),
  'back to back': onRails('back-to-back'),
  'in series': onRails('in-series'),
};

/** The vehicle at rest as a deck; bulbs by the law of their current, which the reference solves itself. */
function deckOf(vehicle: Bench, level: number): string {
  const { netlist, nodeOf } = lower(vehicle.assembly, vehicle.supply, {});
  const elements = netlist.elements
    .filter((e) => e.of?.role !== 'filament')
    .map((e) =>
      e.id === 'v_supply' && e.kind === 'voltage' ? { ...e, wave: { kind: 'dc' as const, level } } : e,
    );
  const deck = writeDeck({ ...netlist, elements }, { cards: ['.op'] });
  const { amps, volts } = bulbs['bulb-12v'];
  const filaments = vehicle.assembly.parts
    .filter((p) => p.kind === 'bulb')
    .map((p, i) => {
      const [a, b] = ['one', 'two'].map((t) => deckNode(nodeOf.get(`${p.id}.${t}`)!));
      // The power law with its corner at nothing rounded off, far below what is compared.
      const share = `(v(${a},${b})/${volts})`;
      return `b${i} ${a} ${b} i=${amps}*${share}*pow(${share}*${share}+1e-7, -0.225)`;
    });
  return deck.replace(/^\.op/m, `${filaments.join('\n')}\n.op`);
}

describe.each(Object.entries(circuits))('%s', (_, layout) => {
  const vehicle = benchOf(layout, vehicleId);
  const solver = new Solver(vehicle);
  test.each([
    ['forward', 0.3],
    ['forward', 0.6],
    ['forward', 1],
    ['reverse', 0.3],
    ['reverse', 0.6],
    ['reverse', 1],
  ] as const)('%s at throttle %d', async (direction, throttle) => {
    const { supply } = vehicle;
    if (supply.kind !== 'dc-track') throw new Error('a DC track was meant');
    const level = (direction === 'forward' ? 1 : -1) * throttle * supply.greatestVolts;
    const reference = await runReference(deckOf(vehicle, level));
    const ours = solver.at(usualState(vehicle, { direction, throttle }));
    const drawn = Math.abs(referenceVector(reference, 'i(v_supply)')[0]);
    expect(Math.abs(ours.supplyAmps.mean - drawn)).toBeLessThan(WITHIN * drawn + 1e-8);
    const { nodeOf } = lower(vehicle.assembly, supply, {});
    for (const part of vehicle.assembly.parts) {
      if (part.kind !== 'resistor') continue;
      const [a, b] = ['one', 'two'].map((t) => deckNode(nodeOf.get(`${part.id}.${t}`)!));
      const across = referenceVector(reference, b === '0' ? `v(${a})` : `v(${a},${b})`)[0];
      const theirs = Math.abs(across) / part.ohms;
      const mine = Math.sqrt(ours.parts.get(part.id)!.watts / part.ohms);
      expect(Math.abs(mine - theirs), part.label).toBeLessThan(WITHIN * theirs + 1e-8);
    }
  });
});
