import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { generatedNetwork } from '../../../tests/networks';
import { readLayout } from '../../../core/document/file';
import { planView } from './plan-geometry';
import { isRail } from '../../../core/part/rail';
import { planLabels } from './plan-labels';
import type { Box } from '../../drawings/place-words';
import type { Layout } from '../../../core/document/layout';

const read = readLayout(readFileSync('demo/brackwater-quay.hazel.json', 'utf8'));
if (!read.ok) throw new Error('the demo is broken');
const demo = read.layout;
const WIDTH = 860;
const made = (layout: Layout, beneath: boolean, width = WIDTH) =>
  planLabels(layout, planView(layout, { width, height: 400 }, beneath), width, beneath);

/** How much of the smaller of two boxes the other hides. */
function hidden(a: Box, b: Box): number {
  const side = (x: number, w: number, y: number, v: number): number =>
    Math.max(0, Math.min(x + w / 2, y + v / 2) - Math.max(x - w / 2, y - v / 2));
  const area = side(a.x, a.width, b.x, b.width) * side(a.y, a.height, b.y, b.height);
  return area / Math.min(a.width * a.height, b.width * b.height);
}

describe('the words of a plan', () => {
  test.each([false, true])('of the demo, from beneath %s: none hides half of another', (beneath) => {
    const { places, runs } = made(demo, beneath);
    const all = [...places.values(), ...[...runs.values()].flat()];
    all.forEach((a, i) =>
      all.slice(i + 1).forEach((b) => expect(hidden(a, b), `${a.text} and ${b.text}`).toBeLessThan(0.5)),
    );
    const clear = all.filter((a, i) => all.every((b, k) => k === i || hidden(a, b) < 0.1));
    expect(clear.length / all.length).toBeGreaterThan(0.9);
  });
  test('every place but a joint has its name, every run its label, from beneath near both its ends', () => {
    const { places, runs } = made(demo, true);
    for (const [id, { is }] of Object.entries(demo.network.nodes))
      expect(places.has(id)).toBe(is.kind !== 'tap');
    for (const [id, { label, wire }] of Object.entries(demo.network.runs))
      if (isRail(wire)) expect(runs.has(id)).toBe(false);
      else expect(new Set(runs.get(id)!.map((l) => l.text))).toEqual(new Set([label]));
    expect([...runs.values()].filter((l) => l.length === 2).length).toBeGreaterThan(10);
    expect([...made(demo, false).runs.values()].every((l) => l.length === 1)).toBe(true);
  });
  test('of any network and width: labels lie on their own run, names within the drawing', () => {
    fc.assert(
      fc.property(generatedNetwork, fc.constantFrom(420, 860, 1300), (layout, width) => {
        const view = planView(layout, { width, height: 400 }, true);
        const { places, runs } = planLabels(layout, view, width, true);
        for (const { x, width: wide } of places.values()) {
          if (wide > width - 4) continue;
          expect(x - wide / 2).toBeGreaterThanOrEqual(0);
          expect(x + wide / 2).toBeLessThanOrEqual(width);
        }
        for (const [id, labels] of runs) {
          const { from, to } = layout.network.runs[id];
          const [a, b] = [from, to].map((n) => layout.network.nodes[n]);
          const [ay, bx] = [view.y(a.yMillimetres), view.x(b.xMillimetres)];
          for (const l of labels) expect(Math.min(Math.abs(l.y - ay), Math.abs(l.x - bx))).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 40, seed: 15 },
    );
  });
});
