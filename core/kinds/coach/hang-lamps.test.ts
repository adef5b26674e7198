import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../../tests/generated';
import { assemble } from '../../assembly/assemble';
import { checkLayout } from '../../document/file';
import { switchOf } from '../../document/line-stages';
import { change } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { benchOf } from '../../study/bench';
import { coachLight } from './light';
import { addTailLamps, addVestibuleLamps, hangLamps, removeCircuit, rowsOfLamps } from './hang-lamps';
import { equalPlacing } from './equal-placing';
import { proposeLimit } from './proposal';
import { usualReadings } from '../../study/solver';
import { coachIn } from './jobs';
import type { Layout } from '../../document/layout';

const solved = (layout: Layout, jobId = demoJob) => usualReadings(benchOf(layout, jobId));

describe('hanging lamps', () => {
  test('so many as there are places, of the type there was, each row from the left', () => {
    const layout = boatTrain();
    const job = coachIn(layout, demoJob);
    const hung = (perRow: number[]) =>
      coachIn(
        change(layout, (draft) => hangLamps(coachIn(draft, demoJob), 'roof', equalPlacing(job, perRow)))
          .layout,
        demoJob,
      );
    for (const perRow of [[3], [9, 4], [7, 5]]) {
      const rows = rowsOfLamps(hung(perRow), 'roof');
      expect(rows.map((r) => r.length)).toEqual(perRow);
      expect(new Set(Object.values(hung(perRow).lamps).map((l) => l.part))).toEqual(new Set(['white-warm']));
      for (const row of rows) {
        const orders = row.map((l) => l.order);
        expect([...orders].sort((a, b) => a - b)).toEqual(orders);
      }
    }
    expect(checkLayout({ ...layout, jobs: { ...layout.jobs, [demoJob]: hung([9, 4]) } }).ok).toBe(true);
  });
});

describe('lamps of their own', () => {
  test('one in each vestibule, with a resistor of its own, about as bright as the others', () => {
    const layout = addVestibuleLamps(boatTrain(), demoJob).layout;
    const own = Object.entries(coachIn(layout, demoJob).lamps).filter(
      ([, l]) => l.circuitId === 'vestibules',
    );
    expect(own).toHaveLength(2);
    const { dies } = solved(layout);
    const amps = (circuitId: string): number[] =>
      dies
        .filter((l) => coachIn(layout, demoJob).lamps[l.lampId].circuitId === circuitId)
        .map((l) => l.amps.mean);
    const roof = amps('roof');
    for (const a of amps('vestibules')) {
      expect(a / roof[0]).toBeGreaterThan(0.75);
      expect(a / roof[0]).toBeLessThan(1.3);
    }
    const parts = assemble(layout, demoJob).parts.filter((p) => p.kind === 'resistor' && p.role === 'each');
    expect(parts).toHaveLength(roof.length + 2);
    expect(checkJob(layout, demoJob).filter((f) => f.rule !== 'reservoir-rating')).toEqual([]);
  });
  test('tail lamps: red, in series, some 5 mA, dark with their switch off, and the rooms as they were', () => {
    const before = solved(boatTrain());
    const layout = addTailLamps(boatTrain(), demoJob, 'left').layout;
    const group = coachIn(layout, demoJob).circuits['tail-lamps'];
    expect(group.inSeries).toBe(2);
    expect(switchOf(coachIn(layout, demoJob), 'tail-lamps')!.stage.on).toBe(true);
    const tails = (l: Layout) =>
      solved(l).dies.filter((r) => coachIn(l, demoJob).lamps[r.lampId].role === 'tail');
    for (const t of tails(layout)) {
      expect(t.amps.mean).toBeGreaterThan(0.003);
      expect(t.amps.mean).toBeLessThan(0.007);
    }
    const off = change(
      layout,
      (d) => void (switchOf(coachIn(d, demoJob), 'tail-lamps')!.stage.on = false),
    ).layout;
    for (const t of tails(off)) expect(t.amps.mean).toBeLessThan(1e-6);
    // A lamp that is switched off is no fault.
    expect(checkJob(off, demoJob).map((f) => f.rule)).not.toContain('never-lit');
    expect(coachLight(coachIn(off, demoJob), solved(off)).meanLux).toBeCloseTo(
      coachLight(coachIn(boatTrain(), demoJob), before).meanLux,
      2,
    );
    // Its resistor is proposed as if it were on.
    expect(proposeLimit(off, demoJob, 'tail-lamps')).toMatchObject({ by: 'current', figure: group.ohms });
  });
  test('a group is taken away with its lamps', () => {
    const layout = change(boatTrain(), (d) => removeCircuit(coachIn(d, 'luggage-van'), 'tail-lamps')).layout;
    expect(Object.values(coachIn(layout, 'luggage-van').lamps).every((l) => l.role === 'room')).toBe(true);
    expect(checkLayout(layout).ok).toBe(true);
  });
});
