import { describe, expect, test } from 'vitest';
import { quayside } from '../../../tests/scenery';
import { takeStage } from '../../document/line-stages';
import { change, patched } from '../../document/patch';
import { assemble } from '../../assembly/assemble';
import { checkJob } from '../../finding/check';
import { newSignal } from '../../kinds/signal/make';
import { signalIn } from '../../kinds/signal/jobs';
import { benchOf } from '../../study/bench';
import { setDriver } from '../../study/begin-driven';
import { Solver } from '../../study/solver';
import { truthTable, type TruthRow } from '../../study/truth-table';
import { driverKind } from '.';
import { pinsOf, type OutputId, type Show } from './driver-kind';
import { matrix, type Matrix } from './matrix';
import type { DriverRecord } from '../../document/driver-record';
import type { Layout } from '../../document/layout';
import type { PracticeName } from '../../kinds/signal/practices';

const made = (practice: PracticeName, driver: DriverRecord['kind'], supply = 'bus-12') =>
  newSignal(quayside(), { practice, name: 'Signal', supply: { id: supply }, driver, common: 'anode' });
const rowsOf = (layout: Layout, jobId: string): readonly TruthRow[] => {
  const bench = benchOf(layout, jobId);
  return truthTable(bench, new Solver(bench)).rows;
};
const asMeant = (rows: readonly TruthRow[]): boolean =>
  rows.every((r) => r.dies.every((d) => d.should === (d.does === 'lit')));

describe('an address whose two contacts change sides', () => {
  test('lights one of two lamps back to back behind one resistor, whatever feeds it', () => {
    for (const supply of ['bus-5', 'bus-12', 'dcc', 'ac']) {
      const { layout, jobId } = made('two-aspect', 'accessory-reversing', supply);
      const rows = rowsOf(layout, jobId);
      expect(asMeant(rows), supply).toBe(true);
      // Each holds what is backwards off the other: some two or three volts.
      for (const die of rows.flatMap((r) => r.dies)) expect(die.reverseVolts).toBeLessThan(3.2);
      expect(checkJob(layout, jobId).filter((f) => f.severity !== 'note')).toEqual([]);
      const { parts, leads } = assemble(layout, jobId);
      expect(parts.filter((p) => p.kind === 'resistor')).toHaveLength(1);
      // Two wires come out of the head.
      expect(leads.filter((l) => l.through.length > 0)).toHaveLength(2);
      expect(leads.some((l) => l.from.terminal === 'common' || l.to.terminal === 'common')).toBe(false);
    }
  });
  test('a lamp alone on it is pushed backwards; a diode before it is a cure', () => {
    const { layout: begun, jobId } = made('three-aspect', 'accessory-reversing');
    // One that is begun has it.
    expect(checkJob(begun, jobId).some((f) => f.rule === 'reverse-voltage')).toBe(false);
    const layout = change(begun, (draft) => {
      for (const line of Object.values(draft.jobs[jobId].lines)) takeStage(line, 'diode');
    }).layout;
    const found = checkJob(layout, jobId).find((f) => f.rule === 'reverse-voltage')!;
    expect(found.figures[0].is).toBeGreaterThan(5);
    const cure = found.remedies.find((r) => r.label === 'A diode before it')!;
    const after = patched(layout, cure.patches);
    expect(checkJob(after, jobId).some((f) => f.rule === 'reverse-voltage')).toBe(false);
    expect(rowsOf(after, jobId).some((r) => r.dies.some((d) => d.lampId === 'red' && d.does === 'lit'))).toBe(
      true,
    );
  });
  test('what hangs on it stays where it was when another driver is taken, and comes back', () => {
    const { layout, jobId } = made('two-aspect', 'accessory-pairs');
    const to = (of: Layout, kind: DriverRecord['kind']): Layout =>
      change(of, (draft) => {
        const job = signalIn(draft, jobId);
        const was = made('two-aspect', kind).layout.jobs[jobId] as { driver?: DriverRecord };
        setDriver(draft as Layout, job, was.driver!);
      }).layout;
    for (const kind of ['accessory-reversing', 'matrix'] as const) {
      const there = to(layout, kind);
      expect(asMeant(rowsOf(there, jobId)), kind).toBe(true);
      const back = to(there, 'accessory-pairs');
      expect(asMeant(rowsOf(back, jobId))).toBe(true);
      expect(Object.keys(back.jobs[jobId].circuits)).toEqual(Object.keys(layout.jobs[jobId].circuits));
    }
  });
});

describe('pins as a matrix', () => {
  const record: Matrix = {
    kind: 'matrix',
    feed: { bridge: false, farads: 0 },
    rows: 3,
    columns: 4,
    volts: 5,
    pinAmps: 0.02,
    totalAmps: 0.2,
    transistors: false,
    perMinute: 60,
  };
  test('three rows and four columns are seven pins for twelve lamps', () => {
    const build = matrix.build(record);
    expect(build.outputs).toHaveLength(12);
    expect(pinsOf(build)).toHaveLength(7);
    expect(build.outputs[4]).toMatchObject({ name: 'Row 2, column 1', between: ['row2', 'column1'] });
    // A row whose lamps are all lit stays within what its pin bears.
    expect(4 * build.outputs[0].limitAmps).toBeCloseTo(record.pinAmps, 12);
  });
  test('one row is on at a time, each for its share, and lights its own lamps alone', () => {
    const asked = new Map<OutputId, Show>([
      ['out1', 'steady'],
      ['out6', 'steady'],
      ['out8', 'flash'],
    ]);
    const phases = matrix.drive(record, asked);
    expect(phases.map((p) => p.seconds)).toEqual([0.5, 0.5]);
    for (const { slices } of phases) {
      expect(slices.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12);
      for (const { conducting } of slices)
        expect([...conducting].filter((c) => c.startsWith('row')).length).toBeLessThanOrEqual(1);
    }
    expect([...phases[0].slices[1].conducting].sort()).toEqual([
      'column2',
      'column4',
      'out6',
      'out8',
      'row2',
    ]);
    expect([...phases[1].slices[1].conducting].sort()).toEqual(['column2', 'out6', 'row2']);
    expect([...phases[0].slices[2].conducting]).toEqual([]);
  });
  test('no lamp is lit through others, in any aspect of any practice', () => {
    for (const practice of ['two-aspect', 'three-aspect', 'four-aspect'] as const) {
      const { layout, jobId } = made(practice, 'matrix');
      expect(asMeant(rowsOf(layout, jobId)), practice).toBe(true);
    }
  });
  test('a lamp lit one part in two carries twice as much while it is, and is as bright as on a pin of its own', () => {
    const own = made('four-aspect', 'pins');
    const rows = made('four-aspect', 'matrix');
    const red = ({ layout, jobId }: typeof own) =>
      Math.max(
        ...rowsOf(layout, jobId).flatMap((r) =>
          r.dies.filter((d) => d.lampId === 'red').map((d) => d.litAmps),
        ),
      );
    const [alone, scanned] = [red(own), red(rows)];
    // Resistors are those of E12, a step of a fifth apart.
    expect(scanned / alone).toBeGreaterThan(0.7);
    expect(scanned / alone).toBeLessThan(1.3);
    const most = Math.max(
      ...rowsOf(rows.layout, rows.jobId).flatMap((r) =>
        r.dies.filter((d) => d.lampId === 'red').map((d) => d.amps.greatest),
      ),
    );
    expect(most / scanned).toBeCloseTo(2, 1);
  });
  test('four lamps on it want four pins; where their resistors do not go up the post, two columns come down it together', () => {
    const { layout, jobId } = made('four-aspect', 'matrix');
    const driver = signalIn(layout, jobId).driver!;
    expect(pinsOf(driverKind(driver).build(driver))).toHaveLength(4);
    expect(assemble(layout, jobId).leads.filter((l) => l.through.includes('post'))).toHaveLength(4 + 2);
  });
});
