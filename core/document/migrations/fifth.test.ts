import { isOnRails } from '../job-record';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { coachIn } from '../../kinds/coach/jobs';
import { locomotiveIn } from '../../kinds/locomotive/jobs';
import { Solver, usualReadings } from '../../study/solver';
import { benchOf } from '../../study/bench';
import { usualState } from '../../study/states';
import { checkLayout, readLayout, writeLayout } from '../file';
import { stageOf, switchOf } from '../line-stages';
import { patched } from '../patch';
import type { Layout } from '../layout';

type Plain = Record<string, unknown>;
const text = readFileSync(
  new URL('../../../tests/layouts/quay-version-4.hazel.json', import.meta.url),
  'utf8',
);
/** A layout as version 4 wrote it, changed before it is read. */
const opened = (
  recipe: (jobs: Record<string, Record<string, Record<string, Plain>>>) => void = () => undefined,
): Layout => {
  const old = JSON.parse(text) as { jobs: Record<string, Record<string, Record<string, Plain>>> };
  recipe(old.jobs);
  const read = checkLayout(old);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read.layout;
};

describe('a file of version 4', () => {
  test('opens, says where it came from, and is written as what it has become', () => {
    const read = readLayout(text);
    if (!read.ok) throw new Error(JSON.stringify(read.complaints));
    expect(read.migratedFrom).toBe(4);
    const again = readLayout(writeLayout(read.layout));
    expect(again.ok && again.layout).toEqual(read.layout);
    expect(again.ok && again.migratedFrom).toBeNull();
  });

  // What the program of version 4 drew from the supply, in amperes, forward with lights on.
  test.each([
    ['heritage-coach', 0.003414377],
    ['compartment-coach', 0.02888204],
    ['open-saloon', 0.01199176],
    ['luggage-van', 0.006404002],
    ['diesel-shunter', 0.01224858],
  ])('%s draws what it drew', (id, amps) => {
    expect(usualReadings(benchOf(opened(), id)).supplyAmps.mean / amps).toBeCloseTo(1, 2);
  });

  test('a coach’s conditioning becomes the stages of one line, in their order from the rails', () => {
    const { lines, circuits } = coachIn(opened(), 'compartment-coach');
    expect(Object.keys(lines)).toEqual(['roof']);
    expect(lines.roof.from).toEqual({ kind: 'supply', tap: 'pickups', supplyId: null });
    const kinds = Object.values(lines.roof.stages).sort((a, b) => a.order - b.order);
    expect(kinds.map((s) => s.kind)).toEqual(['bridge', 'charge', 'reservoir']);
    expect(circuits.roof).toMatchObject({ lineId: 'roof', limit: 'each', ohms: 3300, senses: 'alike' });
  });
  test('a rectifier of loose Schottky diodes, a charge diode and a regulator are what they were', () => {
    const layout = opened((jobs) => {
      Object.assign(jobs['compartment-coach'].conditioning, {
        rectifier: 'schottky-diodes',
        chargeDiode: true,
        regulator: { outVolts: 5, dropoutVolts: 0.4, quiescentAmps: 0.003 },
      });
    });
    const { roof } = coachIn(layout, 'compartment-coach').lines;
    expect(stageOf(roof, 'bridge')).toMatchObject({ diode: 'schottky', loose: true });
    expect(stageOf(roof, 'charge')).toMatchObject({ beside: true });
    expect(stageOf(roof, 'regulator')).toMatchObject({ outVolts: 5, dropoutVolts: 0.4 });
  });
  test('a circuit with a switch of its own gets a line for it; the others stay on the roof’s', () => {
    const van = coachIn(opened(), 'luggage-van');
    const own = switchOf(van, 'tail-lamps')!;
    expect(own.stage.on).toBe(true);
    expect(own.lineId).not.toBe('roof');
    expect(van.lines[own.lineId].from).toEqual({ kind: 'line', line: 'roof' });
    expect(switchOf(van, 'roof')).toBeNull();
  });
  test('what a circuit held built in is held by each of its lamps', () => {
    const layout = opened((jobs) => {
      jobs['compartment-coach'].groups.roof.builtIn = { kind: 'resistor', ohms: 470 };
    });
    for (const lamp of Object.values(coachIn(layout, 'compartment-coach').lamps))
      expect(lamp.builtIn).toEqual({ kind: 'resistor', ohms: 470 });
  });

  test('a locomotive’s topology, steering diode, swapped leads and feed are told apart', () => {
    const layout = opened((jobs) => {
      Object.assign(jobs['diesel-shunter'].circuits['end-a'], { steering: 'kept', leadsSwapped: true });
      Object.assign(jobs['diesel-shunter'].circuits['end-b'], {
        topology: 'regulated-board',
        regulatedVolts: 5,
        reservoir: { farads: 1e-4, ratedVolts: 10 },
      });
    });
    const shunter = locomotiveIn(layout, 'diesel-shunter');
    const [a, b] = ['end-a', 'end-b'].map((id) => shunter.lines[shunter.circuits[id].lineId]);
    expect(a.swapped).toBe(true);
    expect(stageOf(a, 'steering')).toMatchObject({ left: 'kept', lets: 'first' });
    expect(b.eachWay).toBe(true);
    expect(stageOf(b, 'regulator')).toMatchObject({ outVolts: 5, dropoutVolts: 1.2 });
    expect(stageOf(b, 'reservoir')).toMatchObject({ farads: 1e-4, ratedVolts: 10 });
    const express = locomotiveIn(layout, 'express-diesel');
    expect(Object.values(express.lines).every((l) => l.from.kind === 'output')).toBe(true);
  });
  test('every job on rails has pickups, a ride, a legend and variants', () => {
    for (const job of Object.values(opened().jobs)) {
      if (!isOnRails(job)) throw new Error(`${job.name} has lost its pickups`);
      expect(job.pickups.wheelsPerRail).toBeGreaterThan(0);
      expect(job.ride.kilometresPerHour).toBeGreaterThan(0);
      expect(job.legend.plus).toBeDefined();
      expect(job.variants).toBeDefined();
    }
  });
  test('the tester lies in the drawer', () => {
    const layout = opened((jobs) => {
      for (const job of Object.values(jobs))
        if (job.tester) Object.assign(job.tester, { volts: 6, ohms: 330 });
    });
    expect(layout.drawer.tester).toMatchObject({ volts: 6, ohms: 330 });
    for (const job of Object.values(layout.jobs)) expect(job).not.toHaveProperty('tester');
  });
});

describe('variants of version 4', () => {
  test('make of the new job what they made of the old one', () => {
    const path = ['jobs', 'compartment-coach'];
    const layout = opened((jobs) => {
      Object.assign(jobs['compartment-coach'].variants, {
        plain: {
          order: 1,
          name: 'Plain',
          patches: [
            { op: 'replace', path: [...path, 'conditioning', 'reservoir'], value: null },
            { op: 'replace', path: [...path, 'conditioning', 'rectifier'], value: 'half-wave' },
            { op: 'replace', path: [...path, 'groups', 'roof', 'ohms'], value: 2200 },
          ],
        },
      });
    });
    const { variants } = coachIn(layout, 'compartment-coach');
    const chosen = patched(layout, variants.plain.patches as never);
    const { lines, circuits } = coachIn(chosen, 'compartment-coach');
    expect(stageOf(lines.roof, 'reservoir')).toBeNull();
    expect(stageOf(lines.roof, 'bridge')).toBeNull();
    expect(stageOf(lines.roof, 'diode')).toMatchObject({ diode: 'silicon' });
    expect(circuits.roof.ohms).toBe(2200);
    expect(checkLayout(chosen).ok).toBe(true);
    expect(usualReadings(benchOf(chosen, 'compartment-coach')).supplyAmps.mean).toBeGreaterThan(0);
  });
  test('one whose place had gone before is kept as it stands, to say so when it is chosen', () => {
    const lost = [{ op: 'replace', path: ['jobs', 'compartment-coach', 'groups', 'gone', 'ohms'], value: 5 }];
    const layout = opened((jobs) => {
      Object.assign(jobs['compartment-coach'].variants, { lost: { order: 1, name: 'Lost', patches: lost } });
    });
    const { lost: kept } = coachIn(layout, 'compartment-coach').variants;
    expect(kept.patches).toEqual(lost);
    expect(() => patched(layout, kept.patches as never)).toThrow(/no longer there/);
  });
  test('the demo’s AC variant of the saloon still lights it as brightly', () => {
    const layout = opened();
    const { variants } = coachIn(layout, 'open-saloon');
    const [variant] = Object.values(variants);
    const chosen = patched(layout, variant.patches as never);
    const lumens = (l: Layout): number => {
      const bench = benchOf(l, 'open-saloon');
      return new Solver(bench).at(usualState(bench)).dies.reduce((sum, d) => sum + d.lumens, 0);
    };
    expect(lumens(chosen) / lumens(layout)).toBeCloseTo(1, 1);
  });
});
