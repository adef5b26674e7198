import { condition } from '../../tests/roof';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { change } from '../document/patch';
import { usualSupply } from '../document/usual-supply';
import { benchOf } from './bench';
import { contactOver, deadSpans, lostSpans, type Loop } from './contact';
import { deadLength, gapSeconds, modelSpeed } from './gap';
import { reservoirVolts } from './line-readings';
import { LiveRun, QUANTUM_SECONDS, replay, type RunControls, type RunEvent, type RunStart } from './live-run';
import { reservoirFor, rideStudy } from './ride';
import { usualReadings } from './solver';
import { coachIn } from '../kinds/coach/jobs';
import type { Layout } from '../document/layout';

const controls: RunControls = {
  power: true,
  throttle: 1,
  direction: 'forward',
  kilometresPerHour: 60,
  stretches: [],
};
const pickups = { kind: 'wipers', axles: 'one-truck', wheelsPerRail: 2, baseMillimetres: 25 } as const;
const start = (layout: Layout = demo(), more: Partial<RunStart> = {}): RunStart => ({
  layout,
  jobId: demoJob,
  controls,
  loopMillimetres: 2000,
  seed: 3,
  ...more,
});

describe('gaps', () => {
  test('40 km/h in H0 are 128 mm a second (1:87, NEM 010)', () => {
    expect(modelSpeed(40, 'H0')).toBeCloseTo(40e6 / 3600 / 87, 9);
    expect(gapSeconds({ pickups, ride: { deadMillimetres: 125, kilometresPerHour: 40 } }, 'H0')).toBeCloseTo(
      100 / 127.7,
      3,
    );
  });
  test('a longer pickup base bridges a longer dead length', () => {
    expect(deadLength(60, pickups)).toBe(35);
    expect(deadLength(60, { ...pickups, baseMillimetres: 166 })).toBe(0);
  });
  test('contact is lost exactly where every wheel of a rail is on dead rail, by walking the loop', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 990 }), fc.integer({ min: 2, max: 300 })), {
          maxLength: 4,
        }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 200 }),
        (pieces, wheelsPerRail, baseMillimetres) => {
          const loop: Loop = {
            lengthMillimetres: 1000,
            stretches: pieces.map(([from, length]) => ({
              fromMillimetres: from,
              toMillimetres: from + length,
              kind: 'dead',
            })),
          };
          const dead = deadSpans(loop, 1);
          const lost = lostSpans(loop, 1, { ...pickups, wheelsPerRail, baseMillimetres });
          for (let place = 0.5; place < 1000; place += 7) {
            const wheels = Array.from({ length: wheelsPerRail }, (_, i) =>
              wheelsPerRail === 1 ? place : place - (baseMillimetres * i) / (wheelsPerRail - 1),
            );
            const off = wheels.every((w) => {
              const at = ((w % 1000) + 1000) % 1000;
              return dead.some(([a, b]) => at >= a && at < b);
            });
            expect(lost.some(([a, b]) => place >= a && place < b)).toBe(off);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  test('toggles come at the ends of a dead piece, lap after lap, backwards too', () => {
    const lost = [[100, 150]] as const;
    expect(contactOver(lost, 1000, 0, 100, 0, 12)).toEqual({
      made: true,
      toggleSeconds: [1, 1.5, 11, 11.5].map((t) => expect.closeTo(t, 9)),
    });
    expect(contactOver(lost, 1000, 200, -100, 2, 4).toggleSeconds).toEqual([
      expect.closeTo(2.5, 9),
      expect.closeTo(3, 9),
    ]);
    expect(contactOver(lost, 1000, 120, 0, 0, 5)).toEqual({ made: false, toggleSeconds: [] });
  });
  test('dirt lies where its seed puts it, again and again', () => {
    const loop: Loop = {
      lengthMillimetres: 1000,
      stretches: [{ fromMillimetres: 100, toMillimetres: 400, kind: 'dirty' }],
    };
    expect(deadSpans(loop, 5)).toEqual(deadSpans(loop, 5));
    expect(deadSpans(loop, 5)).not.toEqual(deadSpans(loop, 6));
    for (const [from, to] of deadSpans(loop, 5)) {
      expect(from).toBeGreaterThanOrEqual(100);
      expect(to).toBeLessThanOrEqual(400);
    }
  });
});

describe('a run', () => {
  const scripts: fc.Arbitrary<{ at: number; set: Partial<RunControls> }[]> = fc.array(
    fc.record({
      at: fc.integer({ min: 1, max: 90 }),
      set: fc.oneof(
        fc.record({ power: fc.boolean() }),
        fc.record({ kilometresPerHour: fc.constantFrom(0, 20, 120) }),
        fc.record({ direction: fc.constantFrom('forward', 'reverse') }),
        fc.record({ throttle: fc.constantFrom(0, 0.4, 1) }),
        fc.constant({ stretches: [{ fromMillimetres: 40, toMillimetres: 300, kind: 'dirty' as const }] }),
      ),
    }),
    { maxLength: 6 },
  );
  const kinds = fc.constantFrom('dcc-track', 'dc-track', 'ac-track');

  test('replayed from its events it is the same to the last bit, however it was asked for live', () => {
    fc.assert(
      fc.property(
        kinds,
        scripts,
        fc.array(fc.integer({ min: 1, max: 17 }), { minLength: 1, maxLength: 9 }),
        (kind, script, chunks) => {
          const layout = change(
            demo(),
            (draft) => void (draft.supplies.track = usualSupply(kind, 'H0', 1) as Layout['supplies'][string]),
          ).layout;
          const live = new LiveRun(start(layout));
          const seen = [];
          const todo = [...script].sort((a, b) => a.at - b.at);
          let quanta = 0;
          for (let i = 0; quanta < 100; i++) {
            let next = Math.min(100, quanta + chunks[i % chunks.length]);
            if (todo[0] && todo[0].at <= next) next = Math.max(quanta, todo[0].at);
            seen.push(...live.advance(next * QUANTUM_SECONDS));
            quanta = next;
            while (todo[0] && todo[0].at <= quanta) live.control(todo.shift()!.set);
          }
          const again = replay(start(layout), live.events, 100 * QUANTUM_SECONDS);
          expect(again).toEqual(seen);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('left alone it stays in its steady state', () => {
    const steady = usualReadings(benchOf(demo(), demoJob));
    const [last] = new LiveRun(start()).advance(1).slice(-1);
    expect(last.light).toBeCloseTo(1, 3);
    expect(last.reservoirVolts / reservoirVolts(benchOf(demo(), demoJob), steady)!.mean).toBeCloseTo(1, 3);
    expect(last.contact).toBe(true);
  });

  test('an event acts from the present state: the power cut falls, the power back climbs', () => {
    const events: RunEvent[] = [
      { seconds: 0.2, set: { power: false } },
      { seconds: 0.6, set: { power: true } },
    ];
    const samples = replay(start(), events, 1.5);
    const at = (t: number): number => samples.find((s) => s.seconds >= t - 1e-9)!.light;
    expect(at(0.2)).toBeCloseTo(1, 2);
    expect(at(0.59)).toBeLessThan(0.4);
    expect(at(0.59)).toBeGreaterThan(0.05);
    expect(at(1.5)).toBeGreaterThan(0.95);
  });

  test('on a DC track at a stop the light goes out, and in reverse a bridge keeps it', () => {
    const layout = change(demo(), (draft) => {
      draft.supplies.track = usualSupply('dc-track', 'H0', 1) as Layout['supplies'][string];
      condition(coachIn(draft, demoJob), { reservoir: null });
    }).layout;
    const dark = replay(start(layout), [{ seconds: 0.1, set: { throttle: 0 } }], 0.3);
    expect(dark[dark.length - 1].light).toBeLessThan(0.01);
    const back = replay(start(layout), [{ seconds: 0.1, set: { direction: 'reverse' } }], 0.3);
    expect(back[back.length - 1].light).toBeCloseTo(back[5].light, 3);
  });
});

describe('riding over', () => {
  test('the suggested reservoir rides the gap and the next smaller one does not', () => {
    const layout = change(demo(), (draft) => {
      draft.drawer.reservoirs = {};
      coachIn(draft, demoJob).ride = { deadMillimetres: 260, kilometresPerHour: 30 };
      condition(coachIn(draft, demoJob), { reservoir: { farads: 100e-6, ratedVolts: 25 } });
    }).layout;
    const bench = benchOf(layout, demoJob);
    const ride = rideStudy(bench, usualReadings(bench))!;
    expect(ride.lightLeft).toBeLessThan(0.5);
    const fit = ride.reservoir!;
    const withFarads = (farads: number): number => {
      const tried = benchOf(
        change(layout, (draft) => condition(coachIn(draft, demoJob), { reservoir: { farads: farads } }))
          .layout,
        demoJob,
      );
      return rideStudy(tried, usualReadings(tried))!.lightLeft;
    };
    expect(withFarads(fit.farads)).toBeGreaterThanOrEqual(0.5);
    expect(withFarads(fit.farads / 1.47)).toBeLessThan(0.5);
    expect(fit.can.diameter).toBeGreaterThan(4);
  });
  test('nothing rides a minute', () => expect(reservoirFor(benchOf(demo(), demoJob), 60)).toBeNull());
});
