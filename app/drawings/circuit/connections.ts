import { terminalKey } from '../../../core/assembly/assembly';
import type { Ladder, Point, Segment } from './ladder';

const between = (v: number, a: number, b: number): boolean => v >= Math.min(a, b) && v <= Math.max(a, b);

/** Whether a piece of wire touches a point anywhere along it. */
const touches = ({ from, to }: Segment, p: Point): boolean =>
  between(p.x, from.x, to.x) && between(p.y, from.y, to.y);

/**
 * What ladders say is connected: terminals grouped by the lines that touch them, as a person reads it.
 * Lines that merely cross are apart; one that ends on another joins it; what begins at the same lead
 * is the same wire; a part drawn for several hangs where each of them does.
 * @returns a group's number by terminal
 */
export function drawnConnections(ladders: readonly Ladder[]): Map<string, number> {
  const group = new Map<string, number>();
  const add = (key: string): number => {
    if (!group.has(key)) group.set(key, group.size);
    return group.get(key)!;
  };
  const join = (one: string, two: string): void => {
    const [a, b] = [add(one), add(two)];
    if (a !== b) for (const [key, g] of group) if (g === b) group.set(key, a);
  };
  ladders.forEach((ladder, n) => {
    const points = new Map<string, Point>();
    const inner = (p: Point): string => `point ${n} ${p.x} ${p.y}`;
    const at = (key: string, p: Point): void => {
      points.set(inner(p), p);
      join(key, inner(p));
    };
    for (const { part, at: terminals } of ladder.parts)
      for (const [terminal, p] of Object.entries(terminals)) at(terminalKey({ part: part.id, terminal }), p);
    for (const head of ladder.heads) for (const t of head.terminals) at(terminalKey(t), head.at);
    ladder.wires.forEach((wire, i) => {
      const name = `wire ${n} ${i}`;
      for (const [key, p] of points) if (touches(wire, p)) join(name, key);
      ladder.wires.forEach((other, j) => {
        if (i !== j && [wire.from, wire.to].some((end) => touches(other, end))) join(name, `wire ${n} ${j}`);
      });
    });
    for (const { parts } of ladder.columns) {
      const count = parts[0]?.alike.length ?? 0;
      for (let k = 0; k < count; k++) joinAlike(k);

      /** Another branch like this one: its inner joints as drawn, its ends where these end. */
      function joinAlike(k: number): void {
        const key = (i: number, p: Point): string =>
          parts.some((o, j) => j !== i && Object.values(o.at).some((q) => q.x === p.x && q.y === p.y))
            ? `alike ${n} ${parts[0].alike[k].id} ${p.x} ${p.y}`
            : inner(p);
        parts.forEach(({ alike, at: terminals }, i) => {
          for (const [terminal, p] of Object.entries(terminals))
            join(terminalKey({ part: alike[k].id, terminal }), key(i, p));
        });
      }
    }
  });
  return new Map([...group].filter(([key]) => !/^(point|wire|alike) /.test(key)));
}
