import { inOrder } from '../../../core/document/in-order';
import type { Layout } from '../../../core/document/layout';
import type { PlanView } from './plan-geometry';

/** A box on the drawing, in pixels, by its middle. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A word or label where it is drawn. */
export interface PlacedLabel extends Box {
  readonly text: string;
}

/** Where the words of a plan go: the name of each place, and the labels of each run. */
export interface PlanLabels {
  readonly places: ReadonlyMap<string, PlacedLabel>;
  readonly runs: ReadonlyMap<string, readonly PlacedLabel[]>;
}

/** Width of a letter of a name and of a run's label, and heights, in pixels. */
const NAME_LETTER = 6.3;
const RUN_LETTER = 6.8;
const NAME_HEIGHT = 14;
const RUN_HEIGHT = 15;
/** The sign of a place takes so much room. */
const SIGN = { width: 30, height: 20 };
const MOST_LETTERS = 26;
/** Shares of a run at which its label may stand, the best first; from beneath one near each end. */
const ALONG = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82];
/** A shorter run has one label from beneath as well, in pixels. */
const TWICE = 110;
const NEAR = [26, 40, 54, 70, 88, 108, 130, 156];

const overlap = (a: Box, b: Box): number =>
  Math.max(
    0,
    Math.min(a.x + a.width / 2, b.x + b.width / 2) - Math.max(a.x - a.width / 2, b.x - b.width / 2),
  ) *
  Math.max(
    0,
    Math.min(a.y + a.height / 2, b.y + b.height / 2) - Math.max(a.y - a.height / 2, b.y - b.height / 2),
  );

/** Words as they are drawn: long ones cut. */
const shortened = (name: string): string =>
  name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name;

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
  /** Of some boxes that which covers least, the first of equals; it is taken from then on. */
  const best = <B extends Box>(boxes: readonly B[]): B => {
    const hides = boxes.map((box) => taken.reduce((sum, t) => sum + overlap(box, t), 0));
    const found = boxes[hides.indexOf(Math.min(...hides))];
    taken.push(found);
    return found;
  };
  const labels = new Map<string, readonly PlacedLabel[]>();
  for (const { id, label, from, to } of inOrder(runs)) {
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
    const text = shortened(name);
    const wide = NAME_LETTER * text.length;
    const within = (x: number): number => Math.min(width - wide / 2 - 2, Math.max(wide / 2 + 2, x));
    const { x, y } = at(id);
    const aside = SIGN.width / 2 + 4 + wide / 2;
    names.set(
      id,
      best(
        [
          { x: within(x), y: y - 17 },
          { x: within(x), y: y + 19 },
          { x: within(x + aside), y },
          { x: within(x - aside), y },
          { x: within(x + wide / 2), y: y - 17 },
          { x: within(x - wide / 2), y: y - 17 },
          { x: within(x + wide / 2), y: y + 19 },
          { x: within(x - wide / 2), y: y + 19 },
          { x: within(x), y: y - 32 },
          { x: within(x), y: y + 34 },
          { x: within(x + wide / 2), y: y - 32 },
          { x: within(x - wide / 2), y: y - 32 },
          { x: within(x), y: y - 46 },
        ].map((spot) => ({ ...spot, text, width: wide, height: NAME_HEIGHT })),
      ),
    );
  }
  return { places: names, runs: labels };
}
