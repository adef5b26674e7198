import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { emptyLayout } from '../document/empty-layout';
import { checkLayout, readLayout, writeLayout } from '../document/file';
import { change, patched } from '../document/patch';
import { judgeRig } from '../finding/overhead';
import { wantedDaylights } from '../light/daylight';
import { whiteXy } from '../light/white';
import { overheadLamps } from '../part/overhead-lamp';
import { arrived } from './arrival';
import { newRig, rowOf, type RigWish } from './begin';
import { areaOf } from './area';
import { laidMillimetres, piecesOf } from './geometry';
import { rigLight } from './light';
import { matchOf } from './match';
import { cutList, mountingOf } from './mounting';
import { bandingPercent, rigPower } from './power';
import { CONVERTER_EFFICIENCY } from './rig-network';
import { rigStudy } from './study';
import { pieceRun, unitTakes } from './strip-run';
import type { Finding } from '../finding/finding';
import type { Layout } from '../document/layout';
import type { RigRecord, RigRowRecord } from '../document/rig-record';
import type { Draft } from 'immer';

const wish: RigWish = {
  name: 'Day over the quay',
  boards: [],
  widthMillimetres: 2000,
  depthMillimetres: 450,
  heightMillimetres: 450,
  wanted: 'overcast-noon',
};
const known = new Map<string, ReturnType<typeof newRig>>();
/** Begun once for each wish: choosing lamps takes a moment. */
function begun(more: Partial<RigWish> = {}): ReturnType<typeof newRig> {
  const key = JSON.stringify(more);
  const made = known.get(key) ?? newRig(emptyLayout('Saltmarsh Halt'), { ...wish, ...more });
  known.set(key, made);
  return made;
}
const rigged = (recipe: (rig: Draft<RigRecord>) => void, more: Partial<RigWish> = {}): Layout => {
  const { layout, rigId } = begun(more);
  return change(layout, (draft) => recipe(draft.rigs[rigId])).layout;
};
const one = (layout: Layout): RigRecord => Object.values(layout.rigs)[0];
const found = (layout: Layout, rule: string): Finding[] =>
  judgeRig(layout, 'rig').filter((f) => f.rule === rule || f.id === rule);
const cured = (layout: Layout, f: Finding, which = 0): Layout => patched(layout, f.remedies[which].patches);

describe('a rig from a few questions', () => {
  test.each(wantedDaylights.flatMap((d) => [1000, 2400, 4000].map((w) => [d.id, w] as const)))(
    '%s over %d mm gives what is wanted, with nothing to stop for or mind',
    (wanted, widthMillimetres) => {
      const { layout, rigId } = begun({ wanted, widthMillimetres });
      const { light } = rigStudy(layout, rigId, 25);
      expect(light.meanLux).toBeGreaterThan(0.9 * layout.rigs[rigId].wanted.lux);
      expect(judgeRig(layout, rigId).filter((f) => f.severity !== 'note')).toEqual([]);
    },
  );
  test('it round-trips the file', () => {
    const { layout } = begun();
    const read = readLayout(writeLayout(layout));
    expect(read.ok && read.layout.rigs).toEqual(layout.rigs);
  });
  test('boards of the layout are what it hangs over', () => {
    const quay = change(emptyLayout('Quay'), (draft) => {
      for (const [i, x] of [500, 1500].entries())
        draft.boards[`b${i}`] = {
          order: i + 1,
          name: `Board ${i + 1}`,
          xMillimetres: x,
          yMillimetres: 100,
          widthMillimetres: 1000,
          depthMillimetres: 450,
        };
    }).layout;
    const { layout, rigId } = newRig(quay, { ...wish, boards: ['b0', 'b1'] });
    expect(areaOf(layout, layout.rigs[rigId])).toMatchObject({ width: 2000, depth: 450, joints: [1000] });
  });
  test.each([
    ['a board there is not', (r: Draft<RigRecord>) => void r.boards.push('nowhere'), /there is no board/],
    [
      'wanted whites the wrong way round',
      (r: Draft<RigRecord>) => void Object.assign(r.wanted, { leastKelvin: 5000, mostKelvin: 4000 }),
      /below the least/,
    ],
    ['a row of no light', (r: Draft<RigRecord>) => void (r.rows['row-1'].lumens = -5), /./],
  ])('a file with %s is refused with path and reason', (_, recipe, why) => {
    const layout = structuredClone(begun().layout) as Draft<Layout>;
    recipe(layout.rigs.rig);
    const read = checkLayout(layout);
    if (read.ok) throw new Error('it was taken');
    expect(read.complaints[0].path).toMatch(/^rigs\.rig/);
    expect(read.complaints[0].reason).toMatch(why);
  });
});

describe('pieces', () => {
  test('strip is cut at its marks, modules repeat, and nothing lies outside the boards', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 4000 }),
        fc.option(fc.integer({ min: 300, max: 1500 })),
        fc.integer({ min: 10, max: 4000 }),
        fc.integer({ min: 0, max: 500 }),
        (width, module, length, from) => {
          const layout = rigged((r) => {
            r.widthMillimetres = width;
            r.moduleMillimetres = module;
            Object.assign(r.rows['row-1'], { lengthMillimetres: length, fromMillimetres: from });
          });
          const rig = one(layout);
          const area = areaOf(layout, rig);
          const row = rig.rows['row-1'];
          const stretch = Math.min(module ?? width, width);
          expect(laidMillimetres(row, stretch) % row.cutMillimetres).toBeCloseTo(0, 6);
          for (const p of piecesOf(row, rig, area)) {
            expect(p.from).toBeGreaterThanOrEqual(0);
            expect((p.to - p.from) % row.cutMillimetres).toBeCloseTo(0, 6);
            // It ends with its own module, and with the boards.
            const end = Math.min(width, (Math.floor(p.from / stretch) + 1) * stretch);
            expect(p.to).toBeLessThanOrEqual(end + 1e-6);
            expect(p.to - p.from).toBeLessThanOrEqual(laidMillimetres(row, stretch) + 1e-9);
          }
        },
      ),
      { numRuns: 100, seed: 5 },
    );
  });
});

describe('the light of a rig', () => {
  test('twice the lumens are twice the lux; what throws light back adds to it', () => {
    const base = rigged((r) => void (r.backscene = null));
    const twice = change(base, (d) => {
      for (const row of Object.values(d.rigs.rig.rows)) row.lumens *= 2;
    }).layout;
    const lux = (l: Layout): number => rigLight(l, one(l), { stepMillimetres: 25 }).meanLux;
    expect(lux(twice) / lux(base)).toBeCloseTo(2, 9);
    const white = change(base, (d) => {
      d.rigs.rig.backscene = { heightMillimetres: 300, reflectance: 0.8 };
    }).layout;
    expect(lux(white) / lux(base)).toBeGreaterThan(1.02);
    expect(lux(white) / lux(base)).toBeLessThan(1.5);
  });
  test('the room’s own light adds evenly', () => {
    const base = rigged(() => undefined);
    const lit = change(base, (d) => void (d.rigs.rig.room.lux = 120)).layout;
    const [a, b] = [base, lit].map((l) => rigLight(l, one(l), { stepMillimetres: 25 }));
    expect(b.meanLux - a.meanLux).toBeCloseTo(120, 6);
    expect(b.leastLux - a.leastLux).toBeCloseTo(120, 6);
    expect(b.roomShare).toBeCloseTo(120 / b.meanLux, 9);
  });
  test('alike rows have their white, and no drift; warm beside cool drift', () => {
    const alike = rigLight(
      rigged(() => undefined),
      one(rigged((r) => void (r.room.lux = 0))),
      { stepMillimetres: 25 },
    );
    expect(alike.white.kelvin).toBeCloseTo(one(begun().layout).rows['row-1'].kelvin, -1);
    expect(alike.drift).toBeLessThan(1e-6);
    const layout = rigged((r) => {
      const rows = Object.values(r.rows);
      rows[0].kelvin = 2700;
      rows[rows.length - 1].kelvin = 6500;
    });
    expect(rigLight(layout, one(layout), { stepMillimetres: 25 }).drift).toBeGreaterThan(0.0055);
  });
  test('an L of boards has light where boards lie and nowhere else', () => {
    const quay = change(emptyLayout('Quay'), (draft) => {
      const board = (order: number, x: number, y: number, w: number, d: number) => ({
        order,
        name: `Board ${order}`,
        xMillimetres: x,
        yMillimetres: y,
        widthMillimetres: w,
        depthMillimetres: d,
      });
      draft.boards = { a: board(1, 0, 0, 1000, 400), b: board(2, 600, 400, 400, 800) };
    }).layout;
    const { layout, rigId } = newRig(quay, { ...wish, boards: ['a', 'b'] });
    const { map, leastLux } = rigLight(layout, layout.rigs[rigId], { stepMillimetres: 20 });
    expect(leastLux).toBeGreaterThan(0);
    const share = map.on.reduce((s, v) => s + v, 0) / map.on.length;
    expect(share).toBeCloseTo((1000 * 400 + 400 * 800) / (1000 * 1200), 1);
  });
});

describe('power', () => {
  test('a unit takes what its bag says at its own volts, and next to nothing below its lamps', () => {
    const unit = { volts: 24, amps: 0.04 };
    expect(unitTakes(unit, 24).amps).toBeCloseTo(0.04, 9);
    expect(unitTakes(unit, 12).amps).toBeLessThan(0.0005);
    for (const v of [15, 17.2, 18, 22, 26]) {
      const slope = (unitTakes(unit, v + 1e-5).amps - unitTakes(unit, v - 1e-5).amps) / 2e-5;
      expect(unitTakes(unit, v).siemens).toBeCloseTo(slope, 6);
    }
  });
  test('the same power at 24 V loses far less than at 12 V; both ends lose less than one', () => {
    const least = (lamp: string, fed: 'one end' | 'both ends'): number => {
      const layout = rigged((r) => {
        r.supply.volts = overheadLamps[lamp].volts;
        r.rows = {
          a: {
            ...rowOf(overheadLamps[lamp], 1, {
              lengthMillimetres: 4000,
              depthMillimetres: 200,
              heightMillimetres: 450,
            }),
            fed,
          },
        };
        r.widthMillimetres = 4000;
      });
      return rigPower(layout, one(layout)).rows[0].leastShare;
    };
    expect(least('strip-12-10', 'one end')).toBeLessThan(least('strip-24-10', 'one end') - 0.1);
    expect(least('strip-12-10', 'both ends')).toBeGreaterThan(least('strip-12-10', 'one end'));
  });
  test('what the supply gives is what units, copper and feed take', () => {
    const { layout } = begun({ widthMillimetres: 4000 });
    const rig = one(layout);
    const row = rig.rows['row-1'];
    const run = pieceRun(rig, row, piecesOf(row, rig, areaOf(layout, rig))[0], 24);
    const taken = run.volts.reduce((s, v, i) => s + v * run.shares[i] * run.unit.amps, 0);
    let copper = 0;
    for (let i = 1; i < run.count; i++) copper += (run.volts[i] - run.volts[i - 1]) ** 2 / run.stepOhms;
    const feeds = run.feeds.map((f) => ({ ...f, amps: (f.volts - run.volts[f.at]) / f.ohms }));
    const lost = feeds.reduce((s, f) => s + f.amps ** 2 * f.ohms, 0);
    const given = feeds.reduce((s, f) => s + f.amps * f.volts, 0);
    expect((taken + copper + lost) / given).toBeCloseTo(1, 6);
  });
  test('12 V on 24 V through a converter: both currents, by volts and efficiency', () => {
    const layout = rigged((r) => {
      r.rows = {
        old: {
          ...rowOf(overheadLamps['strip-12-10'], 1, {
            lengthMillimetres: 1000,
            depthMillimetres: 200,
            heightMillimetres: 450,
          }),
          converter: true,
        },
      };
    });
    const [converter] = rigPower(layout, one(layout)).converters;
    expect(converter.outAmps).toBeCloseTo(0.8, 1);
    const { feed } = rigPower(layout, one(layout));
    expect(feed.volts).toBeLessThan(24);
    expect(converter.inAmps / converter.outAmps).toBeCloseTo(12 / feed.volts / CONVERTER_EFFICIENCY, 9);
    expect(converter.lostWatts).toBeCloseTo(
      ((converter.outAmps * 12) / CONVERTER_EFFICIENCY) * (1 - CONVERTER_EFFICIENCY),
      6,
    );
  });
  test('bands of a photograph: none over whole pulses, all within one, fewer over many (by hand)', () => {
    expect(bandingPercent(1000, 0.5, 0.01)).toBeCloseTo(0, 6);
    expect(bandingPercent(100, 0.5, 0.002)).toBe(100);
    // 10.5 pulses of half duty: 5.5 against 5 parts.
    expect(bandingPercent(1050, 0.5, 0.01)).toBeCloseTo((100 * 0.5) / 10.5, 6);
  });
});

describe('judgement, each cure clearing what it is for', () => {
  const cases: Readonly<Record<string, (r: Draft<RigRecord>) => void>> = {
    'rig-too-dim': (r) => void (r.rows = { 'row-1': r.rows['row-1'] }),
    'rig-too-bright': (r) => void (r.wanted.lux = 300),
    'rig-dim-ends': (r) => {
      for (const row of Object.values(r.rows))
        Object.assign(row, { lengthMillimetres: 1200, fromMillimetres: 700 });
    },
    'rig-dark-joint': (r) => {
      r.moduleMillimetres = 1000;
      for (const row of Object.values(r.rows))
        Object.assign(row, { lengthMillimetres: 600, fromMillimetres: 200, heightMillimetres: 200 });
    },
    'rig-colour-drift': (r) => {
      const rows = Object.values(r.rows);
      rows[0].kelvin = 2700;
      rows[rows.length - 1].kelvin = 6500;
    },
    'rig-colour': (r) => {
      for (const row of Object.values(r.rows)) row.kelvin = 3000;
    },
    'rig-glare': (r) => void (r.fascia = null),
    'rig-supply': (r) => void (r.supply.amps = 1),
    'rig-plug': (r) => {
      r.moduleMillimetres = 500;
      r.supply.plugAmps = 0.5;
    },
    'rig-wire': (r) => void (r.supply.wire = '7-0.2'),
    'rig-too-long': (r) => {
      r.widthMillimetres = 6000;
      for (const row of Object.values(r.rows))
        Object.assign(row, { lengthMillimetres: 6000, fed: 'one end', watts: 14, copperOhms: 0.2 });
    },
    'rig-heat': (r) => {
      for (const row of Object.values(r.rows)) Object.assign(row, { watts: 14, channel: 'none' });
    },
    'rig-flicker': (r) => {
      r.dimming = { kind: 'pulse-width', hertz: 200 };
      for (const row of Object.values(r.rows)) row.level = 0.8;
    },
  };
  test.each(Object.entries(cases))('%s', (id, recipe) => {
    const layout = rigged(recipe);
    const [finding] = found(layout, id).filter((f) => f.id.startsWith(id));
    expect(finding).toBeDefined();
    expect(finding.sentence).toMatch(/\d/);
    expect(finding.remedies.length).toBeGreaterThan(0);
    finding.remedies.forEach((_, k) => {
      const after = judgeRig(cured(layout, finding, k), 'rig');
      expect(after.map((f) => f.id)).not.toContain(finding.id);
    });
  });
  test('12 V on 24 V is stopped, and a converter before it clears it', () => {
    const layout = rigged((r) => {
      r.rows.old = {
        ...rowOf(overheadLamps['strip-12-10'], 9, {
          lengthMillimetres: 1000,
          depthMillimetres: 100,
          heightMillimetres: 450,
        }),
      };
    });
    const [stop] = found(layout, 'rig-wrong-volts');
    expect(stop.severity).toBe('stop');
    expect(found(cured(layout, stop), 'rig-wrong-volts')).toEqual([]);
  });
  test('a rig with no rows asks for nothing it cannot have', () => {
    const layout = rigged((r) => void (r.rows = {}));
    expect(judgeRig(layout, 'rig').filter((f) => f.severity === 'stop')).toEqual([]);
  });
});

describe('what was liked, and what came', () => {
  test('the old rig’s light at a new height: rows more, or dimmed, and it is met', () => {
    const layout = rigged((r) => void (r.rows = { 'row-1': r.rows['row-1'] }));
    const rig = one(layout);
    const light = rigLight(layout, rig, { stepMillimetres: 25 });
    const half = matchOf(rig, light, light.meanLux / 2);
    expect(half.level).toBeCloseTo(0.5, 6);
    const double = matchOf(rig, light, light.meanLux * 2);
    expect(double.more).toBe(1);
    expect(double.level).toBeNull();
  });
  test('measured as its bag says it is as its bag says', () => {
    const row = rowOf(overheadLamps['strip-24-10'], 1, {
      lengthMillimetres: 1000,
      depthMillimetres: 0,
      heightMillimetres: 400,
    });
    // Under the middle of a metre at 400 mm by the closed form.
    const lux = (880 / Math.PI) * (0.5 / (0.25 + 0.16) + Math.atan(0.5 / 0.4) / 0.4);
    const came = arrived(row, { millimetres: 1000, amps: 0.4, lux, distanceMillimetres: 400 });
    expect(came.wattsShare).toBeCloseTo(1, 6);
    expect(came.lumensShare).toBeCloseTo(1, 4);
    expect(() => arrived(row, { millimetres: 0, amps: 1, lux: null, distanceMillimetres: 400 })).toThrow(
      RangeError,
    );
  });
});

describe('one feed for all rows', () => {
  /** Rows of 10 m of 24 V strip on one feed of 5 m of 7/0.2. */
  const thin = (count: number, more: Partial<RigRecord['supply']> = {}, row: Partial<RigRowRecord> = {}) =>
    rigged((r) => {
      r.widthMillimetres = 10_000;
      Object.assign(r.supply, { volts: 24, amps: 8, wire: '7-0.2', wireMillimetres: 5000, ...more });
      r.dimming = { kind: 'none' };
      r.rows = Object.fromEntries(
        Array.from({ length: count }, (_, i) => [
          `row-${i + 1}`,
          {
            ...rowOf(overheadLamps['strip-24-5'], i + 1, {
              lengthMillimetres: 10_000,
              depthMillimetres: 150 + 100 * i,
              heightMillimetres: 450,
            }),
            ...row,
          },
        ]),
      );
    });
  const power = (layout: Layout) => rigPower(layout, one(layout));

  test('a second row draws through the wire of the first: both are dimmer, and less than twice is drawn', () => {
    const [alone, both] = [power(thin(1)), power(thin(2))];
    expect(both.supplyAmps).toBeLessThan(1.8 * alone.supplyAmps);
    expect(both.rows[0].meanShare).toBeLessThan(alone.rows[0].meanShare - 0.05);
    // Ohm's law over the one wire that carries all.
    expect(both.feed.volts).toBeCloseTo(24 - both.supplyAmps * both.feed.ohms, 6);
    expect(both.rows[0].meanShare).toBeCloseTo(both.rows[1].meanShare, 9);
  });
  test('its light is missed by the wire: the cure is a thicker one, tried in the network, and no row is sold', () => {
    const layout = change(thin(2), (draft) => {
      const { rig } = draft.rigs;
      rig.wanted.lux = rigStudy(
        change(thin(2), (d) => void (d.rigs.rig.supply.wire = '50-0.25')).layout,
        'rig',
        25,
      ).light.meanLux;
    }).layout;
    const [drop] = found(layout, 'rig-feed-drop');
    expect(drop.figures[0].is).toBeCloseTo(100 * power(layout).feed.lightShare, 6);
    expect(drop.remedies).toHaveLength(1);
    expect(power(cured(layout, drop)).feed.lightShare).toBeGreaterThan(0.9);
    const [dim] = found(layout, 'rig-too-dim');
    expect(dim.remedies.map((r) => r.label)).toEqual([expect.stringContaining('as feed wire')]);
    expect(found(cured(layout, dim), 'rig-too-dim')).toEqual([]);
  });
  test('fed at both ends its wire has a cure', () => {
    const layout = thin(1, { wireMillimetres: 1000 }, { fed: 'both ends', watts: 9.6, lumens: 880 });
    const [long] = found(layout, 'rig-too-long');
    expect(long.remedies.map((r) => r.label)).toEqual([expect.stringContaining('as feed wire')]);
    expect(found(cured(layout, long), 'rig-too-long')).toEqual([]);
  });
  test('two modules that are too dim by their feed have a cure', () => {
    const layout = change(thin(2, { wireMillimetres: 8000 }), (draft) => {
      draft.rigs.rig.moduleMillimetres = 5000;
      for (const row of Object.values(draft.rigs.rig.rows)) row.lengthMillimetres = 5000;
    }).layout;
    const at = power(layout);
    expect(at.feed.leastVolts).toBeLessThan(at.feed.volts);
    const [drop] = found(layout, 'rig-feed-drop');
    expect(found(cured(layout, drop), 'rig-feed-drop')).toEqual([]);
  });
  test('a fuse holds what flows and spares the wire; none where the unit gives no more than it bears', () => {
    const guard = (amps: number, wire: string) => power(thin(2, { amps, wire })).guard;
    // 50/0.25 in a bundle bears 9.6 A; some 3.5 A flow, 1.4 times as much is held by 5 A.
    expect(guard(12.5, '50-0.25')).toEqual({ by: 'fuse', amps: 5 });
    expect(guard(2, '24-0.2').by).toBe('supply');
    // 24/0.2 bears 2.7 A: a fuse of 3.15 A would let the wire burn.
    const none = thin(1, { amps: 5, wire: '16-0.2', wireMillimetres: 500 });
    expect(power(none).guard.by).toBe('nothing');
    const [fuse] = found(none, 'rig-fuse');
    expect(power(cured(none, fuse)).guard.by).not.toBe('nothing');
  });
  test('what is bought is named whole: volts, power, white, beam and cut of the strip, wire, plugs and fuses', () => {
    const layout = change(thin(2, { wire: '50-0.25', amps: 12.5 }), (draft) => {
      draft.rigs.rig.moduleMillimetres = 5000;
    }).layout;
    const names = mountingOf(layout, one(layout)).parts.map((p) => p.name);
    expect(names).toContain('Row 1: strip 24 V, 4.8 W a metre, 4000 K, 120°, cut every 100 mm');
    expect(names.some((n) => /^Feed wire 50\/0\.25/.test(n))).toBe(true);
    expect(names.some((n) => /^Plugs and sockets of \d/.test(n))).toBe(true);
    expect(names.some((n) => /quick fuses of \d.* A, at the supply/.test(n))).toBe(true);
  });
  test.each(wantedDaylights.map((d) => d.id))(
    '%s is begun with strip as it is sold, its lumens with its white',
    (wanted) => {
      const sold = Object.values(overheadLamps);
      for (const row of Object.values(one(begun({ wanted }).layout).rows))
        expect(
          sold.some((l) => l.kelvin === row.kelvin && l.lumens === row.lumens && l.watts === row.watts),
        ).toBe(true);
    },
  );
});

describe('mounting', () => {
  test('no length is sawn of more than it has, and every piece is there', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 50, max: 5000 }), { minLength: 1, maxLength: 30 }), (pieces) => {
        const list = cutList('timber', 2400, pieces);
        for (const l of list.lengths)
          expect(l.reduce((a, b) => a + b, 0) + 3 * (l.length - 1)).toBeLessThanOrEqual(2400 + 1e-6);
        const total = list.lengths.flat().reduce((a, b) => a + b, 0);
        expect(total).toBeCloseTo(
          pieces.reduce((a, b) => a + b, 0),
          6,
        );
        expect(list.waste).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 200, seed: 6 },
    );
  });
  test('a rig has posts no further apart than a beam bears, and a price', () => {
    const { layout, rigId } = begun({ widthMillimetres: 4000 });
    const { posts, price, kilograms, parts } = mountingOf(layout, layout.rigs[rigId]);
    expect(4000 / (posts - 1)).toBeLessThanOrEqual(1200);
    expect(price).toBeGreaterThan(20);
    expect(kilograms).toBeGreaterThan(2);
    expect(parts.reduce((s, p) => s + p.price, 0)).toBeCloseTo(price, 1);
  });
});

test('the white of a row comes of its temperature', () =>
  expect(whiteXy({ kelvin: 4500, duv: 0 }).x).toBeCloseTo(0.361, 2));
