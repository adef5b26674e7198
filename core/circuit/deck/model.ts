import { plainCharge, stores, type JunctionCharge } from '../../part/junction-charge';
import { plainTransistor, type TransistorModel } from '../../part/transistor-model';
import type { JunctionModel } from '../../part/junction-model';
import { DeckError } from './error';
import { spiceNumber } from './number';

type Open<T> = { -readonly [K in keyof T]: T[K] };
type Check = (figure: number) => boolean;
const any: Check = () => true;

/** Parameters that change nothing at 27 C, of every model, and the values they may have. */
const idle: Readonly<Record<string, Check>> = {
  level: (f) => f === 1,
  tnom: (f) => f === 27,
  eg: any,
  xti: any,
  // Noise.
  kf: any,
  af: any,
  ef: any,
};

/** Parameters of a diode's model that change nothing here. */
const idleInDiode: Readonly<Record<string, Check>> = {
  ...idle,
  // Heat of its own and limits to be told of: not part of the circuit's answer.
  ...Object.fromEntries(
    ['rth0', 'cth0', 'bv_max', 'fv_max', 'id_max', 'pd_max', 'te_max'].map((name) => [name, any]),
  ),
};
/** Parameters of a transistor's model that change nothing here. */
const idleInTransistor: Readonly<Record<string, Check>> = {
  ...idle,
  xtb: any,
  ...Object.fromEntries(
    ['rth0', 'cth0', 'vce_max', 'vbe_max', 'vbc_max', 'ic_max', 'ib_max'].map((n) => [n, any]),
  ),
  ...Object.fromEntries(['pd_max', 'te_max'].map((n) => [n, any])),
  vjs: any,
  mjs: (f) => f === 0,
};
/** Second-order parameters of a transistor that are passed over, and that it is said of. */
const passedOver: readonly string[] = [
  ...['xtf', 'vtf', 'itf', 'ptf', 'xcjc', 'rbm', 'irb', 'mjs', 'vtr', 'xtr', 'itr'],
];

const ofDiode: Readonly<Record<string, keyof JunctionModel>> = {
  is: 'saturationAmps',
  js: 'saturationAmps',
  n: 'emission',
  rs: 'seriesOhms',
  bv: 'breakdownVolts',
  ibv: 'breakdownAmps',
};
const chargeOfDiode: Readonly<Record<string, keyof JunctionCharge>> = {
  cjo: 'zeroBiasFarads',
  cj0: 'zeroBiasFarads',
  cj: 'zeroBiasFarads',
  vj: 'builtInVolts',
  pb: 'builtInVolts',
  m: 'grading',
  mj: 'grading',
  fc: 'forwardShare',
  tt: 'transitSeconds',
};
const ofTransistor = {
  is: 'saturationAmps',
  bf: 'forwardGain',
  br: 'reverseGain',
  nf: 'forwardEmission',
  nr: 'reverseEmission',
  vaf: 'earlyVolts',
  va: 'earlyVolts',
  var: 'reverseEarlyVolts',
  vb: 'reverseEarlyVolts',
  ikf: 'forwardKneeAmps',
  ik: 'forwardKneeAmps',
  ikr: 'reverseKneeAmps',
  ise: 'emitterLeakAmps',
  ne: 'emitterLeakEmission',
  isc: 'collectorLeakAmps',
  nc: 'collectorLeakEmission',
  rb: 'baseOhms',
  rc: 'collectorOhms',
  re: 'emitterOhms',
  ccs: 'substrateFarads',
  cjs: 'substrateFarads',
} as const;
/** Parameters of a transistor where nothing means that there is no such effect. */
const noneAtZero: readonly string[] = ['vaf', 'va', 'var', 'vb', 'ikf', 'ik', 'ikr'];
const emitterCharge: Readonly<Record<string, keyof JunctionCharge>> = {
  cje: 'zeroBiasFarads',
  vje: 'builtInVolts',
  pe: 'builtInVolts',
  mje: 'grading',
  me: 'grading',
  tf: 'transitSeconds',
};
const collectorCharge: Readonly<Record<string, keyof JunctionCharge>> = {
  cjc: 'zeroBiasFarads',
  vjc: 'builtInVolts',
  pc: 'builtInVolts',
  mjc: 'grading',
  mc: 'grading',
  tr: 'transitSeconds',
};
/** SPICE's usual potential and grading of a transistor's junctions (SPICE3 user's manual, from memory). */
const transistorCharge: JunctionCharge = { ...plainCharge, builtInVolts: 0.75, grading: 0.33 };

/** What a `.model` card describes. */
export type DeckModel =
  | { readonly kind: 'diode'; readonly model: JunctionModel }
  | { readonly kind: 'npn' | 'pnp'; readonly model: TransistorModel };

/** A model card understood: what it describes, and which of its parameters were passed over. */
export interface ModelCard {
  readonly name: string;
  readonly model: DeckModel;
  readonly passedOver: readonly string[];
}

/** The parameters of a model card, each with its figure: `name=figure`, or `name figure` as old decks have it. */
function parametersOf(
  parameters: readonly string[],
  line: number,
  what: string,
): (readonly [string, number, string])[] {
  const found: (readonly [string, number, string])[] = [];
  for (let i = 0; i < parameters.length; i++) {
    const p = parameters[i];
    const [key, text] = p.includes('=') ? p.split('=') : [p, parameters[++i]];
    const figure = text === undefined ? null : spiceNumber(text);
    if (figure === null) throw new DeckError(line, `'${p}' is not understood in a ${what} model`);
    found.push([key, figure, p]);
  }
  return found;
}

const notKnown = (line: number, p: string, what: string): DeckError =>
  new DeckError(line, `'${p}': this parameter of a ${what} model is not known`);

const own = <K extends string>(table: Readonly<Partial<Record<string, K>>>, key: string): K | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;

/**
 * A `.model` card: NAME D(IS N RS BV IBV CJO VJ M FC TT), or NAME NPN or PNP with Gummel and Poon's parameters.
 * @throws DeckError for another type or a parameter it does not know
 */
export function modelOf(words: readonly string[], line: number): ModelCard {
  if (words.length < 3) throw new DeckError(line, '.model needs a name and a type');
  const [, name, type, ...parameters] = words;
  if (type === 'npn' || type === 'pnp') {
    const { model, skipped } = transistorOf(parameters, line);
    return { name, model: { kind: type, model }, passedOver: skipped };
  }
  if (type !== 'd') throw new DeckError(line, `the model type ${type} is not known: only D, NPN and PNP are`);
  const model: Open<JunctionModel> = { saturationAmps: 1e-14, emission: 1, seriesOhms: 0 };
  const charge: Open<JunctionCharge> = { ...plainCharge };
  for (const [key, figure, p] of parametersOf(parameters, line, 'diode')) {
    const stored = own(chargeOfDiode, key);
    const still = own(ofDiode, key);
    if (stored !== undefined) charge[stored] = figure;
    else if (still !== undefined && still !== 'charge') model[still] = figure;
    else if (!Object.hasOwn(idleInDiode, key) || !idleInDiode[key](figure)) throw notKnown(line, p, 'diode');
  }
  if (stores(charge)) model.charge = checked(charge, line);
  return { name, model: { kind: 'diode', model }, passedOver: [] };
}

function transistorOf(
  parameters: readonly string[],
  line: number,
): { model: TransistorModel; skipped: string[] } {
  const model: Open<TransistorModel> = { ...plainTransistor };
  const emitter: Open<JunctionCharge> = { ...transistorCharge };
  const collector: Open<JunctionCharge> = { ...transistorCharge };
  const skipped: string[] = [];
  for (const [key, figure, p] of parametersOf(parameters, line, 'transistor')) {
    const still = own(ofTransistor, key);
    const ofEmitter = own(emitterCharge, key);
    const ofCollector = own(collectorCharge, key);
    if (still !== undefined) model[still] = noneAtZero.includes(key) && figure === 0 ? Infinity : figure;
    else if (ofEmitter !== undefined) emitter[ofEmitter] = figure;
    else if (ofCollector !== undefined) collector[ofCollector] = figure;
    else if (key === 'fc') emitter.forwardShare = collector.forwardShare = figure;
    else if (Object.hasOwn(idleInTransistor, key) && idleInTransistor[key](figure)) continue;
    else if (passedOver.includes(key)) skipped.push(key.toUpperCase());
    else throw notKnown(line, p, 'transistor');
  }
  checkGains(model, line);
  if (stores(emitter)) model.emitterCharge = checked(emitter, line);
  if (stores(collector)) model.collectorCharge = checked(collector, line);
  return { model, skipped };
}

/** @throws DeckError for what no junction can store */
function checked(charge: JunctionCharge, line: number): JunctionCharge {
  const { zeroBiasFarads, builtInVolts, grading, forwardShare, transitSeconds } = charge;
  if (!(zeroBiasFarads >= 0) || !(transitSeconds >= 0))
    throw new DeckError(line, 'a junction capacitance or transit time that is negative');
  if (!(builtInVolts > 0)) throw new DeckError(line, `a junction potential of ${builtInVolts} V`);
  if (![grading, forwardShare].every((f) => f >= 0 && f < 1))
    throw new DeckError(
      line,
      `a grading of ${grading} or a forward share of ${forwardShare}: both lie from 0 to below 1`,
    );
  return charge;
}

/** @throws DeckError for what no transistor can have beyond what the solver itself refuses */
function checkGains(model: TransistorModel, line: number): void {
  const { reverseEarlyVolts = 1, forwardKneeAmps = 1, reverseKneeAmps = 1 } = model;
  if (![reverseEarlyVolts, forwardKneeAmps, reverseKneeAmps].every((f) => f > 0))
    throw new DeckError(line, 'a reverse Early voltage or a knee current that is not above zero');
  const { emitterLeakAmps = 0, collectorLeakAmps = 0, substrateFarads = 0 } = model;
  if (![emitterLeakAmps, collectorLeakAmps, substrateFarads].every((f) => f >= 0))
    throw new DeckError(line, 'a leak or a capacitance that is negative');
  const { emitterLeakEmission = 1, collectorLeakEmission = 1 } = model;
  if (![emitterLeakEmission, collectorLeakEmission].every((f) => f > 0))
    throw new DeckError(line, 'an emission coefficient that is not above zero');
}
