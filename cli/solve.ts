import { formatQuantity } from '../core/quantity/format';
import { benchOf } from '../core/study/bench';
import { powerCutStudy } from '../core/study/power-cut';
import { steadyStudy } from '../core/study/steady';
import { coachLight } from '../core/study/coach-light';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';

/** `hazel solve FILE.hazel.json`: what flows and shines in every job. */
export function run(words: readonly string[]): number {
  const usage = 'hazel solve FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  const answers = jobIds(layout, options.get('job'), file).map((jobId) => {
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
    process.stdout.write(`${JSON.stringify(plain, null, 2)}\n`);
    return 0;
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
    process.stdout.write(`${lines.join('\n')}\n`);
  }
  return 0;
}
