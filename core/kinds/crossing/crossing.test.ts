import { describe, expect, test } from 'vitest';
import { driverNames } from '../../../tests/driven';
import { quayside } from '../../../tests/scenery';
import { assemble } from '../../assembly/assemble';
import { checkJob } from '../../finding/check';
import { benchOf } from '../../study/bench';
import { litPhases } from '../../study/lit-phases';
import { lampNamesOf } from '../../study/lamp-names';
import { usualState } from '../../study/states';
import { ASPECT } from '../../supply/state';
import { crossingIn } from './jobs';
import { newCrossing } from './make';
import { crossingOrder } from './order';
import { crossingSize, lampAt, postAt, usualPlaces, usualRoad } from './road';
import type { CrossingWish } from './make';

const wish: CrossingWish = {
  name: 'Crossing',
  posts: 2,
  barriers: true,
  bell: true,
  part: 'red',
  supply: { id: 'bus-12' },
  driver: 'alternating',
  common: 'anode',
};
const made = (of: Partial<CrossingWish> = {}) => newCrossing(quayside(), { ...wish, ...of });

describe('a crossing as it stands', () => {
  const { layout, jobId } = made();
  const job = crossingIn(layout, jobId);
  test('two posts, two lamps each, three on each barrier, a tell-tale', () => {
    const count = (place: string): number => Object.values(job.lamps).filter((l) => l.place === place).length;
    expect(['left', 'right', 'barrier', 'bell'].map(count)).toEqual([2, 2, 6, 1]);
    expect(usualPlaces(1, usualRoad('H0', false), false)).toHaveLength(2);
  });
  test('barriers reach towards one another, lamps of a pair stand on either side of their post', () => {
    const at = (place: 'left' | 'right' | 'barrier', post: number, outMillimetres = 0) =>
      lampAt(job, { place, post, outMillimetres });
    expect(at('left', 1).x).toBeLessThan(postAt(job, 1));
    expect(at('right', 1).x).toBeGreaterThan(postAt(job, 1));
    expect(at('barrier', 1, 10).x).toBeGreaterThan(postAt(job, 1));
    expect(at('barrier', 2, 10).x).toBeLessThan(postAt(job, 2));
    expect(crossingSize(job).width).toBeGreaterThan(postAt(job, 2));
  });
  test('its lamps have names a person can follow', () => {
    const names = [...lampNamesOf(layout, jobId).values()];
    expect(new Set(names).size).toBe(names.length);
    expect(names).toContain('Left lamp of post 1');
    expect(names).toContain('Barrier lamp of post 2, 3');
    expect(names).toContain('Bell tell-tale');
  });
  test('three leads go down each post: the common and one for each side; a barrier’s go past its pivot', () => {
    const { leads } = assemble(layout, jobId);
    for (const post of [1, 2])
      expect(leads.filter((l) => l.through.includes(`post-${post}`))).toHaveLength(3);
    expect(leads.filter((l) => l.through.includes('barrier-1')).length).toBeGreaterThan(1);
  });
  test('two holes into each post, at an angle, before its lamps', () => {
    const drill = crossingOrder.works(layout, job).find((w) => w.id === 'drill-post')!;
    expect(drill.does).toContain('45°');
    expect(drill.before).toBe('threading');
  });
});

describe.each(driverNames)('on %s', (driver) => {
  const { layout, jobId } = made({ driver });
  const bench = benchOf(layout, jobId);
  const job = crossingIn(layout, jobId);
  /** Places that are lit in each phase. */
  const lit = (aspect: string): string[][] =>
    litPhases(bench, usualState(bench, { [ASPECT]: aspect })).map(({ readings }) => [
      ...new Set(readings.dies.filter((d) => d.lightness > 9).map((d) => job.lamps[d.lampId].place)),
    ]);
  const inPairs = driver === 'accessory-pairs' || driver === 'accessory-reversing';
  const flashes = driver !== 'contacts' && !inPairs;

  test('left and right are lit in turn where it can flash; where it cannot, that is said', () => {
    const found = checkJob(layout, jobId).map((f) => f.rule);
    if (!flashes) {
      expect(found).toContain('aspect-not-shown');
      return;
    }
    const phases = lit('closed');
    expect(phases).toHaveLength(2);
    expect(phases[0]).toContain('left');
    expect(phases[0]).not.toContain('right');
    expect(phases[1]).toContain('right');
    expect(phases[1]).not.toContain('left');
  });
  test('barrier lamps stand lit where there is an output for them, else they flash with the left', () => {
    if (!flashes) return;
    const phases = lit('closed').map((p) => p.includes('barrier'));
    expect(phases).toEqual(['pins', 'matrix'].includes(driver) ? [true, true] : [true, false]);
  });
  test('open to the road it is dark', () => {
    // Of each address one way is always on.
    if (inPairs) return;
    expect(lit('open').flat()).toEqual([]);
  });
});
