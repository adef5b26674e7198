import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addPlace, addRun, generatedNetwork, lampsOf, withBus } from '../../../tests/networks';
import { checkLayout, readLayout } from '../../document/file';
import { change, patched } from '../../document/patch';
import { feedReading } from '../../feed/reading';
import { feedStudy } from '../../feed/study';
import { atHigherVolts, canBeDoubled, voltsSideBySide } from './higher-volts';
import type { Layout } from '../../document/layout';

const read = readLayout(readFileSync('demo/brackwater-quay.hazel.json', 'utf8'));
if (!read.ok) throw new Error('the demo is broken');
const demo = read.layout;

/** Three boards of two metres, a strip on each with a hundred lamps, in a line from the supply on. */
const long: Layout = change(withBus(12, 20), (draft) => {
  for (let k = 0; k < 3; k++)
    draft.boards[`board-${k}`] = {
      order: k,
      name: `Board ${k}`,
      xMillimetres: 2000 * k,
      yMillimetres: 0,
      widthMillimetres: 2000,
      depthMillimetres: 500,
    };
  addPlace(draft, 'supply', 100, 250, { kind: 'supply', supplyId: 'bus' });
  let before = 'supply';
  for (let k = 0; k < 3; k++) {
    addPlace(draft, `strip-${k}`, 2000 * k + 1000, 250, {
      kind: 'strip',
      ways: 12,
      ratedAmps: 10,
      contactOhms: 0.005,
    });
    addPlace(draft, `lamps-${k}`, 2000 * k + 1500, 100, lampsOf(100, 470));
    addRun(draft, before, `strip-${k}`);
    addRun(draft, `strip-${k}`, `lamps-${k}`);
    before = `strip-${k}`;
  }
}).layout;

describe('twice the volts with a step-down before each board', () => {
  const higher = atHigherVolts(long, 'bus')!;

  test('one converter for the wiring of each board, each fed by the trunk and feeding what it fed', () => {
    const { nodes, runs } = higher.layout.network;
    expect(Object.values(nodes).filter((n) => n.is.kind === 'converter')).toHaveLength(3);
    expect(
      Object.values(runs)
        .filter((r) => r.fromOutput)
        .map((r) => r.to)
        .sort(),
    ).toEqual(['strip-0', 'strip-1', 'strip-2']);
    expect(checkLayout(higher.layout).ok).toBe(true);
    expect(patched(long, higher.patches)).toEqual(higher.layout);
  });
  test('lamps shine as before or better, and the supply gives about half the current', () => {
    const [before, after] = [feedReading(long), feedReading(higher.layout)];
    for (const k of [0, 1, 2])
      expect(after.places.get(`lamps-${k}`)!.lightness!).toBeGreaterThanOrEqual(
        before.places.get(`lamps-${k}`)!.lightness! - 0.5,
      );
    const [is, was] = [after.supplies.get(higher.supplyId)!, before.supplies.get('bus')!];
    // Half of it for the volts, and what the converters keep: 1 / (2 · 0.88) and more light at the far end.
    expect(is.amps / was.amps).toBeGreaterThan(0.5);
    expect(is.amps / was.amps).toBeLessThan(0.75);
    // On the wires a quarter of the loss or less, by the square of the current.
    const trunkWatts = (of: typeof before): number =>
      [...of.runs]
        .filter(([id]) => ['run-1', 'run-3', 'run-5'].includes(id))
        .reduce((s, [, r]) => s + r.watts, 0);
    expect(trunkWatts(after)).toBeLessThan(0.45 * trunkWatts(before));
  });
  test('side by side each is planned by the same rules, and either can be laid', () => {
    const shares: number[] = [];
    const ways = voltsSideBySide(long, 'bus', (s) => {
      shares.push(s);
      return false;
    });
    expect(ways.map((w) => w.volts)).toEqual([12, 24]);
    const [low, high] = ways;
    expect(high.wires).toBeLessThan(low.wires);
    expect(low.converters).toBe(0);
    expect(high.converters).toBeGreaterThan(0);
    expect(high.amps).toBeLessThan(low.amps);
    for (const way of ways) {
      const laid = patched(long, way.patches);
      expect(checkLayout(laid).ok).toBe(true);
      expect(feedStudy(laid).failure).toBeNull();
    }
    expect(Math.max(...shares)).toBeLessThanOrEqual(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
  test('is not offered above 24 V, nor for what is no bus', () => {
    expect(canBeDoubled(withBus(16, 5), 'bus')).toBe(false);
    const high = change(long, (draft) => {
      const { bus } = draft.supplies;
      if (bus.kind === 'layout-bus') bus.highestVolts = 25;
    }).layout;
    expect(canBeDoubled(high, 'bus')).toBe(false);
    expect(canBeDoubled(long, 'bus')).toBe(true);
    const dcc = Object.keys(demo.supplies).find((id) => demo.supplies[id].kind === 'dcc-track')!;
    expect(canBeDoubled(demo, dcc)).toBe(false);
    expect(atHigherVolts(withBus(12, 5), 'bus')).toBeNull();
  });
  test('on generated networks every place that was fed is fed, at the volts it had', () => {
    let tried = 0;
    fc.assert(
      fc.property(generatedNetwork, (layout) => {
        const other = atHigherVolts(layout, 'bus');
        if (!other) return;
        tried++;
        expect(checkLayout(other.layout).ok).toBe(true);
        const [was, is] = [feedStudy(layout).fed, feedStudy(other.layout).fed];
        for (const [id, { volts }] of was)
          if (layout.network.nodes[id].is.kind !== 'supply')
            expect(is.get(id)!.volts).toBeOneOf([volts, 2 * volts]);
        for (const [id, { is: part }] of Object.entries(layout.network.nodes))
          if (was.has(id) && ['lamps', 'typed'].includes(part.kind))
            expect(is.get(id)!.volts).toBe(was.get(id)!.volts);
      }),
      { numRuns: 60, seed: 24 },
    );
    expect(tried).toBeGreaterThan(10);
  });
  test('the demo’s 12 V bus is told both ways', () => {
    const bus = Object.entries(demo.supplies).find(
      ([id, s]) =>
        s.kind === 'layout-bus' &&
        s.volts === 12 &&
        canBeDoubled(demo, id) &&
        Object.values(demo.network.nodes).some((n) => n.is.kind === 'supply' && n.is.supplyId === id),
    )![0];
    expect(voltsSideBySide(demo, bus)).toHaveLength(2);
  });
});
