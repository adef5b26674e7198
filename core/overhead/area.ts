import { inOrder } from '../document/in-order';
import type { Layout } from '../document/layout';
import type { BoardRecord } from '../document/network-record';
import type { RigRecord } from '../document/rig-record';

interface Rectangle {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
}

/** A board under a rig, in millimetres from the left and from the backscene. */
export interface Under extends Rectangle {
  readonly name: string;
}

/** What a rig hangs over. */
export interface RigArea {
  readonly boards: readonly Under[];
  readonly width: number;
  readonly depth: number;
  /** Where modules, or boards, meet. */
  readonly joints: readonly number[];
}

interface Place {
  readonly x: number;
  readonly y: number;
}

/** How one who looks at a backscene sees what lies on the plan: from its left, and before it. */
interface View {
  seen(of: Place, all: Rectangle): Place;
  onPlan(of: Place, all: Rectangle): Place;
}

const halfTurn = (of: Place, all: Rectangle): Place => ({
  x: all.x + all.width - of.x,
  y: all.y + all.depth - of.y,
});

const views: Readonly<Record<RigRecord['backsceneAt'], View>> = {
  far: {
    seen: (of, all) => ({ x: of.x - all.x, y: of.y - all.y }),
    onPlan: (of, all) => ({ x: of.x + all.x, y: of.y + all.y }),
  },
  near: { seen: halfTurn, onPlan: halfTurn },
  left: {
    seen: (of, all) => ({ x: all.y + all.depth - of.y, y: of.x - all.x }),
    onPlan: (of, all) => ({ x: all.x + of.y, y: all.y + all.depth - of.x }),
  },
  right: {
    seen: (of, all) => ({ x: of.y - all.y, y: all.x + all.width - of.x }),
    onPlan: (of, all) => ({ x: all.x + all.width - of.y, y: all.y + of.x }),
  },
};

/** A board as one sees it who looks at a backscene. */
function turned({ seen }: View, of: Rectangle, all: Rectangle): Rectangle {
  const [a, b] = [seen(of, all), seen({ x: of.x + of.width, y: of.y + of.depth }, all)];
  return {
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    depth: Math.abs(a.y - b.y),
  };
}

const rectangleOf = (b: BoardRecord): Rectangle => ({
  x: b.xMillimetres,
  y: b.yMillimetres,
  width: b.widthMillimetres,
  depth: b.depthMillimetres,
});

/** The smallest rectangle around some. */
function around(all: readonly Rectangle[]): Rectangle {
  const [x, y] = [Math.min(...all.map((r) => r.x)), Math.min(...all.map((r) => r.y))];
  return {
    x,
    y,
    width: Math.max(...all.map((r) => r.x + r.width)) - x,
    depth: Math.max(...all.map((r) => r.y + r.depth)) - y,
  };
}

/** The boards of a rig as one area, its left and its backscene at 0; typed measures where it has none. */
export function areaOf({ boards }: Pick<Layout, 'boards'>, rig: RigRecord): RigArea {
  const own = inOrder(boards).filter((b) => rig.boards.includes(b.id));
  const all = around(own.map(rectangleOf));
  const under: Under[] =
    own.length > 0
      ? own.map((b) => ({ name: b.name, ...turned(views[rig.backsceneAt], rectangleOf(b), all) }))
      : [{ name: 'The boards', x: 0, y: 0, width: rig.widthMillimetres, depth: rig.depthMillimetres }];
  const width = Math.max(...under.map((b) => b.x + b.width));
  const depth = Math.max(...under.map((b) => b.y + b.depth));
  const module = rig.moduleMillimetres;
  const joints =
    module === null
      ? [...new Set(under.map((b) => b.x))].filter((x) => x > 0 && x < width)
      : Array.from({ length: Math.ceil(width / module) - 1 }, (_, k) => (k + 1) * module);
  return { boards: under, width, depth, joints: joints.sort((a, b) => a - b) };
}

/** How places of a rig's area lie on the plan, in millimetres; a rig of typed measures begins at its corner. */
export function liesOf(
  { boards }: Pick<Layout, 'boards'>,
  rig: RigRecord,
): { seen(of: Place): Place; onPlan(of: Place): Place } {
  const own = inOrder(boards).filter((b) => rig.boards.includes(b.id));
  const all =
    own.length > 0
      ? around(own.map(rectangleOf))
      : { x: 0, y: 0, width: rig.widthMillimetres, depth: rig.depthMillimetres };
  const view = views[rig.backsceneAt];
  return { seen: (of) => view.seen(of, all), onPlan: (of) => view.onPlan(of, all) };
}

/** So far before a backscene a rig's supply wires come down. */
const WIRES_BEFORE = 30;

/** Where a rig is fed, seen from above: at the middle of its backscene. */
export const onPlanOf = (layout: Pick<Layout, 'boards'>, rig: RigRecord): Place =>
  liesOf(layout, rig).onPlan({ x: areaOf(layout, rig).width / 2, y: WIRES_BEFORE });

/** Boards that lie in one line, and the side of them that their backscene commonly stands at. */
export interface Leg {
  readonly boards: readonly string[];
  readonly backsceneAt: RigRecord['backsceneAt'];
}

/**
 * The legs of a layout: its boards in rows and columns, the longest first, a corner with the longer. The
 * backscene of a leg stands at the side that is farther out, at the far one where both are.
 * @param ids of boards that are looked at
 */
export function legsOf({ boards }: Pick<Layout, 'boards'>, ids: readonly string[]): Leg[] {
  let left = inOrder(boards)
    .filter((b) => ids.includes(b.id))
    .map((b) => ({ id: b.id, ...rectangleOf(b) }));
  const all = around(Object.values(boards).map(rectangleOf));
  const legs: Leg[] = [];
  while (left.length > 0) {
    const lines = left.flatMap((of) => {
      const along = left.filter((b) => Math.abs(b.y - of.y) < Math.min(b.depth, of.depth) / 2);
      const deep = left.filter((b) => Math.abs(b.x - of.x) < Math.min(b.width, of.width) / 2);
      return [along, deep];
    });
    const longest = lines.reduce((most, l) =>
      Math.max(around(l).width, around(l).depth) > Math.max(around(most).width, around(most).depth)
        ? l
        : most,
    );
    const own = around(longest);
    const out = (near: number, far: number): boolean => near > far + 1e-6;
    const backsceneAt =
      own.width >= own.depth
        ? out(own.y - all.y, all.y + all.depth - own.y - own.depth)
          ? 'near'
          : 'far'
        : out(own.x - all.x, all.x + all.width - own.x - own.width)
          ? 'right'
          : 'left';
    legs.push({ boards: longest.map((b) => b.id), backsceneAt });
    left = left.filter((b) => !longest.includes(b));
  }
  return legs;
}
