import { describe, expect, test } from 'vitest';
import { onBoard, onDecoder, vehicleId } from '../../tests/vehicles';
import { functionSheet } from '../build/function-sheet';
import { checkLayout } from '../document/file';
import { change, patched } from '../document/patch';
import { locomotiveIn } from '../kinds/locomotive/jobs';
import { layOnDecoder } from '../kinds/locomotive/lay-circuits';
import { decoderTypes } from '../part/decoder-type';
import { benchOf } from '../study/bench';
import { Solver } from '../study/solver';
import { statesOf, usualState } from '../study/states';
import { truthTable } from '../study/truth-table';
import { functionInput } from '../supply/drivers/decoder';
import { checkJob } from './check';
import { ownFrom } from '../document/decoder-record';
import type { Finding } from './finding';
import type { Layout } from '../document/layout';

const found = (layout: Layout, rule: string): Finding[] =>
  checkJob(layout, vehicleId).filter((f) => f.rule === rule);
const cured = (layout: Layout, finding: Finding): Layout => patched(layout, finding.remedies[0].patches);
const headlights = (layout: Layout, state: Record<string, boolean | string> = {}) => {
  const bench = benchOf(layout, vehicleId);
  return new Solver(bench)
    .at(usualState(bench, { [functionInput(0)]: true, ...state }))
    .dies.filter((d) => d.litAmps > 1e-4 && bench.job.lamps[d.lampId].part !== 'red');
};

describe('a board that is in no list', () => {
  test('the same figures give the same currents, whichever side it switches', () => {
    const amps = (layout: Layout): number[] => headlights(layout).map((d) => d.litAmps);
    const low = amps(onBoard({}));
    expect(low.length).toBeGreaterThan(0);
    const high = amps(onBoard({ switches: 'plus' }));
    high.forEach((a, i) => expect(a / low[i]).toBeCloseTo(1, 2));
  });
  test('its lamps share a minus where it switches plus, and every state lights what it should', () => {
    const bench = benchOf(onBoard({ switches: 'plus' }), vehicleId);
    const commons = bench.assembly.leads.filter((l) =>
      [l.from, l.to].some((t) => t.part === 'decoder' && t.terminal === 'ground'),
    );
    expect(commons.length).toBeGreaterThan(0);
    expect(commons.every((l) => l.role === 'minus')).toBe(true);
    for (const { dies } of truthTable(bench).rows)
      for (const d of dies) expect(d.does !== 'dark').toBe(d.should);
  });
  test('a resistor on the board decides the current of what hangs on it', () => {
    const layout = onBoard({}, { kind: 'resistor', ohms: 1000 }, headOnly);
    const lit = headlights(layout);
    const volts = layout.supplies.dcc as { amplitudeVolts: number };
    // Ohm's law: track less two diodes and the lamp, over resistor and lamps in parallel.
    const amps = (volts.amplitudeVolts - 2 * 0.7 - 3) / 1000;
    expect(lit.reduce((sum, d) => sum + d.litAmps, 0) / amps).toBeCloseTo(1, 1);
    expect(found(layout, 'no-current-limit')).toEqual([]);
    expect(found(onBoard({}, { kind: 'nothing' }, bare), 'no-current-limit').length).toBeGreaterThan(0);
  });
  test('a limiter on the board holds what it says', () => {
    const lit = headlights(onBoard({}, { kind: 'limiter', amps: 0.008 }, headOnly));
    const byOutput = lit.reduce((sum, d) => sum + d.litAmps, 0);
    expect(byOutput).toBeGreaterThan(0.0075);
    expect(byOutput).toBeLessThan(0.0085);
  });
  test('a second limit is noted, and taken out by its cure', () => {
    const layout = change(onBoard({}, { kind: 'resistor', ohms: 680 }), (draft) => {
      for (const c of Object.values(locomotiveIn(draft, vehicleId).circuits)) c.limit = 'each';
    }).layout;
    const twice = found(layout, 'board-limits');
    expect(twice.length).toBeGreaterThan(0);
    const first = twice[0].subject;
    expect(found(cured(layout, twice[0]), 'board-limits').some((f) => f.subject === first)).toBe(false);
    expect(found(cured(layout, twice[0]), 'board-limits')).toHaveLength(twice.length - 1);
  });
  test('it sleeps below its own wake-up volts', () => {
    const layout = onBoard({ wakeVolts: 8 });
    const bench = benchOf(layout, vehicleId, { supplyId: 'dc' });
    const lit = (volts: number): boolean =>
      new Solver(bench)
        .at(usualState(bench, { throttle: volts / 12, [functionInput(0)]: true }))
        .dies.some((d) => d.litAmps > 1e-4);
    expect(lit(7.8)).toBe(false);
    expect(lit(8.2)).toBe(true);
  });
  test('mapped freely it says nothing of CVs; by windows it does', () => {
    const f3forward = (job: { decoder: Layout['jobs'][string]['decoder'] }): void => {
      job.decoder!.outputs.out3 = {
        ...job.decoder!.outputs.out1,
        keys: [{ function: 3, direction: 'forward' }],
      };
    };
    expect(found(onBoard({}, undefined, f3forward), 'not-in-mapping')).toHaveLength(1);
    expect(found(onBoard({ windows: null }, undefined, f3forward), 'not-in-mapping')).toEqual([]);
  });
  test('brightness in 31sts stands so on the sheet', () => {
    const { job } = benchOf(
      onBoard({ brightnessSteps: 31 }, undefined, (j) => void (j.decoder!.outputs.out1.brightness = 20 / 31)),
      vehicleId,
    );
    expect(functionSheet(job, new Map())[0].brightness).toBe('20 of 31');
  });
  test('fewer outputs leave lamps with loose leads, and it is said', () => {
    let left: string[] = [];
    const layout = onBoard({}, undefined, (job) => {
      const own = job.decoder!.own!;
      left = layOnDecoder(job, { type: 'usual', own: { ...own, outputs: own.outputs.slice(0, 1) } }, 'wires');
    });
    expect(left.join(' ')).toMatch(/functions of out2/);
    expect(checkLayout(layout)).toMatchObject({ ok: true });
  });
});

describe('keys that dim and change', () => {
  const dimmed = onDecoder((job) => {
    job.decoder!.dim = { function: 5, share: 0.25, outputs: ['out1', 'out2'] };
  });
  test('a dim key leaves its share of the light', () => {
    const [full] = headlights(dimmed);
    const [low] = headlights(dimmed, { [functionInput(5)]: true });
    expect(low.litAmps / full.litAmps).toBeCloseTo(0.25, 2);
  });
  test('it is among the states, and on the sheet', () => {
    const bench = benchOf(dimmed, vehicleId);
    expect(statesOf(bench).states.some((s) => s[functionInput(5)] === true)).toBe(true);
    expect(functionSheet(bench.job, new Map())[0].functions).toMatch(/dimmed to 25 % by F5/);
  });
  test('a ditch pair is steady, and winks in turn with the horn', () => {
    const layout = onDecoder((job) => {
      const { out1, out2 } = job.decoder!.outputs;
      out1.keys = out2.keys = [{ function: 0, direction: 'both' }];
      out1.withKey = { function: 2, effect: 'alternate-one' };
      out2.withKey = { function: 2, effect: 'alternate-other' };
    });
    const rows = truthTable(benchOf(layout, vehicleId)).rows;
    const phases = (horn: boolean) =>
      new Set(
        rows
          .filter((r) => r.state.F0 === true && (r.state.F2 === true) === horn)
          .map((r) => r.phase?.id ?? ''),
      );
    expect([...phases(false)].filter((p) => p !== '')).toEqual([]);
    expect(phases(true).size).toBe(2);
  });
});

describe('what fits which plug', () => {
  test('a decoder does not come with any plug; the cure takes the one it comes with', () => {
    const layout = onDecoder((job) => void (job.decoder!.plug = '21-pin'));
    const [wrong] = found(layout, 'decoder-plug');
    expect(wrong.sentence).toMatch(/8-pin/);
    expect(found(cured(layout, wrong), 'decoder-plug')).toEqual([]);
  });
});

test.each([
  ['no outputs', { outputs: [] }, /outputs/],
  ['windows of thirteen', { windows: new Array<number>(13).fill(1) }, /windows/],
  ['a plug there is not', { plugs: ['9-pin'] }, /plugs/],
  ['31sts of another sort', { brightnessSteps: 28 }, /brightnessSteps/],
])('a board from a file with %s is refused with its path', (_, wrong, where) => {
  const layout = onDecoder();
  const decoder = { ...layout.jobs[vehicleId].decoder!, own: { ...ownFrom(decoderTypes.usual), ...wrong } };
  const read = checkLayout({
    ...layout,
    jobs: { ...layout.jobs, [vehicleId]: { ...layout.jobs[vehicleId], decoder } },
  });
  if (read.ok) throw new Error('it was taken');
  const { path } = read.complaints[0];
  expect(path).toMatch(/decoder\.own/);
  expect(path).toMatch(where);
});

/** Lamps with nothing in their way. */
function bare(job: { circuits: Layout['jobs'][string]['circuits'] }): void {
  for (const c of Object.values(job.circuits)) c.limit = 'none';
}
/** Red and white share a limit badly: headlights alone. */
function headOnly(job: { lamps: Record<string, { role: string }> }): void {
  for (const [id, l] of Object.entries(job.lamps))
    if (l.role === 'tail') Reflect.deleteProperty(job.lamps, id);
}
