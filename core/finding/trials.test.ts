import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { condition, lineOf } from '../../tests/roof';
import {
  altered,
  bareTracks,
  eachLine,
  lineOfCircuit,
  onDecoder,
  onRails,
  steer,
  vehicleId,
  wireAll,
} from '../../tests/vehicles';
import { putStage, stageOf, switchOf, takeStage } from '../document/line-stages';
import { usualOwnLamp } from '../document/drawer-record';
import { change, patched } from '../document/patch';
import { usualSupply } from '../document/usual-supply';
import { coachIn } from '../kinds/coach/jobs';
import { likedLux } from '../kinds/coach/proposal';
import { layLamps } from '../kinds/coach/schools';
import { layOnDecoder, layOnTrack } from '../kinds/locomotive/lay-circuits';
import { locomotiveIn } from '../kinds/locomotive/jobs';
import { lampSets } from '../kinds/locomotive/lamp-sets';
import { newLocomotive } from '../kinds/locomotive/make';
import { decoderTypes } from '../part/decoder-type';
import { benchOf } from '../study/bench';
import { cellLifeStudy } from '../study/cell-life';
import { inrushByHand } from '../study/by-hand';
import { inrushStudy } from '../study/inrush';
import { totalLumens } from '../study/meter';
import { shortestProof } from '../study/shortest-proof';
import { Solver, usualReadings } from '../study/solver';
import { stateWords } from '../study/state-words';
import { statesOf, usualState } from '../study/states';
import { throttleSweep } from '../study/throttle-sweep';
import { truthTable } from '../study/truth-table';
import { wiringFaults } from '../study/wiring-faults';
import { functionInput } from '../supply/drivers/decoder';
import { usualRule } from '../supply/drivers/function-map';
import { checkJob, judge } from './check';
import { StudyDesk } from './studies';
import type { Draft } from 'immer';
import type { LocomotiveRecord } from '../kinds/locomotive/record';
import type { Finding } from './finding';
import type { Layout } from '../document/layout';
import type { Supply } from '../supply';

// What trials of the program found judged or computed wrongly, each kept as a case.

const found = (layout: Layout, rule: string, id = vehicleId): Finding[] =>
  checkJob(layout, id).filter((f) => f.rule === rule);
const supplied = (layout: Layout, id: string, figures: Partial<Supply>): Layout =>
  change(layout, (draft) => void Object.assign(draft.supplies[id], figures)).layout;
const on = (layout: Layout, kind: Supply['kind'], figures: object = {}): Layout =>
  change(layout, (draft) => {
    draft.supplies.track = { ...usualSupply(kind, 'H0', 1), ...figures } as Layout['supplies'][string];
  }).layout;
/** Two-colour lamps, white one way and red the other, in place of white and red ones. */
const twoColour = (job: Draft<LocomotiveRecord>): void => {
  for (const [id, l] of Object.entries(job.lamps))
    if (l.role === 'tail') Reflect.deleteProperty(job.lamps, id);
    else l.secondPart = 'red';
};

describe('what can fail is judged at the supply’s highest', () => {
  test('a headlight behind 560 ohm 1/4 W is well at 15 V; a booster set to 22 V makes it 31 mA and half a watt', () => {
    const headlight = onDecoder((job) => {
      for (const l of Object.values(job.lamps)) l.ohms = l.role === 'headlight' ? 560 : 2200;
    });
    const at = (highestVolts: number) => supplied(headlight, 'dcc', { amplitudeVolts: 15, highestVolts });
    const [lamp] = found(at(22), 'lamp-current');
    expect(lamp.severity).toBe('stop');
    // (22 - 1.4 - 3.1) / 560 by the sum people do.
    expect(lamp.figures[0].is).toBeCloseTo(0.031, 3);
    expect(lamp.sentence).toMatch(/22 V/);
    const heat = found(at(22), 'resistor-heat').filter((f) => f.severity === 'stop');
    expect(heat[0].figures[0].is).toBeGreaterThan(0.5);
    expect(heat[0].figures[0].is).toBeLessThan(0.56);
    const mended = found(at(22), 'lamp-current').reduce((l, f) => patched(l, f.remedies[0].patches), at(22));
    expect(found(mended, 'lamp-current').filter((f) => f.severity === 'stop')).toEqual([]);
  });
  test('a 12 V regulator on AC of 14 V turns little into heat, at its highest of 20 V some 0.9 W', () => {
    const strip = (highestRmsVolts: number): Layout =>
      on(
        change(demo(), (draft) => {
          const job = coachIn(draft, demoJob);
          for (const l of Object.values(job.lamps)) l.part = 'strip-warm';
          job.lamps = Object.fromEntries(Object.entries(job.lamps).slice(0, 3));
          job.circuits.roof.limit = 'none';
          condition(job, {
            chargeResistor: null,
            reservoir: { farads: 1e-3, ratedVolts: 50 },
            regulator: { outVolts: 12, dropoutVolts: 1.2, quiescentAmps: 0.003 },
          });
        }).layout,
        'ac-track',
        { rmsVolts: 14, highestRmsVolts },
      );
    const [hot] = found(strip(20), 'regulator-heat', demoJob);
    // (20 · √2 - 1.4 - 12) V at some 63 mA.
    expect(hot.figures[0].is).toBeGreaterThan(0.8);
    expect(hot.figures[0].is).toBeLessThan(1);
    const cool = found(strip(14), 'regulator-heat', demoJob);
    expect(cool[0]?.figures[0].is ?? 0).toBeLessThan(0.45);
  });
});

describe('what stands in a locomotive’s lines is judged like a coach’s', () => {
  test('1 mF of 6.3 V behind a bridge on 16 V DC, 14.6 V on it', () => {
    const layout = supplied(
      onRails('own-bridge', (job) =>
        eachLine(job, (line) => putStage(line, 'reservoir', { farads: 1e-3, ratedVolts: 6.3 })),
      ),
      'dc',
      { greatestVolts: 16 },
    );
    const [rating] = found(layout, 'reservoir-rating');
    expect(rating.severity).toBe('stop');
    expect(rating.figures[0].is).toBeCloseTo(14.8, 0);
    const mended = found(layout, 'reservoir-rating').reduce(
      (l, f) => patched(l, f.remedies[0].patches),
      layout,
    );
    expect(found(mended, 'reservoir-rating')).toEqual([]);
  });
  test('a 5 V board with four 100 ohm whites on 18 V DC: 17 V on a 10 V reservoir, a watt in the regulator', () => {
    const layout = supplied(
      onRails('regulated-board', (job) => {
        for (const l of Object.values(job.lamps)) Object.assign(l, { part: 'white-warm', ohms: 100 });
        eachLine(job, (line) => putStage(line, 'reservoir', { farads: 100e-6, ratedVolts: 10 }));
      }),
      'dc',
      { greatestVolts: 18, usualThrottle: 1 },
    );
    expect(found(layout, 'reservoir-rating')[0].figures[0].is).toBeGreaterThan(17);
    expect(found(layout, 'regulator-heat')[0].figures[0].is).toBeGreaterThan(0.4);
  });
  test('half-wave flickers, and what they all draw is held against the supply', () => {
    const half = supplied(onRails('resistor-each'), 'dc', { making: 'half-wave', usualThrottle: 1 });
    expect(found(half, 'flicker')[0].figures[1].is).toBeCloseTo(50, 6);
    const weak = supplied(onRails('resistor-each'), 'dc', { limitAmps: 0.02, usualThrottle: 1 });
    expect(found(weak, 'supply-overload')).not.toEqual([]);
  });
});

describe('two-colour lamps', () => {
  const pair = onRails('two-colour', twoColour);
  test('the colour that shines holds the other at its own volts: no reverse voltage is told', () => {
    expect(found(pair, 'reverse-voltage')).toEqual([]);
    const bench = benchOf(pair, vehicleId);
    const { dies } = new Solver(bench).at(usualState(bench, { direction: 'forward', throttle: 1 }));
    const most = Math.max(...dies.map((d) => d.reverseVolts));
    expect(most).toBeGreaterThan(1.5);
    expect(most).toBeLessThan(3.6);
  });
  test('a resistor hidden in one is shared by both colours (Kirchhoff: the same ohms whichever shines)', () => {
    const hidden = altered(pair, (job) => {
      for (const l of Object.values(job.lamps)) l.builtIn = { kind: 'resistor', ohms: 1000 };
      for (const c of Object.values(job.circuits)) c.limit = 'none';
    });
    const bench = benchOf(hidden, vehicleId);
    const solver = new Solver(bench);
    for (const direction of ['forward', 'reverse']) {
      const { dies } = solver.at(usualState(bench, { direction, throttle: 1 }));
      // 12 V less what the colour that shines takes, over 1 kohm: white some 3.1 V, red some 2 V.
      const lit = dies.filter((x) => x.lightness > 9);
      expect(lit.length).toBeGreaterThan(0);
      for (const d of lit) expect(d.litAmps).toBeCloseTo((12 - (d.second ? 2 : 3.1)) / 1000, 3);
    }
    expect(found(hidden, 'reverse-voltage')).toEqual([]);
  });
  test('four of them are four, and one touch of the tester does not prove both colours', () => {
    const job = locomotiveIn(pair, vehicleId);
    expect(benchOf(pair, vehicleId).assembly.parts.filter((p) => p.kind === 'lamp')).toHaveLength(
      Object.keys(job.lamps).length,
    );
    const proof = shortestProof(benchOf(pair, vehicleId))!;
    expect(proof.touches.length).toBeGreaterThanOrEqual(2);
  });
  test('on a decoder the other colour stays dark, and that is said when it is fitted and found after', () => {
    let left: string[] = [];
    const fitted = altered(
      pair,
      (job) => void (left = layOnDecoder(job, { type: 'usual', own: null }, '8-pin')),
    );
    expect(left.join(' ')).toMatch(/second colour of \d+ two-colour lamps stays dark/);
    const layout = change(fitted, (d) => void (locomotiveIn(d, vehicleId).supplyId = 'dcc')).layout;
    expect(found(layout, 'second-colour-dark')).toHaveLength(1);
  });
});

describe('wiring anew keeps what still makes sense, and says what does not', () => {
  test('another plug keeps functions, brightness and switches', () => {
    const own = onDecoder((job) => {
      job.decoder!.outputs.out3 = {
        ...usualRule,
        keys: [{ function: 7, direction: 'both' }],
        brightness: 0.4,
      } as never;
      putStage(lineOfCircuit(job, 'tail-a'), 'switch', { name: 'Tail lamps A', on: false, lead: 'second' });
    });
    const after = locomotiveIn(
      altered(own, (job) => void layOnDecoder(job, { type: 'many', own: null }, '21-pin')),
      vehicleId,
    );
    expect(after.decoder!.outputs.out3).toMatchObject({ brightness: 0.4, keys: [{ function: 7 }] });
    expect(switchOf(after, 'tail-a')!.stage).toMatchObject({ on: false, lead: 'second' });
  });
  test('a smaller decoder says which functions it has no output for; back on the rails the table is named', () => {
    const own = onDecoder(
      (job) =>
        void Object.assign(job.decoder!.outputs, {
          out4: { ...usualRule, keys: [{ function: 4, direction: 'both' }] },
        }),
    );
    let left: string[] = [];
    altered(own, (job) => void (left = layOnDecoder(job, { type: 'small', own: null }, '6-pin')));
    expect(left.join(' ')).toMatch(/functions of out4 are left out/);
    altered(own, (job) => void (left = layOnTrack(job, 'shared-both-ways')));
    expect(left.join(' ')).toMatch(/decoder and its table are left out/);
  });
});

test('AC inrush is that of the worst moment of the wave, several times that of its passing through nothing', () => {
  const layout = on(
    change(demo(), (draft) =>
      condition(coachIn(draft, demoJob), {
        chargeResistor: null,
        reservoir: { farads: 1e-3, ratedVolts: 50 },
      }),
    ).layout,
    'ac-track',
    { rmsVolts: 16, highestRmsVolts: 16, trackOhms: 0.5 },
  );
  const study = inrushStudy(benchOf(layout, demoJob))!;
  expect(study.angleDegrees).toBeGreaterThanOrEqual(60);
  expect(study.peakAmps).toBeGreaterThan(15);
  // Never more than the peak of the wave over the ohms in its way.
  expect(study.peakAmps).toBeLessThan(inrushByHand(benchOf(layout, demoJob)).figure);
});

test('a lamp from readings that holds its own resistor limits itself', () => {
  const layout = change(demo(), (draft) => {
    draft.drawer.lamps.mine = {
      order: 1,
      name: 'Strip of two readings',
      readings: [
        { volts: 9.5, amps: 0.006 },
        { volts: 12, amps: 0.0195 },
      ],
      greatestAmps: 0.02,
      lumens: 3,
      ...usualOwnLamp,
    };
    const job = coachIn(draft, demoJob);
    for (const l of Object.values(job.lamps)) l.part = 'own:mine';
    job.circuits.roof.limit = 'none';
    condition(job, { chargeResistor: null });
  }).layout;
  expect(
    found(on(layout, 'layout-bus', { volts: 12, highestVolts: 12 }), 'no-current-limit', demoJob),
  ).toEqual([]);
});

describe('lamps that shine both ways, and fresh sets', () => {
  const tracks = ['dc', 'dcc'] as const;
  test.each(lampSets.flatMap((s) => tracks.map((t) => [s.id, t] as const)))(
    'a fresh set “%s” on %s has nothing to stop for and nothing to mind',
    (set, track) => {
      const { layout, jobId } = newLocomotive(bareTracks(), {
        sort: 'diesel',
        name: 'Fresh',
        lengthMillimetres: 210,
        set,
        supply: { id: track },
        topology: set === 'bulb' ? 'bulb' : 'shared-both-ways',
        decoder: track === 'dcc' ? { type: 'many', plug: '21-pin' } : null,
      });
      const grave = checkJob(layout, jobId).filter((f) => f.severity !== 'note');
      expect(grave.map((f) => `${f.id}: ${f.sentence}`)).toEqual([]);
    },
  );
  test('a ditch pair on a key of its own is not white going away where red should', () => {
    const { layout, jobId } = newLocomotive(bareTracks(), {
      sort: 'diesel',
      name: 'Ditch',
      lengthMillimetres: 210,
      set: 'ditch',
      supply: { id: 'dcc' },
      topology: 'resistor-each',
      decoder: { type: 'many', plug: '21-pin' },
    });
    const { dies } = truthTable(benchOf(layout, jobId)).rows.find((r) => r.state.F1 === true)!;
    expect(dies.some((d) => d.lampId.startsWith('ditch') && d.does === 'lit')).toBe(true);
    expect(found(layout, 'head-and-tail-exchanged', jobId)).toEqual([]);
  });
});

describe('cures', () => {
  test('none moves a circuit to an output that is in use by stepping', () => {
    const layout = onDecoder(
      (job) => {
        job.decoder!.stepped = { function: 5, outputs: ['out5', 'out6'] };
        job.decoder!.outputs.out3 = { ...usualRule, keys: [{ function: 2, direction: 'forward' }] } as never;
        lineOfCircuit(job, 'head-a').from = { kind: 'output', output: 'out8', returnTo: 'common' };
      },
      { type: 'many', plug: '21-pin' },
    );
    const findings = checkJob(layout, vehicleId);
    const cures = findings.flatMap((f) => f.remedies);
    expect(cures.length).toBeGreaterThan(0);
    for (const { patches } of cures) {
      const { decoder, lines } = locomotiveIn(patched(layout, patches), vehicleId);
      for (const line of Object.values(lines))
        if (line.from.kind === 'output') expect(decoder!.stepped!.outputs).not.toContain(line.from.output);
    }
  });
  test('bulbs on one output are offered no larger resistors: they have none', () => {
    const layout = onDecoder((job) => {
      for (const l of Object.values(job.lamps)) Object.assign(l, { part: 'bulb-12v', body: 'bulb' });
      wireAll(job, 'bulb');
    });
    const [over] = found(layout, 'output-overload');
    expect(over.figures[0].is).toBeGreaterThan(0.1);
    for (const r of over.remedies) expect(r.label).not.toMatch(/resistor/i);
  });
  test('white and yellow outputs exchanged: the cure exchanges them', () => {
    const exchanged = onDecoder((job) => {
      for (const line of Object.values(job.lines))
        if (line.from.kind === 'output') line.from.output = line.from.output === 'out1' ? 'out2' : 'out1';
    });
    const wrong = found(exchanged, 'head-and-tail-exchanged');
    expect(wrong.length).toBe(2);
    const mended = patched(exchanged, wrong[0].remedies[0].patches);
    expect(judge(new StudyDesk(benchOf(mended, vehicleId))).filter((f) => f.severity !== 'note')).toEqual([]);
  });
  test('a body turned end for end on its chassis: both ends are told, and what is pressed mends them', () => {
    const turned = onRails('shared-both-ways', (job) => eachLine(job, (line) => void (line.swapped = true)));
    const wrong = found(turned, 'head-and-tail-exchanged');
    expect(wrong).toHaveLength(2);
    const mended = wrong.reduce((l, f) => patched(l, f.remedies[0].patches), turned);
    expect(found(mended, 'head-and-tail-exchanged')).toEqual([]);
  });
  test('leads swapped behind the kept diode are not leads swapped at the pickups', () => {
    const behind = onRails('shared-both-ways', (job) => {
      steer(lineOfCircuit(job, 'end-a'), 'kept', 'A');
      job.circuits['end-a'].swapped = true;
    });
    const before = onRails('shared-both-ways', (job) => {
      steer(lineOfCircuit(job, 'end-a'), 'kept', 'A');
      lineOfCircuit(job, 'end-a').swapped = true;
    });
    const lit = (layout: Layout) => {
      const bench = benchOf(layout, vehicleId);
      return statesOf(bench).states.map((s) =>
        new Solver(bench)
          .at(s)
          .dies.filter((d) => d.lightness > 9 && d.lampId.endsWith('-a'))
          .map((d) => d.lampId),
      );
    };
    expect(lit(behind)).not.toEqual(lit(before));
    for (const layout of [behind, before]) {
      const offered = checkJob(layout, vehicleId).flatMap((f) => f.remedies);
      expect(offered.length).toBeGreaterThan(0);
    }
  });
});

describe('regulated and constant-current boards', () => {
  const shows = (preset: 'regulated-board' | 'constant-current-board' | 'resistor-each'): number =>
    throttleSweep(benchOf(onRails(preset), vehicleId))!.lamps.find((l) => l.part === 'lamp-headlight-a')!
      .showsAt!;
  const bright = (preset: 'regulated-board' | 'constant-current-board' | 'resistor-each'): number =>
    throttleSweep(benchOf(onRails(preset), vehicleId))!.lamps.find((l) => l.part === 'lamp-headlight-a')!
      .brightAt!;
  test('a board is at full light sooner than a plain resistor, as its words say', () => {
    expect(bright('regulated-board')).toBeLessThan(bright('resistor-each'));
    expect(bright('constant-current-board')).toBeLessThan(bright('resistor-each'));
    expect(shows('constant-current-board')).toBeLessThan(0.5);
  });
  test('dropout decides where it is full: a board of 0.3 V is full sooner than one of 2 V', () => {
    const full = (dropoutVolts: number): number => {
      const layout = onRails('regulated-board', (job) =>
        eachLine(job, (line) => {
          stageOf(line, 'regulator')!.dropoutVolts = dropoutVolts;
        }),
      );
      return throttleSweep(benchOf(layout, vehicleId))!.lamps.find((l) => l.part === 'lamp-headlight-a')!
        .brightAt!;
    };
    expect(full(0.3)).toBeLessThan(full(2));
  });
});

describe('several lamps on one resistor', () => {
  test('two whites are noted in a locomotive as in a coach', () => {
    expect(found(onRails('shared-both-ways'), 'uneven-sharing').length).toBeGreaterThan(0);
  });
  test('white beside red, the same way round: the white is told to be held down by the red, with a cure', () => {
    const layout = onRails('shared-both-ways', (job) => {
      job.lamps['tail-a'].shows = 'leading';
      job.lamps['tail-a-2'].shows = 'leading';
    });
    const [dark] = found(layout, 'unlike-sharing');
    expect(dark.title).toMatch(/^Headlight A/);
    expect(dark.reason).toMatch(/hold one another down/);
    expect(dark.remedies.length).toBeGreaterThan(0);
    const mended = patched(layout, dark.remedies[0].patches);
    expect(found(mended, 'unlike-sharing')).toEqual([]);
  });

  test('red laid to the white of an end on a decoder: the dark white is told with its reason, and hung apart both are right', () => {
    const layout = onDecoder((job) => {
      const { circuitId } = job.lamps['headlight-a'];
      job.circuits[circuitId!].limit = 'shared';
      for (const id of ['tail-a', 'tail-a-2']) job.lamps[id].circuitId = circuitId;
    });
    const [dark] = found(layout, 'unlike-sharing');
    expect(dark.title).toMatch(/^Headlight A left, Headlight A right stay dark beside Tail lamp A left/);
    // Red needs some 1.9 V, white some 2.9 (common practice, no source).
    expect(dark.figures[1].is).toBeGreaterThan(1.7);
    expect(dark.figures[1].is).toBeLessThan(2.2);
    expect(found(layout, 'head-and-tail-exchanged')[0].follows).toBe(dark.id);
    expect(found(layout, 'never-lit')).toEqual([]);
    const mended = checkJob(patched(layout, dark.remedies[0].patches), vehicleId);
    expect(mended.filter((f) => f.severity !== 'note')).toEqual([]);
  });
});

describe('cells that fade', () => {
  /** Fairy lamps of a coach, each one straight on two AAA, through one resistor. */
  const fairies = (inSeries: number, ohms: number): Layout =>
    change(on(demo(), 'cell', { cell: 'aaa', inSeries }), (draft) => {
      draft.jobs = { [demoJob]: draft.jobs[demoJob] };
      draft.trains = {};
      const job = coachIn(draft, demoJob);
      const line = lineOf(job);
      for (const kind of ['bridge', 'charge', 'reservoir', 'regulator'] as const)
        if (stageOf(line, kind)) takeStage(line, kind);
      layLamps(job, 'white-warm', 4);
      Object.assign(job.circuits.roof, { limit: 'shared', ohms, inSeries: 1 });
    }).layout;
  test('two AAA through 22 ohm: half the light is gone long before they are empty, told with one cell more', () => {
    const layout = fairies(2, 22);
    const [fades] = found(layout, 'cell-fades', demoJob);
    const life = cellLifeStudy(benchOf(layout, demoJob))!;
    expect(fades.figures[0].is).toBe(life.moments[0]);
    expect(fades.figures[0].is).toBeLessThan(life.moments[1]! / 4);
    expect(fades.remedies[0].label).toBe('3 × AAA cell, and larger resistors for as much light as now');
    const mended = patched(layout, fades.remedies[0].patches);
    expect(found(mended, 'cell-fades', demoJob)).toEqual([]);
    const longer = cellLifeStudy(benchOf(mended, demoJob))!;
    expect(longer.moments[0]).toBeGreaterThan(2 * life.moments[0]!);
    // As much light as now, to a step of the resistor's series.
    const light = (l: Layout): number => totalLumens(usualReadings(benchOf(l, demoJob)));
    expect(light(mended) / light(layout)).toBeGreaterThan(0.8);
    expect(light(mended) / light(layout)).toBeLessThan(1.1);
  });
  test('cells that another job hangs on too are not changed for one', () => {
    const layout = change(fairies(2, 22), (draft) => {
      draft.jobs.second = { ...draft.jobs[demoJob], name: 'Second' };
    }).layout;
    expect(found(layout, 'cell-fades', demoJob)[0].remedies).toEqual([]);
  });
});

describe('bulbs', () => {
  const bulbs = (supply: 'dc' | 'dcc'): Layout =>
    newLocomotive(bareTracks(), {
      sort: 'shunter',
      name: 'Bulbs',
      lengthMillimetres: 110,
      set: 'bulb',
      supply: { id: supply },
      topology: 'bulb',
      decoder: supply === 'dcc' ? { type: 'usual', plug: '8-pin' } : null,
    }).layout;
  test('a fresh bulb set on a decoder shines: no resistor is in its way', () => {
    const layout = bulbs('dcc');
    expect(benchOf(layout, vehicleId).assembly.parts.filter((p) => p.kind === 'resistor')).toEqual([]);
    expect(
      truthTable(benchOf(layout, vehicleId)).rows.some((r) => r.dies.some((d) => d.does === 'lit')),
    ).toBe(true);
  });
  test('a 12 V bulb on 20 V DC is told, with its volts; on 12 V it is not', () => {
    const at = (greatestVolts: number) => found(supplied(bulbs('dc'), 'dc', { greatestVolts }), 'bulb-volts');
    expect(at(20)[0].figures[0].is).toBeGreaterThan(18);
    expect(at(12)).toEqual([]);
  });
});

test('liked at 9.5 V: only the chosen circuit was on the bench supply', () => {
  const two = change(demo(), (draft) => {
    const job = coachIn(draft, demoJob);
    job.circuits.other = { ...job.circuits.roof, order: 2, name: 'Other', ohms: 220 };
    job.lamps['lamp-7'].circuitId = 'other';
  }).layout;
  const alone = change(two, (draft) => {
    const job = coachIn(draft, demoJob);
    delete job.lamps['lamp-7'];
    delete job.circuits.other;
  }).layout;
  expect(likedLux(two, demoJob, 'roof', 9.5, 470) / likedLux(alone, demoJob, 'roof', 9.5, 470)).toBeCloseTo(
    1,
    3,
  );
});

describe('decoders', () => {
  test('an alternating pair is lit in turn, not together: each phase is a row of its own', () => {
    const layout = onDecoder(
      (job) => {
        const outputs = job.decoder!.outputs as Record<string, object>;
        for (const [out, effect] of [
          ['out3', 'alternate-one'],
          ['out4', 'alternate-other'],
        ] as const)
          outputs[out] = { ...usualRule, keys: [{ function: 1, direction: 'both' }], effect };
        lineOfCircuit(job, 'head-a').from = { kind: 'output', output: 'out3', returnTo: 'common' };
        lineOfCircuit(job, 'head-b').from = { kind: 'output', output: 'out4', returnTo: 'common' };
      },
      { type: 'many', plug: '21-pin' },
    );
    const bench = benchOf(layout, vehicleId);
    const rows = truthTable(bench).rows.filter((r) => r.state.F1 === true && r.state.F0 !== true);
    expect(rows.length).toBeGreaterThanOrEqual(2);
    for (const r of rows) {
      const ends = new Set(
        r.dies
          .filter((d) => d.does === 'lit')
          .map((d) => (d.lampId.at(-1) === '2' ? d.lampId.at(-3) : d.lampId.at(-1))),
      );
      expect(ends.size).toBe(1);
    }
  });
  test('states name the switch they are told by', () => {
    const layout = onDecoder((job) =>
      putStage(lineOfCircuit(job, 'tail-a'), 'switch', { name: 'Tail lamps A', on: true, lead: 'first' }),
    );
    const bench = benchOf(layout, vehicleId);
    const words = statesOf(bench).states.map((s) => stateWords(bench, s));
    expect(new Set(words).size).toBe(words.length);
    expect(words.some((w) => /Tail lamps A off/.test(w))).toBe(true);
  });
  test('on DC it wakes at its volts, and is dark below', () => {
    const bench = benchOf(onDecoder(), vehicleId, { supplyId: 'dc' });
    const { wakeVolts } = decoderTypes.usual;
    const lit = (volts: number): boolean =>
      new Solver(bench)
        .at(usualState(bench, { throttle: volts / 12, [functionInput(0)]: true }))
        .dies.some((d) => d.litAmps > 1e-4);
    expect(lit(wakeVolts - 0.2)).toBe(false);
    expect(lit(wakeVolts + 0.2)).toBe(true);
  });
  test('what it takes for itself is drawn with nothing lit', () => {
    const dark = usualReadings(benchOf(onDecoder(), vehicleId), undefined, { [functionInput(0)]: false });
    expect(dark.supplyAmps.mean).toBeCloseTo(decoderTypes.usual.ownAmps, 3);
  });
});

describe('proof', () => {
  test('a lamp hurt by the iron is among the faults that are proven', () => {
    const bench = benchOf(onRails('resistor-each'), vehicleId);
    const hurt = wiringFaults(bench).filter((f) => f.id.startsWith('overheated'));
    expect(hurt).toHaveLength(Object.keys(bench.job.lamps).length);
    const proof = shortestProof(bench)!;
    expect(hurt.filter((f) => proof.exposing.get(f.id)!.length > 0).length).toBeGreaterThan(0);
  });
  test('a tester may have less than 100 ohm', () => {
    const layout = change(onRails('resistor-each'), (d) => void (d.drawer.tester.ohms = 47)).layout;
    expect(shortestProof(benchOf(layout, vehicleId))!.tester).toMatch(/47/);
  });
});

test('a switch may sit in either lead of a line, and opens it there', () => {
  for (const lead of ['first', 'second'] as const) {
    const layout = change(demo(), (draft) =>
      putStage(lineOf(coachIn(draft, demoJob)), 'switch', { name: 'Roof', on: false, lead }),
    ).layout;
    expect(usualReadings(benchOf(layout, demoJob)).dies.every((d) => d.litAmps < 1e-6)).toBe(true);
  }
});
