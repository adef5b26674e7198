import { GROUND, nodesOf, type Element, type Netlist } from '../netlist';
import { signalOf } from '../waveform';
import { timesDiode, timesTransistor } from '../../part/area';
import { DeckError } from './error';
import { expand, type DeckNote, type Expanded } from './expand';
import { cardsOf, wordsOf, type Card } from './lines';
import { spiceNumber } from './number';
import { sourceValue, type RunTimes } from './source';
import type { SweepRange } from '../sweep';

/** What a `.print` asks for. */
export type Vector =
  | {
      readonly kind: 'voltage';
      readonly plus: string;
      readonly minus: string;
      readonly label: string;
      readonly line: number;
    }
  | { readonly kind: 'current'; readonly element: string; readonly label: string; readonly line: number };

export type Analysis =
  | { readonly kind: 'op'; readonly line: number }
  | { readonly kind: 'dc'; readonly line: number; readonly ranges: readonly SweepRange[] }
  | {
      readonly kind: 'tran';
      readonly line: number;
      readonly step: number;
      readonly stop: number;
      readonly start: number;
      /** Null where none is given. */
      readonly longestStep: number | null;
      readonly fromGiven: boolean;
    };

/** A SPICE deck, understood. */
export interface Deck {
  readonly netlist: Netlist;
  readonly analysis: Analysis;
  readonly vectors: readonly Vector[];
  /** Node voltages given by `.ic`. */
  readonly nodeVolts: ReadonlyMap<string, number>;
  /** The line each element stands on. */
  readonly lineOf: ReadonlyMap<string, number>;
  /** What was passed over because no answer hangs on it, or little. */
  readonly notes: readonly DeckNote[];
}

const figure = (text: string | undefined, line: number, what: string): number => {
  const f = text === undefined ? null : spiceNumber(text);
  if (f === null)
    throw new DeckError(
      line,
      text === undefined ? `${what} is missing` : `'${text}' is not a number for ${what}`,
    );
  return f;
};

const nodeName = (name: string): string => (name === 'gnd' ? GROUND : name);

/**
 * Reads a SPICE deck: R C L V I D Q X, .model D, NPN and PNP, nested .subckt, .op .dc .tran, .ic and IC=, .print.
 * @throws DeckError for a card it does not know, with the line
 */
export function readDeck(source: string): Deck {
  const { cards, orphan } = cardsOf(source);
  if (orphan !== null) throw new DeckError(orphan, 'a continuation line with nothing to continue');
  if (cards.length === 0) throw new DeckError(1, 'the deck is empty');
  const expanded = expand(cards);
  const analysis = analysisOf(expanded.controls);
  const times: RunTimes =
    analysis.kind === 'tran' ? { step: analysis.step, stop: analysis.stop } : { step: 1e-9, stop: 1 };
  const elements: Element[] = [];
  const notes = [...expanded.notes];
  const lineOf = new Map<string, number>();
  for (const item of expanded.items) {
    const e =
      item.own ??
      elementOf(item, times, analysis.kind === 'tran', (text) => notes.push({ line: item.line, text }));
    if (lineOf.has(e.id)) throw new DeckError(item.line, `a second element called ${e.id}`);
    lineOf.set(e.id, item.line);
    elements.push(e);
  }
  const last = cards[cards.length - 1].line;
  if (elements.length === 0) throw new DeckError(last, 'the deck has no elements');
  const deck: Deck = {
    netlist: { title: cardsOf(source).title, elements },
    analysis,
    vectors: vectorsOf(expanded.controls, analysis, elements),
    nodeVolts: nodeVoltsOf(expanded.controls, elements),
    lineOf,
    notes,
  };
  if (analysis.kind === 'dc') {
    for (const r of analysis.ranges) {
      const e = elements.find((x) => x.id === r.source);
      if (e?.kind !== 'voltage' && e?.kind !== 'current') {
        throw new DeckError(analysis.line, `there is no source ${r.source} to sweep`);
      }
    }
  }
  return deck;
}

function elementOf(
  item: Expanded['items'][number],
  times: RunTimes,
  running: boolean,
  note: (text: string) => void,
): Element {
  const { line, words, id, model } = item;
  const [a, b] = item.nodes;
  switch (words[0][0]) {
    case 'r':
    case 'c':
    case 'l': {
      const amount = figure(words[3], line, 'its value');
      let initial: number | undefined;
      let many = 1;
      for (const extra of words.slice(4)) {
        if (AT_27.test(extra)) continue;
        const alike = /^m=(.+)$/.exec(extra);
        if (alike) {
          many = figure(alike[1], line, 'M');
          if (!(many > 0)) throw new DeckError(line, `${id} stands for ${many} alike`);
          continue;
        }
        const given = /^ic=(.+)$/.exec(extra);
        if (!given || words[0][0] === 'r') throw new DeckError(line, `'${extra}' is not understood`);
        initial = figure(given[1], line, 'IC');
      }
      if (words[0][0] === 'r') {
        if (amount < 0) throw new DeckError(line, `${id} has a negative resistance`);
        return { kind: 'resistor', id, a, b, ohms: amount / many };
      }
      if (!(amount > 0)) throw new DeckError(line, `${id} has a value that is not above zero`);
      return words[0][0] === 'c'
        ? { kind: 'capacitor', id, a, b, farads: amount * many, initialVolts: initial }
        : { kind: 'inductor', id, a, b, henries: amount / many, initialAmps: initial };
    }
    case 'v':
    case 'i': {
      const value = sourceValue(words.slice(3), line, times);
      for (const term of value.passedOver)
        note(`${term} of ${id} is passed over: no small-signal analysis is asked for`);
      const still = value.dc ?? signalOf(value.wave).at(0);
      const wave = running ? value.wave : { kind: 'dc' as const, level: still };
      return { kind: words[0][0] === 'v' ? 'voltage' : 'current', id, a, b, wave };
    }
    default:
      if (model?.kind === 'diode')
        return {
          kind: 'diode',
          id,
          a,
          b,
          model: timesDiode(model.model, areaOf(words.slice(4), line, 'a diode')),
        };
      return transistorOf(item);
  }
}

/** A Q card: collector, base, emitter, model and area. */
function transistorOf({ id, nodes, words, line, model }: Expanded['items'][number]): Element {
  if (model === undefined || model.kind === 'diode') throw new DeckError(line, `${id} has no model`);
  const [a, c, b, substrate] = nodes;
  const area = areaOf(words.slice(5), line, 'a transistor');
  const m = model.model;
  return {
    kind: 'transistor',
    id,
    a,
    b,
    c,
    polarity: model.kind,
    ...(substrate === undefined ? {} : { substrate }),
    model: timesTransistor(m, area),
  };
}

/** What says how a value moves with temperature, or what only noise and small signals ask for. */
const AT_27 = /^(tc|tc1|tc2|tce|noisy|ac)=/;

/** The area behind the model of an element times how many alike it stands for; 1 where none is given. */
function areaOf(extras: readonly string[], line: number, what: string): number {
  let area = 1;
  let many = 1;
  for (const extra of extras) {
    if (extra === 'off' || /^(noisy|ic)=/.test(extra)) continue;
    const alike = /^m=(.+)$/.exec(extra);
    if (alike) {
      many = figure(alike[1], line, 'M');
      if (!(many > 0)) throw new DeckError(line, `${what} stands for ${many} alike`);
      continue;
    }
    const plain = extra.replace(/^area=/, '');
    area = figure(plain, line, 'the area');
    if (!(area > 0)) throw new DeckError(line, `${what} has an area that is not above zero`);
  }
  return area * many;
}

function analysisOf(controls: readonly Card[]): Analysis {
  let found: Analysis | null = null;
  let still: Analysis | null = null;
  for (const { line, text } of controls) {
    const words = wordsOf(text);
    let next: Analysis;
    if (words[0] === '.op') {
      still = { kind: 'op', line };
      continue;
    } else if (words[0] === '.tran') next = tran(words, line);
    else if (words[0] === '.dc') next = dc(words, line);
    else continue;
    if (found) throw new DeckError(line, `a second analysis, after line ${found.line}`);
    found = next;
  }
  const chosen = found ?? still;
  if (!chosen) throw new DeckError(controls[0]?.line ?? 1, 'no analysis is asked for: .op, .dc or .tran');
  return chosen;
}

function tran(words: readonly string[], line: number): Analysis {
  const fromGiven = words.includes('uic');
  const plain = words.slice(1).filter((w) => w !== 'uic');
  if (plain.length < 2 || plain.length > 4)
    throw new DeckError(line, '.tran takes a step and a stop time, then start and longest step');
  const [step, stop, start = 0, longest = 0] = plain.map((w) => figure(w, line, 'a time'));
  if (!(step > 0) || !(stop > 0)) throw new DeckError(line, '.tran needs a step and a stop time above zero');
  if (start < 0 || start >= stop)
    throw new DeckError(line, '.tran starts to print at or after its stop time');
  if (longest < 0) throw new DeckError(line, '.tran has a negative longest step');
  if ((stop - start) / step > 5e6) throw new DeckError(line, '.tran asks for more than five million rows');
  const longestStep = longest > 0 ? longest : null;
  return { kind: 'tran', line, step, stop, start, longestStep, fromGiven };
}

function dc(words: readonly string[], line: number): Analysis {
  const ranges: SweepRange[] = [];
  if (words.length !== 5 && words.length !== 9)
    throw new DeckError(line, '.dc takes a source, a start, a stop and a step, once or twice');
  for (let i = 1; i < words.length; i += 4) {
    const [from, to, step] = words.slice(i + 1, i + 4).map((w) => figure(w, line, 'the sweep'));
    if (step === 0 || (to - from) / step < 0)
      throw new DeckError(line, '.dc has a step that never reaches its stop');
    ranges.push({ source: words[i], from, to, step });
  }
  const points = ranges.reduce((product, r) => product * Math.abs((r.to - r.from) / r.step + 1), 1);
  if (points > 1e6) throw new DeckError(line, '.dc asks for more than a million points');
  return { kind: 'dc', line, ranges };
}

function vectorsOf(controls: readonly Card[], analysis: Analysis, elements: readonly Element[]): Vector[] {
  const nodes = new Set(elements.flatMap(nodesOf));
  const ids = new Set(elements.map((e) => e.id));
  const vectors: Vector[] = [];
  for (const { line, text } of controls) {
    const card = /^\.print\b ?(tran|dc|op)?\b(.*)$/.exec(text);
    if (!card) continue;
    if (card[1] !== undefined && card[1] !== analysis.kind) continue;
    const rest = card[2].replace(/ ?([(),]) ?/g, '$1').trim();
    if (rest === '') throw new DeckError(line, '.print names nothing');
    for (const word of rest.replace(/\)(?=\S)/g, ') ').split(/\s+/)) {
      const asked = /^([vi])\(([^(),]+)(?:,([^(),]+))?\)$/.exec(word);
      if (!asked || (asked[1] === 'i' && asked[3] !== undefined)) {
        throw new DeckError(line, `'${word}' is not a vector: v(a), v(a,b) or i(v1)`);
      }
      if (asked[1] === 'v') {
        const [plus, minus] = [asked[2], asked[3] ?? GROUND].map(nodeName);
        const missing = [plus, minus].find((n) => n !== GROUND && !nodes.has(n));
        if (missing !== undefined) throw new DeckError(line, `there is no node ${missing}`);
        vectors.push({ kind: 'voltage', plus, minus, label: word, line });
      } else {
        const element = [asked[2], asked[2].replace(/^[a-z]\./, '')].find((n) => ids.has(n));
        if (element === undefined) throw new DeckError(line, `there is no element ${asked[2]}`);
        vectors.push({ kind: 'current', element, label: word, line });
      }
    }
  }
  if (vectors.length === 0)
    throw new DeckError(analysis.line, 'nothing to print: no .print card for this analysis');
  return vectors;
}

function nodeVoltsOf(controls: readonly Card[], elements: readonly Element[]): Map<string, number> {
  const nodes = new Set(elements.flatMap(nodesOf));
  const given = new Map<string, number>();
  for (const { line, text } of controls) {
    if (!/^\.ic\b/.test(text)) continue;
    const rest = text
      .slice(3)
      .replace(/ ?([=()]) ?/g, '$1')
      .trim();
    for (const word of rest.split(/\s+/)) {
      const set = /^v\(([^()]+)\)=(.+)$/.exec(word);
      if (!set) throw new DeckError(line, `'${word}' is not understood in .ic: v(node)=volts`);
      const node = nodeName(set[1]);
      if (!nodes.has(node)) throw new DeckError(line, `there is no node ${set[1]}`);
      if (node === GROUND) throw new DeckError(line, 'ground cannot be given a voltage');
      given.set(node, figure(set[2], line, 'a voltage'));
    }
  }
  return given;
}
