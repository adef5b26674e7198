import type { Wave } from '../waveform';
import { DeckError } from './error';
import { spiceNumber } from './number';

/** What the .tran card gives the defaults of a pulse. */
export interface RunTimes {
  readonly step: number;
  readonly stop: number;
}

/** A source's value at rest (where one is stated apart) and over time. */
export interface SourceValue {
  readonly dc: number | null;
  readonly wave: Wave;
  /** Small-signal terms that say nothing of it at rest or over time. */
  readonly passedOver: readonly string[];
}

function figures(words: readonly string[], line: number): number[] {
  return words.map((w) => {
    const f = spiceNumber(w);
    if (f === null) throw new DeckError(line, `'${w}' is not a number`);
    return f;
  });
}

function pulse(f: readonly number[], line: number, run: RunTimes): Wave {
  if (f.length < 2 || f.length > 7) throw new DeckError(line, 'PULSE takes 2 to 7 figures');
  const [low, high, delay = 0, rise = 0, fall = 0, width = run.stop, period = 0] = f;
  if (rise < 0 || fall < 0 || width < 0 || period < 0) throw new DeckError(line, 'PULSE has a negative time');
  const wave = {
    kind: 'pulse' as const,
    low,
    high,
    delay,
    rise: rise > 0 ? rise : run.step,
    fall: fall > 0 ? fall : run.step,
    width,
    // One period and no more is seen of what comes again after the run.
    period: period > 0 && delay + period < run.stop ? period : Infinity,
  };
  if (Number.isFinite(wave.period) && wave.rise + wave.width + wave.fall > wave.period * (1 + 1e-9)) {
    throw new DeckError(line, 'PULSE has a period shorter than its rise, width and fall together');
  }
  return wave;
}

function pwl(words: readonly string[], line: number): Wave {
  let repeatFrom: number | undefined;
  let delay = 0;
  const plain: string[] = [];
  for (const w of words) {
    const option = /^(r|td)=(.*)$/.exec(w);
    if (!option) {
      plain.push(w);
      continue;
    }
    const f = spiceNumber(option[2]);
    if (f === null) throw new DeckError(line, `'${w}' is not a number`);
    if (option[1] === 'td') delay = f;
    else if (f >= 0) repeatFrom = f;
  }
  const f = figures(plain, line);
  if (f.length < 2 || f.length % 2 === 1) throw new DeckError(line, 'PWL takes pairs of time and value');
  const points: [number, number][] = [];
  for (let i = 0; i < f.length; i += 2) {
    if (i > 0 && f[i] <= f[i - 2]) throw new DeckError(line, 'PWL has times that do not ascend');
    points.push([f[i] + delay, f[i + 1]]);
  }
  if (repeatFrom === undefined) return { kind: 'pwl', points };
  repeatFrom += delay;
  if (repeatFrom >= points[points.length - 1][0]) throw new DeckError(line, 'PWL repeats from its own end');
  return { kind: 'pwl', points, repeatFrom };
}

function sine(f: readonly number[], line: number, run: RunTimes): Wave {
  if (f.length < 2 || f.length > 6) throw new DeckError(line, 'SIN takes 2 to 6 figures');
  const [offset, amplitude, hertz = 1 / run.stop, delay = 0, damping = 0, phaseDegrees = 0] = f;
  if (hertz <= 0) throw new DeckError(line, 'SIN has a frequency that is not above zero');
  return { kind: 'sine', offset, amplitude, hertz, delay, damping, phaseDegrees };
}

/** Small-signal terms, which none of our analyses asks for, and how many figures may stand behind each. */
const smallSignal: Readonly<Record<string, number>> = { ac: 2, distof1: 2, distof2: 2, portnum: 1, z0: 1 };
const waves: readonly string[] = ['pulse', 'sin', 'pwl'];
const isKeyword = (word: string): boolean => {
  const name = word.split('=')[0];
  return name === 'dc' || waves.includes(name) || Object.hasOwn(smallSignal, name);
};

/**
 * Reads what stands after the nodes of a V or I card: `[DC] x`, PULSE, SIN or PWL, in any order, small-signal terms passed over.
 * @throws DeckError naming the word it does not understand
 */
export function sourceValue(words: readonly string[], line: number, run: RunTimes): SourceValue {
  let dc: number | null = null;
  let wave: Wave | null = null;
  const passedOver: string[] = [];
  for (let i = 0; i < words.length; i++) {
    const w = words[i];
    const [name, given] = w.split('=');
    const next = words.at(i + 1);
    if (name === 'dc' && given !== undefined) dc = figures([given], line)[0];
    else if (w === 'dc') {
      if (next === undefined) throw new DeckError(line, 'DC has no value');
      if (!isKeyword(next)) dc = figures([words[++i]], line)[0];
    } else if (Object.hasOwn(smallSignal, name)) {
      passedOver.push(name.toUpperCase());
      if (given !== undefined) figures([given], line);
      for (let taken = given === undefined ? 0 : 1; taken < smallSignal[name]; taken++) {
        const figure = words.at(i + 1);
        if (figure === undefined || spiceNumber(figure) === null) break;
        i++;
      }
    } else if (waves.includes(w)) {
      if (wave !== null) throw new DeckError(line, 'a source has two waveforms');
      const rest = words.slice(i + 1);
      const end = rest.findIndex(isKeyword);
      const own = end < 0 ? rest : rest.slice(0, end);
      wave = w === 'pwl' ? pwl(own, line) : (w === 'pulse' ? pulse : sine)(figures(own, line), line, run);
      i += own.length;
    } else {
      const f = spiceNumber(w);
      if (f === null || dc !== null) throw new DeckError(line, `'${w}' is not understood in a source`);
      dc = f;
    }
  }
  return { dc, wave: wave ?? { kind: 'dc', level: dc ?? 0 }, passedOver };
}
