import { formatQuantity } from '../core/quantity/format';
import { benchOf } from '../core/study/bench';
import { powerCutStudy } from '../core/study/power-cut';
import { steadyStudy } from '../core/study/steady';
import { coachLight } from '../core/study/coach-light';
import { lampName } from '../core/document/lamp-name';
import { truthTable } from '../core/study/locomotive/states';
import { vehicleOf } from '../core/study/locomotive/vehicle';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import { print } from './print';
import type { Layout } from '../core/document/layout';

/** `hazel solve FILE.hazel.json`: what flows and shines in every job. */
export function run(words: readonly string[]): number {
  const usage = 'hazel solve FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  const asked = jobIds(layout, options.get('job'), file);
  const failures: { readonly job: string; readonly name: string; readonly failure: string }[] = [];
  /** Each job by itself: one that cannot be solved is told, and the others are solved all the same. */
  const each = <T>(kind: 'coach' | 'locomotive', solve: (id: string) => T): T[] =>
    asked
      .filter((id) => layout.jobs[id].kind === kind)
      .flatMap((job) => {
        try {
          return [solve(job)];
        } catch (error) {
          const failure = error instanceof Error ? error.message : String(error);
          failures.push({ job, name: layout.jobs[job].name, failure });
          return [];
        }
      });
  const vehicles = each('locomotive', (id) => solveVehicle(layout, id));
  const answers = each('coach', (jobId) => {
    const bench = benchOf(layout, jobId);
    const steady = steadyStudy(bench);
    const light = coachLight(bench.job, steady);
    return { jobId, name: bench.job.name, bench, steady, light, cut: powerCutStudy(bench, steady) };
  });
  if (options.has('json')) {
    const plain = answers.map(({ jobId, name, steady, light, cut }) => ({
      job: jobId,
      name,
      supplyAmps: steady.supplyAmps,
      supplyRmsAmps: steady.supplyRmsAmps,
      roofVolts: steady.roofVolts,
      reservoirVolts: steady.reservoirVolts,
      lamps: steady.lamps,
      resistors: Object.fromEntries(steady.resistors),
      holders: Object.fromEntries(steady.holders),
      windows: light.near,
      farWindows: light.far,
      rooms: light.rooms,
      meanLux: light.meanLux,
      leastLux: light.leastLux,
      fadeSeconds: cut.moments,
    }));
    print(`${JSON.stringify([...plain, ...vehicles.map((v) => v.plain), ...failures], null, 2)}\n`);
    return failures.length > 0 ? 1 : 0;
  }
  for (const { name, steady, light, cut } of answers) {
    const lines = [
      name,
      `  drawn from the supply ${formatQuantity(steady.supplyAmps.mean, 'amp')}`,
      ...(steady.roofVolts
        ? [`  roof line             ${formatQuantity(steady.roofVolts.mean, 'volt')}`]
        : []),
      ...steady.lamps.map(
        (l) =>
          `  lamp ${String(l.number).padEnd(16)} ${formatQuantity(l.amps.mean, 'amp')} at ${formatQuantity(l.volts.mean, 'volt')}`,
      ),
      `  light at the seats    ${formatQuantity(light.meanLux, 'lux')}, ${formatQuantity(light.leastLux, 'lux')} at least`,
      `  dark after a cut in   ${cut.moments[2] === null ? 'more than 120 s' : formatQuantity(cut.moments[2], 'second')}`,
    ];
    print(`${lines.join('\n')}\n`);
  }
  for (const { lines } of vehicles) print(`${lines.join('\n')}\n`);
  for (const { name, failure } of failures) print(`${name}: cannot be solved: ${failure}\n`);
  return failures.length > 0 ? 1 : 0;
}

/** Every state of a locomotive: what shines in it, and how brightly to the eye. */
function solveVehicle(layout: Layout, jobId: string): { plain: unknown; lines: string[] } {
  const vehicle = vehicleOf(layout, jobId);
  const { name } = vehicle.job;
  const { rows, grouped } = truthTable(vehicle);
  return {
    plain: {
      job: jobId,
      name,
      grouped,
      states: rows.map(({ state, lit }) => ({
        ...state,
        supplyAmps: lit.supplyAmps,
        outputAmps: Object.fromEntries(lit.outputAmps),
        resistorWatts: Object.fromEntries(lit.resistorWatts),
        lamps: lit.lamps.map(({ part, amps, peakAmps, reverseVolts, lumens, lightness, xy }) => ({
          part,
          amps,
          peakAmps,
          reverseVolts,
          lumens,
          lightness,
          xy,
        })),
      })),
    },
    lines: [
      name,
      ...rows.map(({ state, lamps, lit }) => {
        const pressed = vehicle.job.decoder
          ? ` ${state.functions.map((f) => `F${f}`).join(' ') || 'no function'}`
          : '';
        const shining = lamps
          .filter((l) => l.does !== 'dark')
          .map((l) => `${lampName(vehicle.job, l.lampId)} ${l.lightness.toFixed(0)}`);
        return `  ${state.direction}${pressed}: ${formatQuantity(lit.supplyAmps, 'amp')}; ${shining.join(', ') || 'dark'}`;
      }),
    ],
  };
}
