import type { JunctionModel } from '../../part/junction-model';
import { DeckError } from './error';
import { spiceNumber } from './number';

/** Parameters that change nothing at 27 C and without charge storage, and the values they may have. */
const idle: Readonly<Record<string, (f: number) => boolean>> = {
  level: (f) => f === 1,
  cjo: (f) => f === 0,
  cj0: (f) => f === 0,
  tt: (f) => f === 0,
  tnom: (f) => f === 27,
  eg: () => true,
  xti: () => true,
  vj: () => true,
  m: () => true,
  fc: () => true,
};

/**
 * A `.model NAME D(...)` card: IS, N, RS, BV, IBV.
 * @throws DeckError for another type or a parameter it does not know
 */
export function modelOf(words: readonly string[], line: number): { name: string; model: JunctionModel } {
  if (words.length < 3) throw new DeckError(line, '.model needs a name and a type');
  const [, name, type, ...parameters] = words;
  if (type !== 'd') throw new DeckError(line, `the model type ${type} is not known: only D is`);
  const model = { saturationAmps: 1e-14, emission: 1, seriesOhms: 0 } as {
    -readonly [K in keyof JunctionModel]: JunctionModel[K];
  };
  for (const p of parameters) {
    const [key, text] = p.split('=');
    const figure = text === undefined ? null : spiceNumber(text);
    if (figure === null) throw new DeckError(line, `'${p}' is not understood in a diode model`);
    if (key === 'is' || key === 'js') model.saturationAmps = figure;
    else if (key === 'n') model.emission = figure;
    else if (key === 'rs') model.seriesOhms = figure;
    else if (key === 'bv') model.breakdownVolts = figure;
    else if (key === 'ibv') model.breakdownAmps = figure;
    else if (!Object.hasOwn(idle, key) || !idle[key](figure)) {
      throw new DeckError(line, `'${p}': this parameter of a diode model is not known`);
    }
  }
  return { name, model };
}
