import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { currentProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { checkLayout } from '../document/file';
import { putStage, switchOf } from '../document/line-stages';
import { change, patched } from '../document/patch';
import { checkTrain } from '../finding/train/check-train';
import { benchOf } from './bench';
import { onOneSource, type Hanging } from './one-source';
import { matchTrain } from '../kinds/coach/match-train';
import { oldBulbs } from '../kinds/coach/old-bulbs';
import { usualReadings } from './solver';
import { trainInrush } from './train-inrush';
import { COUPLING_MILLIMETRES, commonCar, isSeen, matchBeside, trainStudy } from './train';
import { coachIn } from '../kinds/coach/jobs';
import { inOrder } from '../document/in-order';
import { usualSupply } from '../document/usual-supply';
import { rake, rakeId, wholeRake } from '../../tests/rakes';
import { supplyKind, type AcTrack, type DccTrack } from '../supply';
import type { Netlist } from '../circuit/netlist';
import type { Finding } from '../finding/finding';
import type { Layout } from '../document/layout';

const boat = rakeId;
/** The vehicles of a train as they hang on its supply. */
const hangingOf = (layout: Layout): Hanging[] =>
  inOrder(layout.trains[boat].cars).map(({ jobId }) => ({ bench: benchOf(layout, jobId), joinsSeconds: 0 }));
const judged = (layout: Layout): Finding[] =>
  checkTrain({ layout, study: trainStudy(layout, boat), inrush: trainInrush(layout, boat) });

describe('a train', () => {
  const study = trainStudy(boatTrain(), boat);
  test('draws what its coaches draw, cells apart from the track', () => {
    const layout = boatTrain();
    const alone = (id: string): number => usualReadings(benchOf(layout, id)).supplyAmps.mean;
    const track = study.draws.find((d) => d.supplyId === 'track')!;
    // Less than each alone by what the others' current drops in the track.
    const sum = alone('compartment-coach') + alone('open-saloon') + alone('luggage-van');
    expect(track.amps).toBeLessThan(sum);
    expect(track.amps / sum).toBeGreaterThan(0.99);
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
  /** The most that is drawn in the first moments of a circuit, in amperes. */
  const peakOf = (netlist: Netlist): number => {
    const run = transientOf(netlist, { stop: 2e-3, longestStep: 1e-4, start: 'given' }, (plan) => {
      const amps = currentProbe(plan, 'r_supply');
      return [(s, t) => Math.abs(amps(s, t))];
    });
    let peak = run.step.after[0];
    run.onStep = (step) => {
      peak = Math.max(peak, step.within[0], step.after[0]);
    };
    while (!run.done) run.advance(2000);
    return peak;
  };
  test('like vehicles folded into one are as many by themselves, bit by bit', () => {
    for (const count of [1, 3, 7]) {
      const layout = rake(count);
      const [ours] = trainInrush(layout, boat);
      const whole = peakOf(wholeRake(layout));
      expect(Math.abs(ours.peakAmps / whole - 1), `${count} coaches`).toBeLessThan(0.01);
      expect(onOneSource(hangingOf(layout)).groups).toBe(1);
    }
  });
  test('a regulator, a limiter, a switch and a cell of their own fold as they are', () => {
    const changes: ((l: Layout) => void)[] = [
      (l) => condition(coachIn(l, demoJob), { regulator: { outVolts: 10 }, chargeResistor: null }),
      (l) =>
        Object.values(coachIn(l, demoJob).circuits).forEach((c) => Object.assign(c, { limit: 'limiter' })),
      (l) => void (coachIn(l, demoJob).supplyId = 'ac-loop'),
    ];
    for (const recipe of changes) {
      const layout = rake(4, recipe);
      const [ours] = trainInrush(layout, boat);
      const whole = peakOf(wholeRake(layout, ours.angleDegrees ?? 0));
      expect(Math.abs(ours.peakAmps / whole - 1)).toBeLessThan(0.02);
    }
  });
  test('nothing on a source gives more than its volts over its ohms (Ohm’s law)', () => {
    const layout = rake(13, (l) => condition(coachIn(l, demoJob), { chargeResistor: null }));
    const [rush] = trainInrush(layout, boat);
    const supply = layout.supplies.track as DccTrack;
    expect(rush.peakAmps).toBeLessThan(supply.highestVolts / supply.trackOhms);
    expect(rush.peakAmps).toBeGreaterThan((0.8 * supply.highestVolts) / supply.trackOhms);
  });
  test('a transformer’s windings are told by its volts without and with load: (18 - 16) / 2 = 1 ohm', () => {
    const supply = usualSupply('ac-track', 'H0', 1) as AcTrack;
    expect(supplyKind(supply).sourceOhms(supply)).toBeCloseTo(0.4 + (18 - 16) / 2, 12);
  });
  test('as many as may be switched on at once do not trip it, one more does', () => {
    const bare = (count: number) =>
      rake(count, (l) =>
        condition(coachIn(l, demoJob), { chargeResistor: null, reservoir: { farads: 1e-3, ratedVolts: 25 } }),
      );
    const [rush] = trainInrush(bare(13), boat);
    expect(rush.trips).toBe(true);
    expect(trainInrush(bare(rush.atOnce), boat)[0].trips).toBe(false);
    expect(trainInrush(bare(rush.atOnce + 1), boat)[0].trips).toBe(true);
  });
  test('together they draw less than the sum of each alone, by what the track takes', () => {
    const one = trainStudy(rake(1), boat).draws[0].amps;
    const twelve = trainStudy(rake(12), boat).draws[0].amps;
    expect(twelve).toBeLessThan(12 * one);
    expect(twelve).toBeGreaterThan(0.9 * 12 * one);
    // Like ones see the track's resistance as many times: the same coach behind twelve times the ohms.
    const behind = change(rake(1), (d) => {
      const track = d.supplies.track as DccTrack;
      (track as { trackOhms: number }).trackOhms = 12 * track.trackOhms;
    }).layout;
    expect(twelve / 12 / trainStudy(behind, boat).draws[0].amps).toBeCloseTo(1, 3);
  });
  test('without charge resistors thirteen trip the booster; each cure that is offered cures it', () => {
    const layout = rake(13, (l) =>
      condition(coachIn(l, demoJob), { chargeResistor: null, reservoir: { farads: 1e-3, ratedVolts: 25 } }),
    );
    const found = judged(layout).find((f) => f.rule === 'train-inrush')!;
    expect(found.severity).toBe('stop');
    expect(found.sentence).toMatch(/of its 13 vehicles can be switched on at once/);
    expect(found.remedies).toHaveLength(2);
    for (const { patches } of found.remedies) {
      const after = patched(layout, patches);
      expect(judged(after).find((f) => f.rule === 'train-inrush')).toBeUndefined();
    }
    // A diode across the resistor costs the light nothing.
    const lux = (l: Layout) => trainStudy(l, boat).cars[0].look!.lux;
    expect(lux(patched(layout, found.remedies[0].patches)) / lux(layout)).toBeGreaterThan(0.97);
  });
  test('a stagger spreads the peaks: the peak falls towards that of one coach', () => {
    const together = trainInrush(rake(4), boat)[0];
    const apart = change(rake(4), (d) => void (d.trains[boat].staggerSeconds = 0.5)).layout;
    const one = trainInrush(rake(1), boat)[0];
    expect(trainInrush(apart, boat)[0].peakAmps).toBeLessThan(one.peakAmps * 1.5);
    expect(together.peakAmps).toBeGreaterThan(3.5 * one.peakAmps);
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
    expect((on(together) - on(alone)) / railcar).toBeGreaterThan(0.9);
    expect(on(together) - on(alone)).toBeLessThan(railcar);
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
