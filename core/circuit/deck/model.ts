import { plainTransistor, type TransistorModel } from '../../part/transistor-model';
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

/** Sets one parameter of a transistor's model, or says that there is no such one. */
const ofTransistor: Readonly<Record<string, keyof TransistorModel>> = {
  is: 'saturationAmps',
  bf: 'forwardGain',
  br: 'reverseGain',
  nf: 'forwardEmission',
  nr: 'reverseEmission',
  vaf: 'earlyVolts',
  va: 'earlyVolts',
  rb: 'baseOhms',
  rc: 'collectorOhms',
  re: 'emitterOhms',
};
/** Parameters of a transistor that change nothing at 27 C and without charge storage. */
const idleInTransistor: Readonly<Record<string, (f: number) => boolean>> = {
  level: idle.level,
  tnom: idle.tnom,
  eg: () => true,
  xti: () => true,
  xtb: () => true,
  cje: (f) => f === 0,
  cjc: (f) => f === 0,
  tf: (f) => f === 0,
  tr: (f) => f === 0,
};

/** What a `.model` card describes. */
export type DeckModel =
  | { readonly kind: 'diode'; readonly model: JunctionModel }
  | { readonly kind: 'npn' | 'pnp'; readonly model: TransistorModel };

/** The parameters of a model card, each with its figure. */
function parametersOf(
  parameters: readonly string[],
  line: number,
  what: string,
): (readonly [string, number, string])[] {
  return parameters.map((p) => {
    const [key, text] = p.split('=');
    const figure = text === undefined ? null : spiceNumber(text);
    if (figure === null) throw new DeckError(line, `'${p}' is not understood in a ${what} model`);
    return [key, figure, p];
  });
}

const notKnown = (line: number, p: string, what: string): DeckError =>
  new DeckError(line, `'${p}': this parameter of a ${what} model is not known`);

/**
 * A `.model` card: NAME D(IS N RS BV IBV), or NAME NPN or PNP(IS BF BR NF NR VAF RB RC RE).
 * @throws DeckError for another type or a parameter it does not know
 */
export function modelOf(words: readonly string[], line: number): { name: string; model: DeckModel } {
  if (words.length < 3) throw new DeckError(line, '.model needs a name and a type');
  const [, name, type, ...parameters] = words;
  if (type === 'npn' || type === 'pnp') {
    const model: { -readonly [K in keyof TransistorModel]: TransistorModel[K] } = { ...plainTransistor };
    for (const [key, figure, p] of parametersOf(parameters, line, 'transistor')) {
      if (Object.hasOwn(ofTransistor, key)) {
        // No Early voltage, and one of nothing, both mean that there is none.
        model[ofTransistor[key]] = ofTransistor[key] === 'earlyVolts' && figure === 0 ? Infinity : figure;
      } else if (!Object.hasOwn(idleInTransistor, key) || !idleInTransistor[key](figure))
        throw notKnown(line, p, 'transistor');
    }
    return { name, model: { kind: type, model } };
  }
  if (type !== 'd') throw new DeckError(line, `the model type ${type} is not known: only D, NPN and PNP are`);
  const model = { saturationAmps: 1e-14, emission: 1, seriesOhms: 0 } as {
    -readonly [K in keyof JunctionModel]: JunctionModel[K];
  };
  for (const [key, figure, p] of parametersOf(parameters, line, 'diode')) {
    if (key === 'is' || key === 'js') model.saturationAmps = figure;
    else if (key === 'n') model.emission = figure;
    else if (key === 'rs') model.seriesOhms = figure;
    else if (key === 'bv') model.breakdownVolts = figure;
    else if (key === 'ibv') model.breakdownAmps = figure;
    else if (!Object.hasOwn(idle, key) || !idle[key](figure)) throw notKnown(line, p, 'diode');
  }
  return { name, model: { kind: 'diode', model } };
}
