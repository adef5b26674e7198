import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { boatTrain, demo, demoJob } from '../../tests/generated';
import { currentProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { checkLayout } from '../document/file';
import { putStage, switchOf } from '../document/line-stages';
import { change, patched } from '../document/patch';
import { checkTrain } from '../finding/train/check-train';
import { benchOf } from './bench';
import { loweredAt } from './netlist-at';
import { usualState } from './states';
import { inrushStudy, inrushTrace } from './inrush';
import { matchTrain } from '../kinds/coach/match-train';
import { oldBulbs } from '../kinds/coach/old-bulbs';
import { usualReadings } from './solver';
import { trainInrush } from './train-inrush';
import { COUPLING_MILLIMETRES, commonCar, isSeen, matchBeside, trainStudy } from './train';
import { coachIn } from '../kinds/coach/jobs';
import type { Element } from '../circuit/netlist';
import type { Finding } from '../finding/finding';
import type { Layout } from '../document/layout';

const boat = 'boat-train';
const judged = (layout: Layout): Finding[] =>
  checkTrain({ layout, study: trainStudy(layout, boat), inrush: trainInrush(layout, boat) });

/** A train of so many compartment coaches of the demo, each with its reservoir. */
const rake = (count: number, recipe: (layout: Layout) => void = () => undefined): Layout => {
  const layout = structuredClone(demo());
  recipe(layout);
  layout.trains = {
    [boat]: {
      order: 1,
      name: 'Rake',
      note: '',
      staggerSeconds: 0,
      cars: Object.fromEntries(
        Array.from({ length: count }, (_, i) => [
          `car-${i + 1}`,
          { order: i + 1, jobId: demoJob, turned: false },
        ]),
      ),
    },
  };
  return layout;
};

describe('a train', () => {
  const study = trainStudy(boatTrain(), boat);
  test('draws what its coaches draw, cells apart from the track', () => {
    const layout = boatTrain();
    const alone = (id: string): number => usualReadings(benchOf(layout, id)).supplyAmps.mean;
    const track = study.draws.find((d) => d.supplyId === 'track')!;
    expect(track.amps).toBeCloseTo(
      alone('compartment-coach') + alone('open-saloon') + alone('luggage-van'),
      5,
    );
    expect(track).toMatchObject({ cars: 3, limitAmps: 3 });
    expect(study.draws.find((d) => d.supplyId === 'cell')).toMatchObject({ limitAmps: null, bulbAmps: null });
  });
  test('is as long as its coaches and the room between them', () => {
    expect(study.lengthMillimetres).toBeCloseTo(118 + 224 + 232 + 161 + 3 * COUPLING_MILLIMETRES, 9);
    expect(study.cars.map((c) => c.startMillimetres)).toEqual([0, 125, 356, 595]);
  });
  test('beside bulbs: more than ten times as much (0.22 A a coach at 14 V, common practice, no source)', () => {
    const track = study.draws.find((d) => d.supplyId === 'track')!;
    expect(track.bulbAmps! / track.amps).toBeGreaterThan(10);
    expect(track.bulbAmps! / 3).toBeGreaterThan(0.2);
    expect(track.bulbAmps! / 3).toBeLessThan(0.25);
    expect(track.bulbAmps! / 3).toBeCloseTo(oldBulbs(boatTrain(), demoJob)!.amps, 2);
  });
  test('one coach is bluer than the rest', () => {
    const common = commonCar(study)!;
    expect(common.id).toBe('compartment-coach');
    const words = Object.fromEntries(matchBeside(study, common.carId).map((m) => [m.carId, m.word]));
    expect(words['car-3']).toBe('bluer');
    expect(words['car-4']).toBe('alike');
  });
});

describe('matching all to one', () => {
  const layout = boatTrain();
  const made = matchTrain(layout, boat, 'car-2');
  test('saloon and van then look like the compartment coach; a coin cell cannot, and is left saying so', () => {
    const seen = made.after.filter(isSeen).map((m) => m.carId);
    expect(made.before.filter(isSeen).map((m) => m.carId)).toEqual(['car-1', 'car-3', 'car-4']);
    expect(seen).toEqual(['car-1']);
    expect(coachIn(made.layout, demoJob)).toBe(coachIn(layout, demoJob));
  });
  test('the lamps keep their form, and the patches make a layout that opens', () => {
    const after = patched(layout, made.patches);
    expect(Object.values(coachIn(after, 'open-saloon').lamps).map((l) => l.part)).toEqual(
      Array(4).fill('strip-warm'),
    );
    expect(coachIn(after, 'open-saloon').circuits.roof.limit).toBe('limiter');
    expect(checkLayout(after).ok).toBe(true);
  });
  test('where there is no lamp of the colour a tint comes near', () => {
    const cool = change(layout, (draft) => {
      for (const l of Object.values(coachIn(draft, 'compartment-coach').lamps)) l.tint = 'clear-amber';
    }).layout;
    const tinted = matchTrain(cool, boat, 'car-2');
    const saloon = tinted.after.find((m) => m.carId === 'car-3')!;
    expect(saloon.colour).toBeLessThan(0.0055);
    expect(Object.values(coachIn(tinted.layout, 'open-saloon').lamps)[0].tint).toBe('clear-amber');
  });
  test('beside a dark coach nothing is changed', () => {
    const dark = change(layout, (draft) => {
      for (const l of Object.values(coachIn(draft, 'compartment-coach').lamps)) l.circuitId = null;
    }).layout;
    expect(matchTrain(dark, boat, 'car-2').patches).toEqual([]);
  });
});

describe('charging together', () => {
  test('one coach’s trace has the peak of its inrush study, and settles at what it draws', () => {
    const bench = benchOf(demo(), demoJob);
    const trace = inrushTrace(bench);
    const study = inrushStudy(bench)!;
    expect(Math.max(...trace.amps)).toBeCloseTo(study.peakAmps, 6);
    expect(trace.settledAmps / usualReadings(bench).supplyAmps.greatest).toBeGreaterThan(0.9);
    expect(trace.settledAmps / usualReadings(bench).supplyAmps.greatest).toBeLessThan(1.6);
  });
  test('the sum is an upper bound of three coaches solved as one circuit, and within 3 % of it', () => {
    const layout = rake(3);
    const [sum] = trainInrush(layout, boat);
    const bench = benchOf(layout, demoJob);
    const { netlist } = loweredAt(bench, usualState(bench), { stress: 'highest' });
    // Three copies behind one supply: every node and element but the supply’s and the rails’ gets a number.
    const shared = new Set(['0']);
    const supplyElements = netlist.elements.filter((e) => e.id === 'v_supply' || e.id === 'r_supply');
    for (const e of supplyElements)
      for (const n of ['a', 'b'] as const) shared.add((e as { a: string; b: string })[n]);
    const copy = (e: Element, k: number): Element => {
      const renamed: Record<string, unknown> = { ...e, id: `${e.id}_${k}` };
      for (const [key, value] of Object.entries(e)) {
        if (['a', 'b', 'in', 'out', 'common'].includes(key) && typeof value === 'string')
          renamed[key] = shared.has(value) ? value : `${value}_${k}`;
      }
      return renamed as unknown as Element;
    };
    const others = netlist.elements.filter((e) => !supplyElements.includes(e));
    const together = {
      ...netlist,
      elements: [...supplyElements, ...[1, 2, 3].flatMap((k) => others.map((e) => copy(e, k)))],
    };
    const run = transientOf(together, { stop: 0.03, longestStep: 1e-3, start: 'given' }, (plan) => {
      const amps = currentProbe(plan, 'r_supply');
      return [(s, t) => Math.abs(amps(s, t))];
    });
    let peak = run.step.after[0];
    run.onStep = (step) => {
      peak = Math.max(peak, step.within[0], step.after[0]);
    };
    while (!run.done) run.advance(2000);
    expect(sum.peakAmps).toBeGreaterThanOrEqual(peak);
    expect(sum.peakAmps / peak).toBeLessThan(1.03);
    // And three times one, to within what the track takes: V / (R + 3 r) against V / (R + r).
    expect(sum.peakAmps / inrushStudy(benchOf(layout, demoJob))!.peakAmps).toBeCloseTo(3, 6);
  });
  test('without charge resistors twelve trip the booster; a stagger that is offered cures it', () => {
    const layout = rake(12, (l) => {
      condition(coachIn(l, demoJob), { chargeResistor: { ohms: 15, ratedWatts: 1 } });
      l.supplies.track = { ...l.supplies.track, tripSeconds: 0.002 } as Layout['supplies'][string];
    });
    const found = judged(layout).find((f) => f.rule === 'train-inrush')!;
    expect(found.severity).toBe('stop');
    expect(found.figures[0].is).toBeGreaterThan(3);
    const after = patched(layout, found.remedies[0].patches);
    expect(after.trains[boat].staggerSeconds).toBeGreaterThan(0);
    expect(judged(after).find((f) => f.rule === 'train-inrush')).toBeUndefined();
  });
  test('a stagger spreads the peaks: the peak falls towards that of one coach', () => {
    const together = trainInrush(rake(4), boat)[0];
    const apart = change(rake(4), (d) => void (d.trains[boat].staggerSeconds = 0.5)).layout;
    const one = trainInrush(rake(1), boat)[0];
    expect(trainInrush(apart, boat)[0].peakAmps).toBeLessThan(one.peakAmps * 1.5);
    expect(together.peakAmps).toBeCloseTo(4 * one.peakAmps, 6);
  });
});

describe('findings about trains', () => {
  test('the boat train: looks only, its tail lamps are where they belong', () => {
    expect(judged(boatTrain()).map((f) => f.id)).toEqual([
      'train-looks car-1',
      'train-looks car-3',
      'train-looks car-4',
    ]);
  });
  test('80 % of the supply is the most for use: just under is quiet, just over to mind, above the limit to stop for', () => {
    const with_ = (limitAmps: number): Finding | undefined =>
      judged(change(boatTrain(), (d) => void Object.assign(d.supplies.track, { limitAmps })).layout).find(
        (f) => f.rule === 'train-overload',
      );
    const drawn = trainStudy(boatTrain(), boat).draws.find((d) => d.supplyId === 'track')!.amps;
    expect(with_(drawn / 0.79)).toBeUndefined();
    expect(with_(drawn / 0.81)!.severity).toBe('mind');
    expect(with_(drawn * 0.99)!.severity).toBe('stop');
  });
  test('without tail lamps a note, whose cure fits two at the right end; turned round it is the other end', () => {
    for (const turned of [false, true]) {
      const bare = change(boatTrain(), (d) => {
        const { cars } = d.trains[boat];
        Reflect.deleteProperty(cars, 'car-4');
        cars['car-3'].turned = turned;
      }).layout;
      const found = judged(bare).find((f) => f.rule === 'tail-lamps')!;
      expect(found.severity).toBe('note');
      const after = patched(bare, found.remedies[0].patches);
      expect(judged(after).find((f) => f.rule === 'tail-lamps')).toBeUndefined();
      const tails = Object.values(coachIn(after, 'open-saloon').lamps).filter((l) => l.role === 'tail');
      expect(tails.map((l) => l.placeMillimetres)).toEqual(turned ? [0, 0] : [232, 232]);
    }
  });
  test('tail lamps that shine inside the train are switched off by a press', () => {
    const middle = change(boatTrain(), (d) => {
      const { cars } = d.trains[boat];
      [cars['car-3'].order, cars['car-4'].order] = [4, 3];
    }).layout;
    const found = judged(middle).find((f) => f.id === 'tail-lamps car-4')!;
    expect(found.severity).toBe('mind');
    const after = patched(middle, found.remedies[0].patches);
    expect(switchOf(coachIn(after, 'luggage-van'), 'tail-lamps')!.stage.on).toBe(false);
    expect(judged(after).map((f) => f.id)).not.toContain('tail-lamps car-4');
  });
  test('coaches made for different supplies are told', () => {
    const mixed = change(boatTrain(), (d) => void (coachIn(d, 'open-saloon').supplyId = 'ac-loop')).layout;
    expect(judged(mixed).find((f) => f.rule === 'one-supply')!.sentence).toMatch(
      /2 supplies: Main line, Visitors/,
    );
  });
  test('a train without coaches has no findings', () => {
    const empty = change(boatTrain(), (d) => void (d.trains[boat].cars = {})).layout;
    expect(judged(empty)).toEqual([]);
    expect(commonCar(trainStudy(empty, boat))).toBeNull();
  });
});

describe('a train with a locomotive', () => {
  const headed = (jobId: string, recipe: (layout: Layout) => void = () => undefined): Layout => {
    const layout = structuredClone(boatTrain());
    layout.trains[boat].cars.head = { order: 0, jobId, turned: false };
    recipe(layout);
    return layout;
  };
  test('is as long and draws as much as all of it; the locomotive is not looked at like a coach', () => {
    const [alone, together] = [trainStudy(boatTrain(), boat), trainStudy(headed('railcar-tern'), boat)];
    const railcar = usualReadings(benchOf(boatTrain(), 'railcar-tern')).supplyAmps.mean;
    const on = (study: typeof alone) => study.draws.find((d) => d.supplyId === 'track')!.amps;
    expect(on(together) - on(alone)).toBeCloseTo(railcar, 6);
    expect(together.lengthMillimetres - alone.lengthMillimetres).toBeCloseTo(241 + COUPLING_MILLIMETRES, 6);
    expect(together.cars[0]).toMatchObject({ id: 'railcar-tern', look: null });
    expect(commonCar(together)!.id).toBe(commonCar(alone)!.id);
  });
  test('red lamps between it and its train are told; those at its end are what belongs there', () => {
    const inside = judged(headed('railcar-tern')).filter((f) => f.rule === 'tail-lamps');
    expect(inside.map((f) => f.id)).toEqual(['tail-lamps head']);
    const last = judged(
      headed('railcar-tern', (l) => {
        l.trains[boat].cars.head.order = 9;
        Reflect.deleteProperty(l.trains[boat].cars, 'car-4');
      }),
    ).filter((f) => f.rule === 'tail-lamps');
    expect(last.map((f) => f.id)).toEqual([]);
  });
  test('made for another track than its coaches, that is told', () => {
    const found = judged(headed('diesel-shunter')).find((f) => f.rule === 'one-supply')!;
    expect(found.sentence).toMatch(/2 supplies/);
  });
  test('its own charging is added to that of its coaches', () => {
    const stored = headed('railcar-tern', (l) => {
      const job = l.jobs['railcar-tern'];
      for (const line of Object.values(job.lines)) {
        putStage(line, 'bridge', { diode: 'silicon', loose: false });
        putStage(line, 'reservoir', { farads: 470e-6, ratedVolts: 25 });
      }
    });
    const [plain, charging] = [headed('railcar-tern'), stored].map((l) => trainInrush(l, boat)[0].peakAmps);
    expect(charging).toBeGreaterThan(plain + 1);
  });
});
