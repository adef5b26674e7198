import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assemble } from '../../../core/assembly/assemble';
import { netsOf, type Assembly } from '../../../core/assembly/assembly';
import { withFault } from '../../../core/assembly/fault';
import { lower } from '../../../core/assembly/lower';
import { change } from '../../../core/document/patch';
import { boatTrain, demo, demoJob } from '../../../tests/generated';
import { generatedJobs, generatedKinds } from '../../../tests/kinds';
import { drawnConnections } from './connections';
import { laddersOf } from './ladder';
import type { Layout } from '../../../core/document/layout';

const rooms = [
  { width: 640, height: 360 },
  { width: 300, height: 190 },
  { width: 1200, height: 420 },
];

/** Pairs of terminals that one grouping joins and the drawing does not, or the other way; what is not drawn is joined to nothing. */
function differ(drawn: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): string[] {
  const keys = [...b.keys()];
  const joins = (x: string, y: string): boolean => drawn.has(x) && drawn.get(x) === drawn.get(y);
  return keys.flatMap((x, i) =>
    keys
      .slice(i + 1)
      .filter((y) => joins(x, y) !== (b.get(x) === b.get(y)))
      .map((y) => `${x} and ${y}`),
  );
}

/** Drawn, laid and solved connect the same terminals, however much room there is. */
function agrees(layout: Layout, jobId: string): void {
  const assembly = assemble(layout, jobId);
  const { nodeOf } = lower(assembly, layout.supplies[layout.jobs[jobId].supplyId]);
  for (const room of rooms) {
    const drawn = drawnConnections(laddersOf(assembly, room));
    expect(differ(drawn, netsOf(assembly))).toEqual([]);
    expect(differ(drawn, nodeOf)).toEqual([]);
  }
}

describe('drawn is what is laid and what is solved', () => {
  test('for every job of the demo', () => {
    for (const jobId of Object.keys(boatTrain().jobs)) agrees(boatTrain(), jobId);
  });
  test.each(generatedKinds)('for generated jobs: %s', (kind) => {
    fc.assert(
      fc.property(generatedJobs[kind], ({ layout, jobId }) => agrees(layout, jobId)),
      { numRuns: 60, seed: 11 },
    );
  });
  test('and the check can fail: a lead left out shows', () => {
    const whole = assemble(demo(), demoJob);
    for (const lead of whole.leads) {
      const cut: Assembly = withFault(whole, { kind: 'open', lead: lead.id });
      const drawn = drawnConnections(laddersOf(cut, rooms[0]));
      expect(differ(drawn, netsOf(cut)), lead.id).toEqual([]);
      expect(differ(drawn, netsOf(whole)), lead.id).not.toEqual([]);
    }
  });
});

describe('a ladder', () => {
  test('no two parts lie on one another, and all is within its room', () => {
    for (const jobId of Object.keys(boatTrain().jobs)) {
      for (const { parts, width, height } of laddersOf(assemble(boatTrain(), jobId), rooms[2])) {
        const middles = parts.map(({ at }) => {
          const points = Object.values(at);
          const mean = (of: (p: { x: number; y: number }) => number): number =>
            points.reduce((sum, p) => sum + of(p), 0) / points.length;
          return { x: mean((p) => p.x), y: mean((p) => p.y) };
        });
        middles.forEach((a, i) => {
          expect(a.x).toBeGreaterThan(0);
          expect(a.x).toBeLessThan(width);
          expect(a.y).toBeLessThan(height);
          for (const b of middles.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(18);
        });
      }
    }
  });
  test('branches like one another are drawn once where there is no room, and counted', () => {
    const assembly = assemble(demo(), demoJob);
    const lamps = assembly.parts.filter((p) => p.kind === 'lamp').length;
    const drawnLamps = (width: number): number[] =>
      laddersOf(assembly, { width, height: 300 }).flatMap(({ parts }) =>
        parts.filter((p) => p.part.kind === 'lamp').map((p) => 1 + p.alike.length),
      );
    expect(drawnLamps(2000)).toHaveLength(lamps);
    expect(drawnLamps(420).length).toBeLessThan(lamps);
    expect(drawnLamps(420).reduce((a, b) => a + b, 0)).toBe(lamps);
  });
  test('a lamp with another resistor is not one of them', () => {
    const { layout } = change(demo(), (draft) => {
      const [first] = Object.values(draft.jobs[demoJob].lamps);
      first.ohms = 123;
    });
    const odd = laddersOf(assemble(layout, demoJob), { width: 420, height: 300 })
      .flatMap((l) => l.parts)
      .filter((p) => p.part.kind === 'resistor' && p.part.ohms === 123);
    expect(odd).toHaveLength(1);
    expect(odd[0].alike).toEqual([]);
  });
});
