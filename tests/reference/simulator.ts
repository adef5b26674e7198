import { Simulation } from 'eecircuit-engine';

/** What the reference simulator answered: vectors by lower-case name, and its own axis. */
export interface ReferenceAnswer {
  readonly axis: readonly number[];
  readonly vectors: ReadonlyMap<string, readonly number[]>;
}

let started: Promise<Simulation> | null = null;

async function start(): Promise<Simulation> {
  const simulation = new Simulation();
  await simulation.start();
  return simulation;
}

/**
 * Runs a deck in the reference simulator.
 * After a failed run it hands back the previous run's vectors without saying so; therefore each
 * deck gets a title of its own and both the title and the error log are looked at.
 * @throws Error when it was aborted
 */
export async function runReference(deck: string): Promise<ReferenceAnswer> {
  started ??= start();
  const simulation = await started;
  const lines = deck.split('\n');
  const title = `run ${Math.abs(hash(deck)).toString(36)}`;
  simulation.setNetList([title, ...lines.slice(1)].join('\n'));
  const result = await simulation.runSim();
  const errors = simulation.getError().join('\n');
  if (/abort|singular|fatal|error/i.test(errors))
    throw new Error(`the reference gave up: ${errors.slice(0, 400)}`);
  if (!result.header.toLowerCase().includes(title))
    throw new Error(`the reference answered another deck: ${result.header}`);
  const vectors = new Map<string, readonly number[]>();
  result.variableNames.forEach((name, i) => {
    const values = result.data[i].values as readonly (number | { real: number })[];
    vectors.set(
      name.toLowerCase(),
      values.map((v) => (typeof v === 'number' ? v : v.real)),
    );
  });
  return { axis: vectors.get(result.variableNames[0].toLowerCase())!, vectors };
}

function hash(text: string): number {
  let h = 7;
  for (let i = 0; i < text.length; i++) h = (h * 31 + text.charCodeAt(i)) | 0;
  return h;
}

/** A vector as a `.print` names it, from the reference's node voltages and branch currents. */
export function referenceVector(answer: ReferenceAnswer, label: string): number[] {
  const asked = /^([vi])\(([^,)]+)(?:,([^)]+))?\)$/.exec(label)!;
  const one = (node: string): readonly number[] => {
    if (node === '0') return answer.axis.map(() => 0);
    const name = asked[1] === 'v' ? `v(${node})` : `i(${node})`;
    const found = answer.vectors.get(name);
    if (!found) throw new Error(`the reference has no ${name}: ${[...answer.vectors.keys()].join(' ')}`);
    return found;
  };
  const plus = one(asked[2]);
  const minus = asked[3] === undefined ? null : one(asked[3]);
  return plus.map((v, i) => v - (minus ? minus[i] : 0));
}

/** Mean, mean without sign and root mean square of straight lines through (axis, values), between two moments. */
export function averages(
  axis: readonly number[],
  values: readonly number[],
  from: number,
  to: number,
): { mean: number; magnitude: number; rms: number } {
  let sum = 0;
  let magnitude = 0;
  let squares = 0;
  for (let i = 1; i < axis.length; i++) {
    const t0 = Math.max(from, axis[i - 1]);
    const t1 = Math.min(to, axis[i]);
    if (t1 <= t0) continue;
    const at = (t: number): number =>
      values[i - 1] + ((values[i] - values[i - 1]) * (t - axis[i - 1])) / (axis[i] - axis[i - 1]);
    const [a, b] = [at(t0), at(t1)];
    sum += ((a + b) / 2) * (t1 - t0);
    magnitude += ((a * b < 0 ? (a * a + b * b) / Math.abs(a - b) : Math.abs(a + b)) / 2) * (t1 - t0);
    squares += ((a * a + a * b + b * b) / 3) * (t1 - t0);
  }
  return {
    mean: sum / (to - from),
    magnitude: magnitude / (to - from),
    rms: Math.sqrt(squares / (to - from)),
  };
}

/** Values at other moments, on straight lines through (axis, values). */
export function sampledAt(
  moments: readonly number[],
  axis: readonly number[],
  values: readonly number[],
): number[] {
  let i = 1;
  return moments.map((t) => {
    while (i < axis.length - 1 && axis[i] < t) i++;
    const share = Math.min(1, Math.max(0, (t - axis[i - 1]) / (axis[i] - axis[i - 1])));
    return values[i - 1] + (values[i] - values[i - 1]) * share;
  });
}
