import { condition } from '../../../tests/roof';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../../tests/generated';
import { checkLayout, writeLayout } from '../../document/file';
import { emptyLayout } from '../../document/empty-layout';
import { change, patched } from '../../document/patch';
import { usualSupply } from '../../document/usual-supply';
import { wantedWords } from '../../light/wanted';
import { checkJob } from '../../finding/check';
import { supplyKinds, type SupplyKindName } from '../../supply';
import { benchOf } from '../../study/bench';
import { costOf, jointsOf } from '../../study/bill';
import { chargingWays } from '../../study/charging';
import { refusedCombination } from '../../study/combination';
import { compareStudy } from '../../finding/compare';
import { coachSorts, newCoach, usualLength } from './make';
import { freeName } from '../../document/free-name';
import { oldBulbs, oldBulbsOfRake } from './old-bulbs';
import { rectifierCosts } from '../../study/rectifier-costs';
import { firstCircuit, layLamps, offerSchool, schools } from './schools';
import { usualReadings } from '../../study/solver';
import { coachLight } from './light';
import { spreadPlaces } from './places';
import { coachIn } from './jobs';
import type { Layout } from '../../document/layout';

const kinds = Object.keys(supplyKinds) as SupplyKindName[];
const luxOf = (layout: Layout, jobId: string): number => {
  return coachLight(coachIn(layout, jobId), usualReadings(benchOf(layout, jobId))).litLux;
};

describe('a new coach, from few answers', () => {
  const wishes = coachSorts.flatMap((sort) => kinds.map((kind) => [sort.id, kind] as const));
  test.each(wishes)('%s on %s: lit, sized, nothing to stop for, and a file that opens', (sort, kind) => {
    const empty = emptyLayout('Trial');
    const { layout, jobId } = newCoach(empty, {
      sort,
      name: 'Trial coach',
      lengthMillimetres: usualLength(sort, empty),
      wantedLux: 55,
      supply: { kind },
    });
    const stops = checkJob(layout, jobId).filter((f) => f.severity === 'stop');
    expect(stops.map((f) => f.sentence)).toEqual([]);
    // A coin cell lights its four lamps as it can; everything else is sized within what E12 leaves.
    const lux = luxOf(layout, jobId);
    expect(lux).toBeGreaterThan(kind === 'cell' ? 10 : 40);
    expect(lux).toBeLessThan(75);
    const read = checkLayout(JSON.parse(writeLayout(layout)));
    expect(read.ok).toBe(true);
  });
  test('a supply that is there is used, not added again; names and ids stay apart', () => {
    const wish = {
      sort: 'open',
      name: 'Another',
      lengthMillimetres: 230,
      wantedLux: 110,
      supply: { id: 'track' },
    } as const;
    const first = newCoach(demo(), wish);
    expect(Object.keys(first.layout.supplies)).toEqual(Object.keys(demo().supplies));
    const second = newCoach(first.layout, wish);
    expect(second.jobId).not.toBe(first.jobId);
    expect(freeName(first.layout, 'Another')).toBe('Another 2');
    expect(patched(first.layout, first.inverse)).toEqual(demo());
  });
});

describe('schools', () => {
  const supplies = change(demo(), (draft) => {
    for (const kind of kinds)
      draft.supplies[`try-${kind}`] = usualSupply(kind, 'H0', 9) as Layout['supplies'][string];
  }).layout;
  const offers = schools.flatMap((school) => kinds.map((kind) => [school.id, kind] as const));
  test.each(offers)('%s on %s is refused with figures, or stands with nothing to stop for', (id, kind) => {
    const school = schools.find((s) => s.id === id)!;
    const offer = offerSchool(supplies, demoJob, school, `try-${kind}`);
    if (offer.patches === null) {
      expect(offer.refused).toMatch(/\d.* V/);
      return;
    }
    const laid = patched(supplies, offer.patches);
    expect(refusedCombination(laid, demoJob)).toBeNull();
    for (const p of offer.patches) expect(p.path.slice(0, 2)).toEqual(['jobs', demoJob]);
    expect(luxOf(laid, demoJob)).toBeGreaterThan(1);
    const stops = checkJob(laid, demoJob).filter((f) => f.severity === 'stop');
    expect(stops.map((f) => f.sentence)).toEqual([]);
  });
  test('lamps are laid evenly, in the first group, with the tint there was', () => {
    const done = change(demo(), (draft) => {
      for (const l of Object.values(coachIn(draft, demoJob).lamps)) l.tint = 'amber-film';
      layLamps(coachIn(draft, demoJob), 'strip-warm', 4);
    }).layout;
    const laid = coachIn(done, demoJob);
    const lamps = Object.values(laid.lamps);
    expect(lamps.map((l) => l.placeMillimetres)).toEqual(spreadPlaces(4, 224));
    expect(new Set(lamps.map((l) => `${l.circuitId} ${l.tint}`))).toEqual(new Set(['roof amber-film']));
    const emptied = change(demo(), (draft) => {
      coachIn(draft, demoJob).circuits = {};
      firstCircuit(coachIn(draft, demoJob));
    }).layout;
    const bare = coachIn(emptied, demoJob);
    expect(Object.keys(bare.circuits)).toEqual(['roof']);
  });
});

describe('ways side by side', () => {
  test('joints by hand: a coach of seven lamps with a resistor each behind bridge, charge resistor and reservoir', () => {
    // Two at the rails, four at the bridge, two at the charge resistor, two at the reservoir, and for each
    // lamp two of its own and two of its resistor's.
    expect(jointsOf(benchOf(demo(), demoJob).assembly)).toBe(2 + 4 + 2 + 2 + 7 * 4);
  });
  test('a strip is one piece: two joints however many units', () => {
    const units = (n: number): number => {
      const layout = change(demo(), (draft) => {
        layLamps(coachIn(draft, demoJob), 'strip-warm', n);
        coachIn(draft, demoJob).circuits.roof.limit = 'shared';
      }).layout;
      return jointsOf(benchOf(layout, demoJob).assembly);
    };
    expect(units(1)).toBe(units(4));
  });
  test('the drawer’s price goes before the typical one', () => {
    const cost = (price: number): number => {
      const layout = change(demo(), (draft) => void (draft.drawer.resistors.r4k7.price = price)).layout;
      const bench = benchOf(layout, demoJob);
      return costOf(bench.assembly, layout, bench.supply);
    };
    expect(cost(1.03) - cost(0.03)).toBeCloseTo(7, 9);
  });
  test('the saloon and its AC variant give the same light; a variant that cannot be is named, not hidden', () => {
    const [now, ac] = compareStudy(demo(), 'open-saloon');
    if ('failure' in now || 'failure' in ac) throw new Error('both can be worked out');
    expect(ac.lux! / now.lux!).toBeCloseTo(1, 1);
    // Behind a reservoir on AC the current comes in gulps: true RMS stands well above the mean.
    expect(ac.supplyRmsAmps / ac.supplyAmps).toBeGreaterThan(1.5);
    const broken = change(demo(), (draft) => {
      coachIn(draft, 'open-saloon').variants.ac.patches = [
        { op: 'replace', path: ['jobs', 'open-saloon', 'circuits', 'gone', 'ohms'], value: 5 },
      ];
    }).layout;
    expect(compareStudy(broken, 'open-saloon')[1]).toMatchObject({
      failure: expect.stringMatching(/no longer there/),
    });
    const hostile = (path: (string | number)[], value: unknown) =>
      compareStudy(
        change(demo(), (draft) => {
          coachIn(draft, 'open-saloon').variants.ac.patches = [
            { op: 'replace', path: ['jobs', 'open-saloon', ...path], value },
          ];
        }).layout,
        'open-saloon',
      )[1];
    expect(hostile(['circuits', 'roof', 'ohms'], 'much')).toMatchObject({
      failure: expect.stringMatching(/circuits\.roof\.ohms/),
    });
    expect(hostile(['supplyId'], 'ghost')).toMatchObject({
      failure: expect.stringMatching(/no supply “ghost”/),
    });
    expect(hostile(['__proto__', 'polluted'], true)).toHaveProperty('failure');
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('60 mA of DC behind bridge and reservoir are 120 to 165 mA true RMS on the AC side (common practice, no source)', () => {
    const layout = change(demo(), (draft) => {
      draft.supplies.track = {
        ...usualSupply('ac-track', 'H0', 1),
        rmsVolts: 16,
        highestRmsVolts: 16,
        trackOhms: 1.5,
      } as Layout['supplies'][string];
      const job = coachIn(draft, demoJob);
      layLamps(job, 'strip-warm', 3);
      Object.assign(job.circuits.roof, { limit: 'none' });
      condition(job, {
        chargeResistor: null,
        reservoir: { farads: 470e-6, ratedVolts: 35 },
        regulator: { outVolts: 12, dropoutVolts: 1.2, quiescentAmps: 0 },
      });
    }).layout;
    const steady = usualReadings(benchOf(layout, demoJob));
    expect(steady.supplyAmps.mean).toBeGreaterThan(0.055);
    expect(steady.supplyAmps.mean).toBeLessThan(0.065);
    expect(steady.supplyRmsAmps).toBeGreaterThan(0.12);
    expect(steady.supplyRmsAmps).toBeLessThan(0.165);
  });
  test('old bulbs on the job’s supply, and those of the rake together', () => {
    const bulbs = oldBulbs(demo(), demoJob)!;
    expect(bulbs.volts).toBe(15);
    expect(bulbs.amps).toBeGreaterThan(0.22);
    expect(oldBulbsOfRake(demo())).toBeCloseTo(bulbs.amps, 12);
    expect(oldBulbs(demo(), 'open-saloon')).toBeNull();
  });
});

describe('ways to charge', () => {
  const [straight, inLine, withDiode] = chargingWays(benchOf(demo(), demoJob));
  test('straight, the track and source resistance alone limit; a resistor makes it V / R (closed form)', () => {
    // 18 V, the booster at its highest, less the bridge over 0.4 ohm and the bridge's own resistance; over 100.4 ohm.
    expect(straight.peakAmps).toBeGreaterThan(15);
    expect(straight.peakAmps).toBeLessThan(18 / 0.4);
    expect(inLine.peakAmps).toBeGreaterThan(15.5 / 100.4);
    expect(inLine.peakAmps).toBeLessThan(18 / 100.4);
  });
  test('the diode gives the light of no resistor with the inrush of one', () => {
    expect(withDiode.lumens / straight.lumens).toBeCloseTo(1, 2);
    expect(withDiode.lumens).toBeGreaterThan(inLine.lumens * 1.05);
    expect(withDiode.peakAmps).toBeLessThan(inLine.peakAmps * 1.5);
    expect([straight, inLine, withDiode].map((w) => w.isNow)).toEqual([false, true, false]);
  });
  test('without a reservoir there is nothing to charge', () => {
    const layout = change(demo(), (draft) => condition(coachIn(draft, demoJob), { reservoir: null })).layout;
    expect(chargingWays(benchOf(layout, demoJob))).toEqual([]);
  });
});

test('what each rectifier costs: two junctions twice one, Schottky less than silicon', () => {
  const costs = rectifierCosts(benchOf(demo(), demoJob));
  expect(costs['silicon-bridge']! / costs['half-wave']!).toBeGreaterThan(1.5);
  expect(costs['schottky-bridge']!).toBeLessThan(costs['silicon-bridge']! / 2);
  expect(costs['silicon-diodes']).toBeCloseTo(costs['silicon-bridge']!, 9);
  expect(Object.keys(costs)).not.toContain('none');
});

test('wanted in words: every word is reached on DCC within what E12 leaves, as far as lamps bear it', () => {
  for (const { lux } of wantedWords) {
    const made = newCoach(demo(), {
      sort: 'compartment',
      name: 'W',
      lengthMillimetres: 224,
      wantedLux: lux,
      supply: { id: 'track' },
    });
    expect(luxOf(made.layout, made.jobId) / lux).toBeGreaterThan(0.75);
    expect(luxOf(made.layout, made.jobId) / lux).toBeLessThan(1.3);
  }
});
