import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addPlace, addRun, busOf, generatedNetwork, lampsOf, withBus } from '../../tests/networks';
import { change, patched } from '../document/patch';
import { bySection, feedWires, nextThicker } from '../part/feed-wire';
import { goesWithin } from '../part/fuse-speed';
import { conductorOhms } from '../quantity/conductor';
import { hangsOn } from './hangs-on';
import { judgeNetwork } from '../finding/feed/judge-network';
import { NetworkError } from './network';
import { feedReading } from './reading';
import { runCsv, runTable } from '../build/lists/run-table';
import { runMillimetres } from './run-length';
import { shortsOf } from './short';
import { FeedSolver } from './solve';
import type { Layout } from '../document/layout';
import type { NodePart, RunPart } from '../document/network-record';
import type { Draft } from 'immer';

/** A supply, a tail of one run, and a load at its end. */
function tail(
  is: NodePart,
  { metres = 5, wire = '16-0.2', volts = 12, limitAmps = 5, parts = [] as RunPart[] } = {},
): Layout {
  return change(withBus(volts, limitAmps), (draft) => {
    addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
    addPlace(draft, 'end', 1000, 0, is);
    addRun(draft, 'supply', 'end', { wire, millimetres: 1000 * metres, parts });
  }).layout;
}
const draws = (amps: number, volts = 12): NodePart => ({ kind: 'typed', volts, amps, behaves: 'resistor' });
const ids = (layout: Layout): string[] => judgeNetwork(layout).map((f) => f.rule);
const edit = (layout: Layout, recipe: (draft: Draft<Layout>) => void): Layout =>
  change(layout, recipe).layout;

describe('wires and fuses as the standards have them', () => {
  test.each([
    // ASTM B258, table of nominal diameters: area in square millimetres.
    ['awg-24', 0.2047],
    ['awg-22', 0.3256],
    ['awg-20', 0.5189],
    ['awg-18', 0.8235],
    ['awg-16', 1.3087],
    ['awg-14', 2.082],
    ['awg-12', 3.3088],
  ])('%s has %f mm2, within 1 %% of ASTM B258', (id, square) => {
    expect(feedWires[id].squareMillimetres / square).toBeGreaterThan(0.99);
    expect(feedWires[id].squareMillimetres / square).toBeLessThan(1.01);
  });
  test.each([
    // IEC 60028: 1/58 ohm mm2 per metre at 20 degrees; a kilometre of 1 mm2 is 17.24 ohm, and 0.393 % more each kelvin.
    [1000, 1, 20, 17.241],
    [1000, 1, 50, 19.274],
    [1000, 2.5, 20, 6.8966],
    [10, 0.5, 20, 0.34483],
  ])('%i m of %f mm2 at %i degrees: %f ohm', (metres, square, degrees, ohms) => {
    expect(conductorOhms(1000 * metres, square, degrees) / ohms).toBeCloseTo(1, 3);
  });
  test('what is thicker bears more; the next of the same sort is the next', () => {
    for (const sort of [true, false]) {
      const own = bySection().filter((w) => w.id.startsWith('awg') === sort);
      own.forEach((w, k) => {
        if (k > 0) expect(w.bearsAmps).toBeGreaterThan(own[k - 1].bearsAmps);
        expect(nextThicker(w.id)?.id).toBe(own.at(k + 1)?.id);
      });
    }
  });
  test.each([
    // IEC 60127-2, sheets 2 and 3, from memory: at the latest.
    ['quick', 2.75, 2],
    ['quick', 4, 0.3],
    ['quick', 10, 0.02],
    ['slow', 2.75, 10],
    ['slow', 4, 3],
    ['slow', 10, 0.3],
    ['quick', 2, null],
    ['slow', 1.5, null],
    ['resettable', 1.5, null],
  ] as const)('a %s fuse at %f times its rating', (speed, times, seconds) => {
    const within = goesWithin(speed, times);
    if (seconds === null) expect(within).toBeNull();
    else expect(within).toBeCloseTo(seconds, 6);
  });
  test('the more flows, the sooner it goes', () => {
    for (const speed of ['quick', 'slow', 'resettable'] as const) {
      const times = Array.from({ length: 60 }, (_, k) => goesWithin(speed, 2.1 + 0.2 * k) ?? Infinity);
      times.forEach((t, k) => expect(t).toBeLessThanOrEqual(k > 0 ? times[k - 1] : Infinity));
    }
  });
});

describe('a network solved', () => {
  test('a tail loses what its two conductors, four joints and its source take: I (2 R + r), by hand', () => {
    const reading = feedReading(tail(draws(1)));
    // 12 ohm behind 2 x (5 m / 58 / 0.5027 mm2 + 2 joints of 1 mohm) and 5 mohm of the source.
    const loop = 2 * (5 / 58 / feedWires['16-0.2'].squareMillimetres + 0.002) + 0.005;
    expect(reading.places.get('end')!.amps).toBeCloseTo(12 / (12 + loop), 6);
    expect(reading.places.get('end')!.volts).toBeCloseTo((12 * 12) / (12 + loop), 6);
    expect(reading.runs.get('run-1')!.dropVolts).toBeCloseTo((12 / (12 + loop)) * (loop - 0.005), 6);
  });
  test('what keeps its power takes more as its volts fall: V = (E + sqrt(E^2 - 4 R P)) / 2', () => {
    const reading = feedReading(tail({ kind: 'typed', volts: 12, amps: 1, behaves: 'power' }));
    const loop = 2 * (5 / 58 / feedWires['16-0.2'].squareMillimetres + 0.002) + 0.005;
    expect(reading.places.get('end')!.volts).toBeCloseTo((12 + Math.sqrt(144 - 4 * loop * 12)) / 2, 6);
  });
  test('a ring fed at one place: half the way round both sides carry the same, and it loses a quarter of a tail', () => {
    const ring = change(withBus(12, 10), (draft) => {
      addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
      addPlace(draft, 'far', 1000, 0, draws(2));
      addRun(draft, 'supply', 'far', { millimetres: 8000 });
      addRun(draft, 'far', 'supply', { millimetres: 8000 });
    }).layout;
    const both = feedReading(ring);
    const [one, other] = ['run-1', 'run-2'].map((r) => Math.abs(both.runs.get(r)!.amps));
    expect(one).toBeCloseTo(other, 9);
    const single = feedReading(edit(ring, (d) => void Reflect.deleteProperty(d.network.runs, 'run-2')));
    const lost = (r: ReturnType<typeof feedReading>): number => 12 - r.places.get('far')!.volts;
    expect(lost(both) / lost(single)).toBeCloseTo(0.5, 1);
  });
  test('energy: what supplies give is what loads, wires, supplies and converters take, within 0.1 %', () => {
    fc.assert(
      fc.property(generatedNetwork, (layout) => {
        const { given, loads, wires, supplies, converters } = feedReading(layout).energy;
        expect(Math.abs(given - (loads + wires + supplies + converters))).toBeLessThan(
          1e-3 * Math.max(given, 1e-3),
        );
      }),
      { numRuns: 120, seed: 8 },
    );
  });
  test('a converter that is starved says so, and its output falls with its input', () => {
    const of = (metres: number): ReturnType<typeof feedReading> =>
      feedReading(
        change(withBus(12, 5), (draft) => {
          addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
          addPlace(draft, 'step-down', 0, 0, {
            kind: 'converter',
            outVolts: 9,
            efficiency: 0.9,
            limitAmps: 3,
            headroomVolts: 1.5,
          });
          addPlace(draft, 'end', 0, 0, draws(1.5, 9));
          addRun(draft, 'supply', 'step-down', { wire: '7-0.2', millimetres: 1000 * metres });
          addRun(draft, 'step-down', 'end', { fromOutput: true, millimetres: 300 });
        }).layout,
      );
    const near = of(1);
    const [c] = near.network.converters;
    expect(near.solution.converters.get(c)!.starved).toBe(false);
    // What comes out over what goes in is its efficiency.
    const out = near.solution.sourceAmps.get(c.output)! * 9;
    expect(out / (near.solution.converters.get(c)!.inAmps * near.places.get('step-down')!.volts)).toBeCloseTo(
      0.9,
      6,
    );
    const far = of(20);
    expect(far.solution.converters.get(far.network.converters[0])!.starved).toBe(true);
    expect(far.places.get('end')!.volts).toBeLessThan(8);
  });
  test('converters that feed one another in a round are refused with a word', () => {
    const round = change(withBus(12, 5), (draft) => {
      addPlace(draft, 'one', 0, 0, {
        kind: 'converter',
        outVolts: 9,
        efficiency: 0.9,
        limitAmps: 3,
        headroomVolts: 1,
      });
      addPlace(draft, 'other', 0, 0, {
        kind: 'converter',
        outVolts: 5,
        efficiency: 0.9,
        limitAmps: 3,
        headroomVolts: 1,
      });
      addRun(draft, 'one', 'other', { fromOutput: true });
      addRun(draft, 'other', 'one', { fromOutput: true });
    }).layout;
    expect(() => feedReading(round)).toThrow(NetworkError);
    expect(ids(round)).toContain('feed-no-answer');
  });
  test('solved again after any edits it is what it is solved anew', () => {
    const edits = fc.array(
      fc.record({
        what: fc.constantFrom(
          'load',
          'wire',
          'moved',
          'supply renamed',
          'taken away',
          'another load',
          'layout renamed',
        ),
        at: fc.nat(),
        ohms: fc.constantFrom(220, 680, 1500),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const one = (
      draft: Draft<Layout>,
      { what, at, ohms }: { what: string; at: number; ohms: number },
    ): void => {
      const { nodes, runs } = draft.network;
      const ends = Object.keys(nodes).filter((id) => ['lamps', 'typed'].includes(nodes[id].is.kind));
      const id = ends[at % ends.length];
      const run = Object.values(runs)[at % Object.keys(runs).length];
      if (what === 'wire') run.millimetres = 3 * ohms;
      else if (what === 'supply renamed') draft.supplies.bus.name = `Bus ${at}`;
      else if (what === 'layout renamed') draft.name = `Quay ${at}`;
      else if (id === undefined) return;
      else if (what === 'moved') nodes[id].xMillimetres += ohms;
      else if (what === 'another load') nodes[id].is = lampsOf(1 + (at % 5), ohms);
      else if (what === 'taken away') {
        for (const [r, { from, to }] of Object.entries(runs))
          if (from === id || to === id) Reflect.deleteProperty(runs, r);
        Reflect.deleteProperty(nodes, id);
      } else {
        const { is } = nodes[id];
        if (is.kind === 'lamps') is.ohms = ohms;
        if (is.kind === 'typed') is.amps = ohms / 5000;
      }
    };
    fc.assert(
      fc.property(generatedNetwork, edits, (layout, script) => {
        const solver = new FeedSolver();
        feedReading(layout, solver);
        let at = layout;
        for (const step of script) {
          at = edit(at, (draft) => one(draft, step));
          const [kept, anew] = [feedReading(at, solver), feedReading(at)];
          expect([...kept.places.keys()]).toEqual([...anew.places.keys()]);
          for (const [id, { volts, amps }] of anew.places) {
            expect(kept.places.get(id)!.volts, `${step.what} ${id}`).toBeCloseTo(volts, 6);
            expect(kept.places.get(id)!.amps, `${step.what} ${id}`).toBeCloseTo(amps, 6);
          }
        }
      }),
      { numRuns: 80, seed: 5 },
    );
  });
  test('the lamps of one tap changed, nothing else is laid anew; a wire changed, all is', () => {
    const solver = new FeedSolver();
    const bus = busOf(40);
    const { network } = solver.lower(bus);
    const ohms = edit(bus, (d) => void (d.network.nodes['lamps-17'].is = lampsOf(9, 220)));
    expect(solver.lower(ohms).network.pairs).toBe(network.pairs);
    const wire = edit(ohms, (d) => void (Object.values(d.network.runs)[0].wire = 'awg-24'));
    expect(solver.lower(wire).network.pairs).not.toBe(network.pairs);
  });
  test('what nothing reaches is at rest; behind an open switch too', () => {
    const off = tail(draws(1), { parts: [{ kind: 'switch', on: false, ratedAmps: 3, contactOhms: 0.02 }] });
    expect(feedReading(off).places.get('end')!.volts).toBe(0);
    expect(feedReading(off).runs.get('run-1')!.open).toBe(true);
    expect(ids(off)).toContain('not-fed');
  });
});

describe('a short', () => {
  test.each([
    // Five worked by hand: E over 2 R + joints + source + the short itself; the supply's limit holds it.
    [5, '16-0.2', 12, 100],
    [20, '7-0.2', 12, 100],
    [2, 'awg-18', 24, 100],
    [10, '24-0.2', 16, 3],
    [1, '32-0.2', 12, 5],
  ])(
    'at the end of %f m of %s on %i V: the loop, and what flows up to %i A',
    (metres, wire, volts, limitAmps) => {
      const layout = tail(draws(0.1), { metres, wire, volts, limitAmps });
      const { loopOhms, amps, ohmicAmps } = shortsOf(layout).get('end')!;
      const loop = 2 * (metres / 58 / feedWires[wire].squareMillimetres + 0.002) + 0.005 + 0.01;
      expect(loopOhms).toBeCloseTo(loop, 6);
      expect(ohmicAmps / (volts / loop)).toBeCloseTo(1, 5);
      expect(amps).toBeCloseTo(Math.min(limitAmps, volts / loop), 4);
    },
  );
  test('in a ring it is shared by both ways, by their resistances', () => {
    const fuse: RunPart[] = [{ kind: 'fuse', amps: 2, speed: 'quick' }];
    const ring = change(withBus(12, 100), (draft) => {
      addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
      addPlace(draft, 'far', 1000, 0, draws(0.1));
      addRun(draft, 'supply', 'far', { millimetres: 3000, parts: [...fuse] });
      addRun(draft, 'supply', 'far', { millimetres: 3000, parts: [...fuse] });
    }).layout;
    const { runs, amps } = shortsOf(ring).get('far')!;
    expect(runs.get('run-1')! / amps).toBeCloseTo(0.5, 6);
    expect(runs.get('run-2')! / amps).toBeCloseTo(0.5, 6);
  });
});

describe('what is judged of the power under the boards', () => {
  const quickFuse = (amps: number): RunPart[] => [{ kind: 'fuse', amps, speed: 'quick' }];
  test('a tail with a fuse of its size has nothing to tell', () => {
    expect(judgeNetwork(tail(draws(0.5), { metres: 2, parts: quickFuse(1) })).map((f) => f.sentence)).toEqual(
      [],
    );
  });
  const cases: readonly (readonly [string, Layout])[] = [
    ['wire-and-fuse', tail(draws(0.3), { wire: '7-0.2', metres: 1, limitAmps: 5 })],
    ['wire-and-fuse', tail(draws(0.3), { wire: '7-0.2', metres: 1, parts: quickFuse(3.15) })],
    [
      'short-not-cleared',
      tail(draws(0.3), { wire: '7-0.2', metres: 30, limitAmps: 20, parts: quickFuse(1.25) }),
    ],
    ['fuse-never-blows', tail(draws(0.3), { wire: '16-0.2', metres: 21, limitAmps: 3, parts: quickFuse(5) })],
    ['wire-too-thin', tail(draws(2), { wire: '7-0.2', metres: 0.5, parts: quickFuse(1.25) })],
    ['supply-loaded', tail(draws(4.5), { wire: '50-0.25', metres: 1, limitAmps: 5 })],
    [
      'contact-overload',
      tail(draws(2), {
        wire: '24-0.2',
        metres: 1,
        parts: [...quickFuse(3.15), { kind: 'plug', ratedAmps: 1, contactOhms: 0.02 }],
      }),
    ],
    [
      'dimmer-far-out',
      change(withBus(12, 5), (d) => {
        addPlace(d, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
        addPlace(d, 'near', 0, 0, lampsOf(10));
        addPlace(d, 'far', 0, 0, lampsOf(20));
        addRun(d, 'supply', 'near', { millimetres: 300, parts: quickFuse(1) });
        addRun(d, 'near', 'far', { millimetres: 25_000, wire: '7-0.2' });
      }).layout,
    ],
  ];
  test.each(cases)('%s is told with its figure, and a cure that cures', (rule, layout) => {
    const [own] = judgeNetwork(layout).filter((f) => f.rule === rule);
    expect(own, ids(layout).join()).toBeDefined();
    expect(own.sentence).toMatch(/\d/);
    expect(own.remedies.length, own.sentence).toBeGreaterThan(0);
    for (const { patches } of own.remedies)
      expect(judgeNetwork(patched(layout, patches)).map((f) => f.id)).not.toContain(own.id);
  });
  test('two supplies on the same wires, and DC with DCC, stop; the same supply at both ends does not', () => {
    const two = change(tail(draws(0.5), { metres: 2, parts: quickFuse(1) }), (d) => {
      d.supplies.other = { ...d.supplies.bus, name: 'Other unit', order: 2 };
      addPlace(d, 'second', 2000, 0, { kind: 'supply', supplyId: 'other' });
      addRun(d, 'second', 'end', { parts: quickFuse(1) });
    }).layout;
    expect(ids(two)).toContain('supplies-joined');
    const same = edit(two, (d) => void (d.network.nodes.second.is = { kind: 'supply', supplyId: 'bus' }));
    expect(ids(same)).not.toContain('supplies-joined');
  });
  test('a booster that does not see a short at the far end', () => {
    const far = change(withBus(12, 5), (d) => {
      d.supplies.booster = {
        order: 2,
        name: 'Booster',
        kind: 'dcc-track',
        amplitudeVolts: 15,
        highestVolts: 16,
        limitAmps: 5,
        tripSeconds: 0.05,
        trackOhms: 0.3,
        bits: '1111111111111101000000110011111010',
        zeroHalfMicroseconds: 100,
      } as never;
      addPlace(d, 'supply', 0, 0, { kind: 'supply', supplyId: 'booster' });
      addPlace(d, 'track', 0, 0, draws(0.5, 15));
      addRun(d, 'supply', 'track', { millimetres: 50_000, wire: '16-0.2' });
    }).layout;
    const [told] = judgeNetwork(far).filter((f) => f.rule === 'short-not-cleared');
    expect(told.title).toContain('The booster does not cut off');
    const near = edit(far, (d) => void (d.network.runs['run-1'].millimetres = 5000));
    expect(ids(near)).not.toContain('short-not-cleared');
  });
  test('a fuse below what the supply gives may blow, and is not told as one that never does', () => {
    const behind = (amps: number) =>
      ids(tail(draws(0.3), { wire: '16-0.2', metres: 21, limitAmps: 3, parts: quickFuse(amps) }));
    expect(behind(2.5)).not.toContain('fuse-never-blows');
    expect(behind(3.15)).toContain('fuse-never-blows');
  });
  test('a joint deeper under a board than an arm reaches is told, and is brought to the front', () => {
    const deep = edit(tail(draws(0.5), { metres: 2, parts: quickFuse(1) }), (d) => {
      d.boards.wide = {
        order: 1,
        name: 'Wide',
        xMillimetres: 0,
        yMillimetres: 0,
        widthMillimetres: 2000,
        depthMillimetres: 1500,
      };
      addPlace(d, 'joint', 900, 760, { kind: 'tap' });
    });
    const [told] = judgeNetwork(deep).filter((f) => f.rule === 'joint-reach');
    expect(told.figures[0]).toMatchObject({ is: 740, limit: 600 });
    expect(ids(patched(deep, told.remedies[0].patches))).not.toContain('joint-reach');
    expect(ids(edit(deep, (d) => void (d.network.nodes.joint.yMillimetres = 600)))).not.toContain(
      'joint-reach',
    );
  });
  test('a cure that wants wire or fuses says what they cost', () => {
    const [own] = judgeNetwork(tail(draws(0.3), { wire: '7-0.2', metres: 1, limitAmps: 5 })).filter(
      (f) => f.rule === 'wire-and-fuse',
    );
    // A quick fuse more; or 24/0.2... of two conductors of a metre: their prices in the tables.
    expect(own.remedies.map((r) => r.label)).toEqual([
      'A quick fuse of 1.25 A (+0.30 EUR)',
      '32/0.2 instead of 7/0.2 (+0.60 EUR)',
    ]);
  });
  test('a colour that means two things is a note; black may be the minus of several', () => {
    const two = change(tail(draws(0.5), { metres: 2, parts: quickFuse(1) }), (d) => {
      d.supplies.other = { ...d.supplies.bus, name: 'Other unit', order: 2 };
      addPlace(d, 'second', 2000, 0, { kind: 'supply', supplyId: 'other' });
      addPlace(d, 'lamp', 2000, 0, draws(0.2));
      addRun(d, 'second', 'lamp', { plus: 'blue', parts: quickFuse(0.5) });
    }).layout;
    expect(ids(two)).not.toContain('run-colours');
    expect(ids(edit(two, (d) => void (d.network.runs['run-2'].plus = 'red')))).toContain('run-colours');
  });
  test('no finding of generated networks shows what no person should read, and every cure cures', () => {
    for (const layout of fc.sample(generatedNetwork, { numRuns: 25, seed: 3 }))
      for (const f of judgeNetwork(layout)) {
        expect(`${f.title} ${f.sentence} ${f.reason}`).not.toMatch(/NaN|undefined|null|Infinity|\[object|_/);
        for (const { is, limit } of f.figures) {
          expect(Number.isFinite(is)).toBe(true);
          expect(limit === null || Number.isFinite(limit)).toBe(true);
        }
        for (const { patches } of f.remedies)
          expect(judgeNetwork(patched(layout, patches)).map((g) => g.id)).not.toContain(f.id);
      }
  });
});

describe('the table of runs', () => {
  test('a length typed is the length; else along and across, 5 % and 60 mm at each end, in tens', () => {
    const layout = change(withBus(12, 5), (d) => {
      addPlace(d, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
      addPlace(d, 'end', 1000, 400, draws(0.1));
      addRun(d, 'supply', 'end');
      addRun(d, 'supply', 'end', { millimetres: 777 });
    }).layout;
    const [own, typed] = Object.values(layout.network.runs);
    expect(runMillimetres(layout, own)).toBe(Math.ceil((1400 * 1.05 + 120) / 10) * 10);
    expect(runMillimetres(layout, typed)).toBe(777);
  });
  test('as CSV has a line for each run with its figures', () => {
    const layout = busOf(3);
    const rows = runTable(layout, feedReading(layout));
    const lines = runCsv(rows).trim().split('\n');
    expect(lines).toHaveLength(1 + 6);
    expect(lines[1]).toContain('50/0.25,red,black,250');
    expect(rows[0].price).toBeCloseTo(2 * 0.25 * 0.95, 9);
    // How long a run is hangs on the plan alone: it is told before anything is solved.
    expect(runTable(layout, null).map((r) => [r.millimetres, r.amps])).toEqual(
      rows.map((r) => [r.millimetres, null]),
    );
  });
  test('what hangs on what is found through converters', () => {
    const layout = fc.sample(
      generatedNetwork.filter((l) => 'converter' in l.network.nodes),
      { numRuns: 1, seed: 1 },
    )[0];
    const on = hangsOn(layout);
    expect(on.get('behind-1')).toMatchObject({ supplyId: 'bus', converter: 'converter' });
    expect(on.get('supply')).toMatchObject({ converter: null });
  });
});
