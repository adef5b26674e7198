import type { JunctionModel } from '../part/junction-model';
import { GROUND, nodesOf, type Diode, type Element, type Resistor } from './netlist';

/** A member of a chain, in the order current flows; `along` says whether it lies the way the current counts. */
export interface ChainMember {
  readonly element: Diode | Resistor;
  readonly along: boolean;
}

/**
 * Diodes of one model and resistors in series, nothing else joined between them: one branch whose
 * current is one function of the voltage across it. Like chains between the same two nodes are
 * kept once, with how many there are.
 */
export interface Chain {
  readonly a: string;
  readonly b: string;
  readonly model: JunctionModel;
  /** Diodes in series. */
  readonly count: number;
  /** All series resistance, the diodes' own included. */
  readonly ohms: number;
  /** The like chains side by side; one at least. */
  readonly parallel: readonly (readonly ChainMember[])[];
}

export interface Fused {
  readonly chains: readonly Chain[];
  /** Elements that belong to no chain. */
  readonly rest: readonly Element[];
}

const sameModel = (x: JunctionModel, y: JunctionModel): boolean =>
  x === y ||
  (x.saturationAmps === y.saturationAmps &&
    x.emission === y.emission &&
    x.seriesOhms === y.seriesOhms &&
    x.breakdownVolts === y.breakdownVolts &&
    x.breakdownAmps === y.breakdownAmps);

/** Gathers every diode into a chain with what is in series with it. Pure; exact, not an approximation. */
export function fuse(elements: readonly Element[]): Fused {
  const touching = new Map<string, Element[]>();
  for (const e of elements) {
    for (const node of new Set(nodesOf(e))) {
      const list = touching.get(node);
      if (list) list.push(e);
      else touching.set(node, [e]);
    }
  }
  const taken = new Set<Element>();

  /** What goes on from an inner node, when it can be part of the chain. */
  const onward = (
    node: string,
    from: Element,
    model: JunctionModel,
    downstream: boolean,
  ): ChainMember | null => {
    if (node === GROUND) return null;
    const here = touching.get(node)!;
    if (here.length !== 2) return null;
    const next = here[0] === from ? here[1] : here[0];
    if (taken.has(next) || next.a === next.b) return null;
    if (next.kind === 'resistor' && next.ohms > 0) {
      return { element: next, along: (next.a === node) === downstream };
    }
    if (next.kind === 'diode' && sameModel(next.model, model) && (downstream ? next.a : next.b) === node) {
      return { element: next, along: true };
    }
    return null;
  };

  const groups = new Map<string, Chain & { parallel: (readonly ChainMember[])[] }>();
  for (const diode of elements) {
    if (diode.kind !== 'diode' || taken.has(diode)) continue;
    const members: ChainMember[] = [{ element: diode, along: true }];
    taken.add(diode);
    const ends = { up: diode.a, down: diode.b };
    if (diode.a !== diode.b) {
      for (let m = onward(ends.down, diode, diode.model, true); m;) {
        members.push(m);
        taken.add(m.element);
        ends.down = m.along ? m.element.b : m.element.a;
        m = onward(ends.down, m.element, diode.model, true);
      }
      for (let m = onward(ends.up, diode, diode.model, false); m;) {
        members.unshift(m);
        taken.add(m.element);
        ends.up = m.along ? m.element.a : m.element.b;
        m = onward(ends.up, m.element, diode.model, false);
      }
    }
    const { model } = diode;
    const count = members.filter((m) => m.element.kind === 'diode').length;
    const ohms = members.reduce(
      (sum, { element }) => sum + (element.kind === 'resistor' ? element.ohms : model.seriesOhms),
      0,
    );
    const law = [model.saturationAmps, model.emission, model.breakdownVolts, model.breakdownAmps];
    const key = [ends.up, ends.down, count, ohms, ...law].join(' ');
    const like = groups.get(key);
    if (like) like.parallel.push(members);
    else groups.set(key, { a: ends.up, b: ends.down, model, count, ohms, parallel: [members] });
  }
  return { chains: [...groups.values()], rest: elements.filter((e) => !taken.has(e)) };
}
