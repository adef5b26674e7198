import { formatQuantity } from '../core/quantity/format';
import { benchOf, type Bench } from '../core/study/bench';
import { lineVolts, reservoirsOf, reservoirVolts } from '../core/study/line-readings';
import { powerCutStudy } from '../core/study/power-cut';
import { Solver } from '../core/study/solver';
import { stateWords } from '../core/study/state-words';
import { usualState } from '../core/study/states';
import { truthTable, type TruthRow } from '../core/study/truth-table';
import { kindOf } from '../core/kinds';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import { print } from './print';
import type { DieReading } from '../core/study/readings';
import type { Layout } from '../core/document/layout';

/** `hazel solve FILE.hazel.json`: what flows and shines in every job, in every state it can be in. */
export function run(words: readonly string[]): number {
  const usage = 'hazel solve FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  // Each job by itself: one that cannot be solved is told, and the others are solved all the same.
  const answers = jobIds(layout, options.get('job'), file).map((job) => {
    const { name } = layout.jobs[job];
    try {
      return { job, name, answer: solved(layout, job), failure: null };
    } catch (error) {
      return { job, name, answer: null, failure: error instanceof Error ? error.message : String(error) };
    }
  });
  if (options.has('json')) {
    const plain = answers.map(({ job, name, answer, failure }) =>
      answer ? { job, name, ...answer.plain } : { job, name, failure },
    );
    print(`${JSON.stringify(plain, null, 2)}\n`);
  } else
    for (const { name, answer, failure } of answers)
      print(answer ? `${[name, ...answer.lines].join('\n')}\n` : `${name}: cannot be solved: ${failure}\n`);
  return answers.some((a) => a.failure !== null) ? 1 : 0;
}

function solved(layout: Layout, jobId: string): { plain: Record<string, unknown>; lines: string[] } {
  const bench = benchOf(layout, jobId);
  const solver = new Solver(bench);
  const now = solver.at(usualState(bench));
  const { rows, grouped, unsolved } = truthTable(bench, solver);
  const cut = powerCutStudy(bench, now);
  const look = kindOf(bench.job.kind).words(layout, jobId);
  const volts = lineVolts(bench, now);
  const stored = reservoirVolts(bench, now);
  return {
    plain: {
      supplyAmps: now.supplyAmps,
      supplyRmsAmps: now.supplyRmsAmps,
      lineVolts: volts,
      reservoirVolts: stored,
      parts: Object.fromEntries(now.parts),
      look,
      fadeSeconds: cut.moments,
      grouped,
      unsolved,
      lamps: now.dies.map(plainDie),
      states: rows.map(({ state, phase, readings, dies }) => ({
        state,
        phase: phase.id,
        supplyAmps: readings.supplyAmps,
        outputAmps: Object.fromEntries(readings.outputAmps),
        lamps: dies.map(plainDie),
      })),
    },
    lines: [
      `  drawn from the supply ${formatQuantity(now.supplyAmps.mean, 'amp')}; it looks: ${look}`,
      ...(volts ? [`  lamps hang on         ${formatQuantity(volts.mean, 'volt')}`] : []),
      ...(reservoirsOf(bench).length > 0
        ? [
            `  dark after a cut in   ${cut.moments[2] === null ? 'more than 120 s' : formatQuantity(cut.moments[2], 'second')}`,
          ]
        : []),
      ...rows.map((row) => `  ${rowWords(bench, row)}`),
      ...unsolved.map((u) => `  ${stateWords(bench, u.state)}: ${u.reason}`),
    ],
  };
}

/** A colour of a lamp without the law it was solved by. */
const plainDie = <D extends DieReading>({ led, ...die }: D) => ({ ...die, type: led?.id ?? null });

/** One state in a line: what is drawn, and every colour of every lamp that shines with its current and brightness. */
function rowWords(bench: Bench, { state, phase, readings, dies }: TruthRow): string {
  const labels = new Map(bench.assembly.parts.map((p) => [p.id, p.label]));
  const shining = dies
    .filter((d) => d.does !== 'dark')
    .map(
      (d) =>
        `${labels.get(d.part)}${d.second ? ', its other colour' : ''} ${formatQuantity(d.litAmps, 'amp')} (${d.lightness.toFixed(0)})`,
    );
  const drawn = formatQuantity(readings.supplyAmps.mean, 'amp');
  return `${stateWords(bench, state, { phase })}: ${drawn}; ${shining.join(', ') || 'dark'}`;
}
