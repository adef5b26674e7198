import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { carousel, generatedTimeline } from '../../../tests/timelines';
import { movingEffectNames, movingEffects, usualParameters } from './effects';
import { levelOf } from './effects/level-of';
import { noiseOf } from './effects/whole';
import { harmfulClips, timelineDoubts, type Timeline } from './timeline';
import { laidOut, worstMoments } from './laid-out';

const LAMP = { colourAmps: 0.012, idleAmps: 0.0008 };

describe.each(movingEffectNames)('the effect %s', (name) => {
  const { parameters, flashesPerSecond } = movingEffects[name] as (typeof movingEffects)['wink'];
  const level = levelOf(name);
  const any = fc.record({
    t: fc.integer({ min: 0, max: 43_200_000 }),
    i: fc.integer({ min: 0, max: 499 }),
    s: fc.integer({ min: 0, max: 65_535 }),
    c: fc.integer({ min: 0, max: 2 }),
    shares: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 0, max: 1, noNaN: true }))),
  });
  const figures = (shares: readonly number[]): number[] =>
    [0, 1, 2].map((k) => {
      const of = parameters.at(k);
      return of ? Math.round(of.least + (of.most - of.least) * shares[k]) : 0;
    });

  test('is a whole number from 0 to 255 for whatever it may be given, and the same when asked again', () =>
    fc.assert(
      fc.property(any, ({ t, i, s, c, shares }) => {
        const [p, q, r] = figures(shares);
        const of = { t, i, n: 500, s, c, p, q, r };
        const is = level(of);
        expect(Number.isInteger(is)).toBe(true);
        expect(is).toBeGreaterThanOrEqual(0);
        expect(is).toBeLessThanOrEqual(255);
        expect(level({ ...of })).toBe(is);
      }),
      { seed: 51 },
    ));

  test('flashes no more often than it says: from dark to light and back within any second', () =>
    fc.assert(
      fc.property(
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 0, max: 1, noNaN: true }))),
        fc.nat(60_000),
        (shares, s) => {
          const [p, q, r] = figures(shares.map((x) => x ** 3));
          const said = flashesPerSecond([p, q, r], 24);
          let flashes = 0;
          let turning = level({ t: 0, i: 1, n: 24, s, c: 0, p, q, r });
          let rising: boolean | null = null;
          // Ten seconds; a flash is a swing of a tenth and more up and down again (WCAG 2.2, general flash).
          for (let t = 5; t <= 10_000; t += 5) {
            const now = level({ t, i: 1, n: 24, s, c: 0, p, q, r });
            if (rising !== true && now - turning >= 26) {
              rising = true;
              flashes++;
            } else if (rising !== false && turning - now >= 26) rising = false;
            if (rising === true ? now > turning : rising === false ? now < turning : false) turning = now;
            else if (rising !== null && Math.abs(now - turning) >= 26) turning = now;
          }
          expect(flashes).toBeLessThanOrEqual(10 * said + 2);
        },
      ),
      { seed: 52, numRuns: 30 },
    ));
});

describe('effects as people know them', () => {
  const at = (name: (typeof movingEffectNames)[number], t: number, i = 0, n = 8): number => {
    const [p = 0, q = 0, r = 0] = usualParameters(name);
    return levelOf(name)({ t, i, n, s: 5, c: 0, p, q, r });
  };
  test('alternate: every other lamp, then the others', () => {
    expect([0, 1, 2, 3].map((i) => at('alternate', 0, i))).toEqual([255, 0, 255, 0]);
    expect([0, 1, 2, 3].map((i) => at('alternate', 700, i))).toEqual([0, 255, 0, 255]);
  });
  test('chase: three lit lamps run on by one at each step', () => {
    const lit = (t: number): number[] => [...Array(8).keys()].filter((i) => at('chase', t, i) > 0);
    expect(lit(0)).toEqual([0, 1, 2]);
    expect(lit(180)).toEqual([1, 2, 3]);
    expect(lit(180 * 7)).toEqual([0, 1, 7]);
  });
  test('gas comes up slowly and stays; the next lamp begins later', () => {
    expect(at('gas', 0)).toBe(40);
    expect(at('gas', 10_000)).toBe(255);
    expect(at('gas', 1000, 1)).toBe(0);
    expect(at('gas', 1600, 1)).toBeGreaterThan(0);
  });
  test('a fluorescent tube burns in the end', () => {
    for (let i = 0; i < 8; i++) expect(at('fluorescent', 4100, i)).toBe(255);
  });
  test('breathing is darkest at the ends of a breath and full in its middle', () => {
    expect(at('breathing', 0)).toBe(0);
    expect(at('breathing', 2000)).toBe(255);
    expect(at('breathing', 3999)).toBe(0);
  });
  test('the colour wheel is never dark in all three colours', () => {
    const [p, q] = usualParameters('colour-wheel');
    for (let t = 0; t < p; t += 50) {
      const of = [0, 1, 2].map((c) => levelOf('colour-wheel')({ t, i: 0, n: 1, s: 0, c, p, q, r: 0 }));
      expect(Math.max(...of)).toBeGreaterThan(120);
    }
  });
  test('noise is even: every value of a byte comes, none much more often than another', () => {
    const counts = new Array<number>(256).fill(0);
    for (let a = 0; a < 256; a++) for (let b = 0; b < 256; b++) counts[noiseOf(a, b)]++;
    // 65,536 draws, 256 each: six standard deviations of a Poisson count are 96.
    expect(Math.min(...counts)).toBeGreaterThan(256 - 96);
    expect(Math.max(...counts)).toBeLessThan(256 + 96);
  });
});

describe('a time line', () => {
  test('is sound as it is made, and has no scene that can hurt', () => {
    expect(timelineDoubts(carousel)).toEqual([]);
    expect(harmfulClips(carousel)).toEqual([]);
  });
  test('repeats, and the same moment is the same frame', () =>
    fc.assert(
      fc.property(generatedTimeline, fc.nat(200_000), (of, at) => {
        const fill = laidOut(of);
        const frames = [0, 1].map(() => new Uint8Array(of.channels + 3 * of.lamps));
        fill(at, frames[0]);
        fill(at + of.lastsMilliseconds, frames[1]);
        expect(frames[1]).toEqual(frames[0]);
      }),
      { seed: 53, numRuns: 50 },
    ));
  test('nothing goes above its cap', () =>
    fc.assert(
      fc.property(generatedTimeline, (of) => {
        const fill = laidOut(of);
        const frame = new Uint8Array(of.channels + 3 * of.lamps);
        for (let at = 0; at < of.lastsMilliseconds; at += 777) {
          fill(at, frame);
          expect(Math.max(...frame)).toBeLessThanOrEqual((255 * of.capPercent) / 100);
        }
      }),
      { seed: 54, numRuns: 30 },
    ));
  test('is dark where no scene is, and shows the later one of two', () => {
    const of: Timeline = {
      ...carousel,
      clips: [
        {
          group: 'booth',
          fromMilliseconds: 1000,
          toMilliseconds: 5000,
          effect: 'steady',
          parameters: [100],
          colour: [0, 0, 0],
        },
        {
          group: 'booth',
          fromMilliseconds: 2000,
          toMilliseconds: 3000,
          effect: 'steady',
          parameters: [50],
          colour: [0, 0, 0],
        },
      ],
      capPercent: 100,
    };
    const frame = new Uint8Array(of.channels + 3 * of.lamps);
    const level = (at: number): number => {
      laidOut(of)(at, frame);
      return frame[0];
    };
    expect([500, 1500, 2500, 3500, 5000].map(level)).toEqual([0, 255, 127, 255, 0]);
  });
  test('the greatest sum is that of the worst frame; a ring of 24 full white at 12 mA a colour draws 0.88 A (closed form)', () => {
    const of: Timeline = {
      ...carousel,
      clips: [
        {
          group: 'ring',
          fromMilliseconds: 4000,
          toMilliseconds: 6000,
          effect: 'steady',
          parameters: [100],
          colour: [255, 255, 255],
        },
      ],
      capPercent: 100,
    };
    const worst = worstMoments(of, [], LAMP);
    expect(worst.string.milliseconds).toBe(4000);
    expect(worst.string.amps).toBeCloseTo(24 * (3 * 0.012 + 0.0008), 9);
    expect(worst.channels.amps).toBe(0);
    const dark = worstMoments({ ...of, clips: [] }, [0.01, 0.02], LAMP);
    expect(dark.string.amps).toBeCloseTo(24 * 0.0008, 12);
  });
  test('nonsense is refused with path and reason', () => {
    const of: Timeline = {
      ...carousel,
      groups: [...carousel.groups, { id: 'x', name: 'Twice', kind: 'string', lamps: [3, 99] }],
      clips: [
        {
          group: 'nowhere',
          fromMilliseconds: 5,
          toMilliseconds: 5,
          effect: 'lightning' as never,
          parameters: [],
          colour: [0, 0, 0],
        },
        {
          group: 'ring',
          fromMilliseconds: 0,
          toMilliseconds: 100,
          effect: 'chase',
          parameters: [0, 1.5, 300],
          colour: [0, 300, 0],
        },
      ],
      frameMilliseconds: 2.5,
      capPercent: 0,
    };
    expect(timelineDoubts(of).map((d) => d.path.join('.'))).toEqual([
      'frameMilliseconds',
      'capPercent',
      'groups.3.lamps.0',
      'groups.3.lamps.1',
      'clips.0.group',
      'clips.0',
      'clips.0.effect',
      'clips.1.parameters.0',
      'clips.1.parameters.1',
      'clips.1.parameters.2',
      'clips.1.colour',
    ]);
  });
  test('scenes that flash three times a second and more are told', () => {
    const fast: Timeline = {
      ...carousel,
      clips: [
        {
          group: 'ring',
          fromMilliseconds: 0,
          toMilliseconds: 100,
          effect: 'wink',
          parameters: [200, 50],
          colour: [255, 0, 0],
        },
      ],
    };
    expect(harmfulClips(fast)).toEqual([{ clip: 0, hertz: 5 }]);
  });
});
