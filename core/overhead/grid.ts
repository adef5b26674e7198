import type { RigArea } from './area';

/** Places on the boards on which light is found, row by row from the backscene, in millimetres. */
export interface Grid {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Whether a board lies there, by place. */
  readonly on: Uint8Array;
  /** The places where one does, in order. */
  readonly places: Uint32Array;
}

/** The grid of an area, its places about a step apart. */
export function gridOf({ width, depth, boards }: RigArea, stepMillimetres: number): Grid {
  const spread = (over: number): number[] => {
    const count = Math.max(2, Math.round(over / stepMillimetres));
    return Array.from({ length: count }, (_, i) => ((i + 0.5) * over) / count);
  };
  const [xs, ys] = [spread(width), spread(depth)];
  const on = Uint8Array.from({ length: xs.length * ys.length }, (_, i) => {
    const [x, y] = [xs[i % xs.length], ys[Math.floor(i / xs.length)]];
    return Number(boards.some((b) => x >= b.x && x <= b.x + b.width && y >= b.y && y <= b.y + b.depth));
  });
  const places: number[] = [];
  for (let i = 0; i < on.length; i++) if (on[i]) places.push(i);
  return { xs, ys, on, places: Uint32Array.from(places) };
}
