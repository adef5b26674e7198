import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { change } from '../document/patch';
import { recordFacts } from '../kinds/records';
import { standsOf } from './stands';

describe('where things of the quay stand', () => {
  const layout = boatTrain();
  const stands = standsOf(layout);
  test('every job stands in one place, or is said to stand nowhere', () => {
    const placed = [...stands.jobs.keys(), ...stands.onTrack.flatMap((r) => r.jobIds), ...stands.nowhere];
    expect([...placed].sort()).toEqual(Object.keys(layout.jobs).sort());
  });
  test('a job of the network stands where its place is', () => {
    for (const { is, xMillimetres: x, yMillimetres: y } of Object.values(layout.network.nodes))
      if (is.kind === 'job') expect(stands.jobs.get(is.jobId)).toEqual({ x, y });
  });
  test('what runs on rails stands along the feed of a track, no two at one spot', () => {
    const spots = stands.onTrack.map((r) => `${r.at.x} ${r.at.y}`);
    expect(spots.length).toBeGreaterThan(1);
    expect(new Set(spots).size).toBe(spots.length);
    for (const { at } of stands.onTrack) {
      const near = stands.rails.map(({ from, to }) => {
        const [dx, dy] = [to.x - from.x, to.y - from.y];
        const share = Math.max(
          0,
          Math.min(1, ((at.x - from.x) * dx + (at.y - from.y) * dy) / (dx * dx + dy * dy || 1)),
        );
        return Math.hypot(at.x - from.x - share * dx, at.y - from.y - share * dy);
      });
      expect(Math.min(...near)).toBeLessThan(1e-6);
    }
  });
  test('a feed that nothing on rails hangs on is no track', () => {
    for (const { supplyId } of stands.rails)
      expect(
        Object.values(layout.jobs).some((j) => j.supplyId === supplyId && recordFacts(j.kind).onRails),
      ).toBe(true);
  });
  test('without a network all stand nowhere', () => {
    const bare = change(layout, (draft) => void (draft.network = { nodes: {}, runs: {} })).layout;
    expect(standsOf(bare).nowhere).toHaveLength(Object.keys(layout.jobs).length);
  });
});
