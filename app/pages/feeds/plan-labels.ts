import { inOrder } from '../../../core/document/in-order';
import {
  NAME_HEIGHT,
  NAME_LETTER,
  placing,
  roundSign,
  type Box,
  type PlacedLabel,
} from '../../drawings/place-words';
import { isRail } from '../../../core/part/rail';
import type { Layout } from '../../../core/document/layout';
import type { PlanView } from './plan-geometry';

/** Where the words of a plan go: the name of each place, and the labels of each run. */
export interface PlanLabels {
  readonly places: ReadonlyMap<string, PlacedLabel>;
  readonly runs: ReadonlyMap<string, readonly PlacedLabel[]>;
}

/** Width of a letter of a run's label, and its height, in pixels. */
const RUN_LETTER = 6.8;
const RUN_HEIGHT = 15;
/** The sign of a place takes so much room. */
const SIGN = { width: 30, height: 20 };
/** Shares of a run at which its label may stand, the best first; from beneath one near each end. */
const ALONG = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82];
/** A shorter run has one label from beneath as well, in pixels. */
const TWICE = 110;
const NEAR = [26, 40, 54, 70, 88, 108, 130, 156];

/**
 * Places the words of a plan so that they cover one another and the signs as little as can be: the labels
 * of runs along their wires first, then the names of places round them, each where it hides least of what
 * is there already.
 * @param beneath each run has its label near both its ends
 */
export function planLabels(layout: Layout, view: PlanView, width: number, beneath: boolean): PlanLabels {
  const { nodes, runs } = layout.network;
  const at = (id: string): { x: number; y: number } => ({
    x: view.x(nodes[id].xMillimetres),
    y: view.y(nodes[id].yMillimetres),
  });
  const taken: Box[] = [
    ...Object.keys(nodes).map((id) => ({ ...at(id), ...SIGN })),
    ...inOrder(layout.boards).map((b): Box => {
      const wide = NAME_LETTER * b.name.length;
      const left = Math.min(view.x(b.xMillimetres), view.x(b.xMillimetres + b.widthMillimetres));
      return {
        x: left + 8 + wide / 2,
        y: view.y(b.yMillimetres + b.depthMillimetres) - 12,
        width: wide,
        height: NAME_HEIGHT,
      };
    }),
  ];
  const best = placing(taken);
  const labels = new Map<string, readonly PlacedLabel[]>();
  for (const { id, label, from, to, wire } of inOrder(runs)) {
    // A track is no wire one looks for.
    if (isRail(wire)) continue;
    const [a, b] = [at(from), at(to)];
    const corner = { x: b.x, y: a.y };
    const first = Math.abs(corner.x - a.x);
    const whole = first + Math.abs(b.y - corner.y);
    /** So far along the run, in pixels. */
    const point = (far: number): { x: number; y: number } =>
      far <= first
        ? { x: a.x + Math.sign(corner.x - a.x) * far, y: a.y }
        : { x: b.x, y: a.y + Math.sign(b.y - a.y) * (far - first) };
    const box = (far: number): PlacedLabel => ({
      ...point(far),
      text: label,
      width: 8 + RUN_LETTER * label.length,
      height: RUN_HEIGHT,
    });
    const near = NEAR.filter((far) => far < whole / 2);
    if (near.length === 0) near.push(whole / 2);
    labels.set(
      id,
      beneath && whole > TWICE
        ? [best(near.map(box)), best(near.map((far) => box(whole - far)))]
        : [best(ALONG.map((share) => box(share * whole)))],
    );
  }
  const names = new Map<string, PlacedLabel>();
  for (const { id, name, is } of inOrder(nodes)) {
    if (is.kind === 'tap') continue;
    names.set(id, best(roundSign(name, { ...at(id), ...SIGN }, width)));
  }
  return { places: names, runs: labels };
}
