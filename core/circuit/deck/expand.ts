import { GROUND, type Element } from '../netlist';
import { DeckError } from './error';
import { wordsOf, type Card } from './lines';
import { modelOf, type DeckModel } from './model';
import { spiceNumber } from './number';
import { ownElements } from './own';

/** Element cards with every subcircuit replaced by its contents, and the control cards. */
export interface Expanded {
  readonly items: readonly {
    readonly line: number;
    readonly id: string;
    readonly words: readonly string[];
    readonly nodes: readonly string[];
    readonly model?: DeckModel;
    readonly own?: Element;
  }[];
  readonly controls: readonly Card[];
  readonly notes: readonly DeckNote[];
}

/** What was passed over while a deck was read. */
export interface DeckNote {
  readonly line: number;
  readonly text: string;
}

/** A stretch of cards with what is defined in it. */
interface Scope {
  readonly parent: Scope | null;
  readonly subcircuits: Map<string, Subcircuit>;
  readonly models: Map<string, DeckModel>;
  readonly cards: Card[];
}
interface Subcircuit {
  readonly line: number;
  readonly pins: readonly string[];
  readonly scope: Scope;
}

const MOST_ELEMENTS = 200_000;
const DEEPEST = 50;
const controlCards = new Set(['.op', '.dc', '.tran', '.ic', '.print']);

/** Elements that need a model card, how many nodes they have and what they are. */
const modelledBy: Readonly<Partial<Record<string, { readonly pins: number; readonly what: string }>>> = {
  d: { pins: 2, what: 'diode' },
  q: { pins: 3, what: 'transistor' },
};

const newScope = (parent: Scope | null): Scope => ({
  parent,
  subcircuits: new Map(),
  models: new Map(),
  cards: [],
});

const isOwn = (name: string): boolean => ownElements.some((o) => o.name.test(name));

function look<T>(scope: Scope | null, pick: (s: Scope) => T | undefined): T | undefined {
  for (let s = scope; s; s = s.parent) {
    const found = pick(s);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Sorts cards into scopes; control cards are the deck's own. */
function scopesOf(cards: readonly Card[]): { top: Scope; controls: Card[]; notes: DeckNote[] } {
  const notes: DeckNote[] = [];
  const top = newScope(null);
  const controls: Card[] = [];
  const open: { scope: Scope; line: number; own: boolean }[] = [];
  let scope = top;
  for (const card of cards) {
    const words = wordsOf(card.text);
    // Nothing but brackets and commas.
    if (words.length === 0) throw new DeckError(card.line, `'${card.text.slice(0, 20)}' is not understood`);
    const inOwn = open.some((o) => o.own);
    if (words[0] === '.subckt') {
      if (words.length < 2) throw new DeckError(card.line, '.subckt has no name');
      if (open.length >= DEEPEST) throw new DeckError(card.line, 'subcircuits nested too deep');
      const own = inOwn || isOwn(words[1]);
      const inner = newScope(scope);
      if (!own) {
        const pins = words.slice(2);
        if (pins.length === 0) throw new DeckError(card.line, `subcircuit ${words[1]} has no pins`);
        const odd = pins.find((p) => p.includes('=') || p === 'params:');
        if (odd) throw new DeckError(card.line, `'${odd}': parameters of a subcircuit are not known`);
        const twice = pins.find((p, i) => pins.indexOf(p) !== i);
        if (twice) throw new DeckError(card.line, `subcircuit ${words[1]} has the pin ${twice} twice`);
        if (scope.subcircuits.has(words[1]))
          throw new DeckError(card.line, `a second subcircuit called ${words[1]}`);
        scope.subcircuits.set(words[1], { line: card.line, pins, scope: inner });
      }
      open.push({ scope, line: card.line, own });
      scope = inner;
    } else if (words[0] === '.ends') {
      const closed = open.pop();
      if (!closed) throw new DeckError(card.line, '.ends without .subckt');
      scope = closed.scope;
    } else if (inOwn) {
      continue;
    } else if (words[0] === '.model') {
      const { name, model, passedOver } = modelOf(words, card.line);
      for (const parameter of passedOver)
        notes.push({
          line: card.line,
          text: `${parameter} of model ${name} is passed over: it counts at high currents or frequencies`,
        });
      if (scope.models.has(name)) throw new DeckError(card.line, `a second model called ${name}`);
      scope.models.set(name, model);
    } else if (words[0].startsWith('.')) {
      if (!controlCards.has(words[0])) throw new DeckError(card.line, `the card ${words[0]} is not known`);
      if (open.length > 0) {
        const { line } = open[open.length - 1];
        throw new DeckError(
          card.line,
          `${words[0]} stands inside the .subckt of line ${line}: is its .ends missing?`,
        );
      }
      controls.push(card);
    } else if (!/^[rclvidqx]/.test(words[0])) {
      throw new DeckError(card.line, `the element ${words[0]} is not known: R C L V I D Q and X are`);
    } else scope.cards.push(card);
  }
  if (open.length > 0) throw new DeckError(open[open.length - 1].line, '.subckt without .ends');
  return { top, controls, notes };
}

/**
 * Replaces every X card by the contents of its subcircuit; names inside get the instance's name in front.
 * @throws DeckError for unknown cards, wrong pin counts, circular subcircuits or too many elements
 */
export function expand(cards: readonly Card[]): Expanded {
  const { top, controls, notes } = scopesOf(cards);
  const items: Expanded['items'][number][] = [];
  let instances = 0;
  const place = (
    scope: Scope,
    prefix: string,
    pins: ReadonlyMap<string, string>,
    within: readonly Subcircuit[],
  ): void => {
    const node = (name: string): string =>
      name === '0' || name === 'gnd' ? GROUND : (pins.get(name) ?? prefix + name);
    for (const { line, text } of scope.cards) {
      const words = wordsOf(text);
      const id = prefix + words[0];
      if (items.length >= MOST_ELEMENTS) throw new DeckError(line, `more than ${MOST_ELEMENTS} elements`);
      if (words[0][0] === 'x') {
        instance(scope, line, words, id, node, within);
        continue;
      }
      if (words.length < 4) throw new DeckError(line, `${words[0]} needs two nodes and a value`);
      const modelled = modelledBy[words[0][0]];
      if (modelled === undefined) {
        items.push({ line, id, words, nodes: words.slice(1, 3).map(node) });
        continue;
      }
      const { pins: ends, what } = modelled;
      if (words.length < ends + 2) throw new DeckError(line, `${words[0]} needs ${ends} nodes and a model`);
      const called = (word: string | undefined): DeckModel | undefined =>
        word === undefined ? undefined : look(scope, (s) => s.models.get(word));
      // A transistor's substrate may stand before its model.
      const substrate =
        words[0][0] === 'q' && !called(words[ends + 1]) && called(words[ends + 2]) !== undefined;
      const name = words[substrate ? ends + 2 : ends + 1];
      const model = called(name);
      if (!model) throw new DeckError(line, `there is no model ${name}`);
      if ((model.kind === 'diode') !== (what === 'diode'))
        throw new DeckError(line, `${name} is no ${what}'s model`);
      const all = words.slice(1, ends + 1 + (substrate ? 1 : 0)).map(node);
      items.push({ line, id, words: substrate ? words.toSpliced(ends + 1, 1) : words, nodes: all, model });
    }
  };
  const instance = (
    scope: Scope,
    line: number,
    words: readonly string[],
    id: string,
    node: (name: string) => string,
    within: readonly Subcircuit[],
  ): void => {
    const plain = words.slice(1).filter((w) => !w.includes('='));
    const name = plain[plain.length - 1];
    const ends = plain.slice(0, -1).map(node);
    const own = ownElements.find((o) => name !== undefined && o.name.test(name));
    if (own) {
      if (ends.length !== own.pins) throw new DeckError(line, `${words[0]} needs ${own.pins} nodes`);
      const figures = new Map(
        words.filter((w) => w.includes('=')).map((w) => w.split('=') as [string, string]),
      );
      const element = own.read(id, ends, name, (n) => {
        const text = figures.get(n);
        return text === undefined ? undefined : (spiceNumber(text) ?? undefined);
      });
      if (typeof element === 'string') throw new DeckError(line, `${words[0]}: ${element}`);
      items.push({ line, id: element.id, words, nodes: ends, own: element });
      return;
    }
    if (plain.length !== words.length - 1)
      throw new DeckError(line, `${words[0]}: parameters of a subcircuit are not known`);
    const sub = name === undefined ? undefined : look(scope, (s) => s.subcircuits.get(name));
    if (!sub) throw new DeckError(line, `there is no subcircuit ${name ?? ''}`);
    if (++instances > MOST_ELEMENTS)
      throw new DeckError(line, `more than ${MOST_ELEMENTS} elements, subcircuits among them`);
    if (within.includes(sub) || within.length >= DEEPEST)
      throw new DeckError(line, `subcircuit ${name} contains itself`);
    if (ends.length !== sub.pins.length) {
      throw new DeckError(line, `${words[0]} has ${ends.length} nodes, ${name} has ${sub.pins.length} pins`);
    }
    place(sub.scope, `${id}.`, new Map(sub.pins.map((p, i) => [p, ends[i]])), [...within, sub]);
  };
  place(top, '', new Map(), []);
  return { items, controls, notes };
}
