import { describe, expect, test } from 'vitest';
import {
  altered,
  bareTracks,
  eachLine,
  lineOfCircuit,
  onDecoder,
  onRails,
  steer,
  vehicleId,
} from '../../../tests/vehicles';
import { endNames } from '../../document/ends';
import { boatTrain } from '../../../tests/generated';
import { change, patched } from '../../document/patch';
import { locomotiveIn } from './jobs';
import { usualRule } from '../../supply/drivers/function-map';
import { dimmingStudy, railReturnShare } from '../../study/dimming';
import { equalLight } from './equal-light';
import { keepAsSet, setsOf } from './lamp-sets';
import { mirroredVehicle, newLocomotive } from './make';
import { shownAt } from './shown';
import { MOST_STATES, statesOf, switchInput, usualState } from '../../study/states';
import { truthTable } from '../../study/truth-table';
import { throttleSweep } from '../../study/throttle-sweep';
import { Solver } from '../../study/solver';
import type { DieReading, Readings } from '../../study/readings';
import { handFor, stateByHand } from '../../study/hand';
import { benchOf } from '../../study/bench';
import type { State } from '../../supply/state';
import { checkJob } from '../../finding/check';
import { functionInput, functionsOn } from '../../supply/drivers/decoder';
import { putStage, putSwitch } from '../../document/line-stages';
import { testerAmps, testerStep } from '../../study/unmarked-lamp';
import { leds } from '../../part/led';
import { lightness } from '../../light/lightness';
import type { End } from '../../document/ends';
import type { Layout } from '../../document/layout';

const lit = (layout: Layout, set: State = {}, supplyId?: string): Readings => {
  const vehicle = benchOf(layout, vehicleId, { supplyId });
  return new Solver(vehicle).at(usualState(vehicle, set));
};
const shown = (layout: Layout, set: State = {}, onSupply?: string) =>
  shownAt(locomotiveIn(layout, vehicleId), lit(layout, set, onSupply));
const die = (readings: Pick<Readings, 'dies'>, part: string, second = false): DieReading =>
  readings.dies.find((l) => l.part === part && l.second === second)!;
/** The current its light comes of. */
const amps = (readings: Pick<Readings, 'dies'>, part: string): number => die(readings, part).litAmps;
/** How many lamps shine when they should not, or not when they should, in all states. */
const wrongLamps = (layout: Layout, jobId: string, end?: End): number => {
  const { lamps } = locomotiveIn(layout, jobId);
  return truthTable(benchOf(layout, jobId)).rows.reduce(
    (sum, row) =>
      sum +
      row.dies.filter(
        (d) => (end === undefined || lamps[d.lampId].end === end) && d.should !== (d.does === 'lit'),
      ).length,
    0,
  );
};
/** What is offered where an end shows what it should not. */
const cureFor = (layout: Layout, end: End, jobId = vehicleId) => {
  const found = checkJob(layout, jobId, {}, 'quick').find(
    (f) => f.subject.end === end && f.remedies.length > 0,
  );
  return found && { label: found.remedies[0].label, patches: found.remedies[0].patches, says: found.reason };
};
const forward = { direction: 'forward' } as const;
const reverse = { direction: 'reverse' } as const;

describe('on plain DC the direction tells the lamps', () => {
  test('two white and two red on a shared resistor: white ahead, red behind, either way', () => {
    const layout = onRails('shared-both-ways');
    expect(shown(layout, forward)).toEqual({ A: 'white', B: 'red' });
    expect(shown(layout, reverse)).toEqual({ A: 'red', B: 'white' });
  });
  test.each(['resistor-each', 'regulated-board', 'in-series'] as const)('%s does the same', (topology) => {
    expect(shown(onRails(topology), forward)).toEqual({ A: 'white', B: 'red' });
    expect(shown(onRails(topology), reverse)).toEqual({ A: 'red', B: 'white' });
  });
  test('on a bridge of its own, or back to back, it shines both ways', () => {
    const cab = (topology: 'own-bridge' | 'back-to-back') =>
      onRails(topology, (job) => {
        for (const l of Object.values(job.lamps)) Object.assign(l, { role: 'cab', part: 'white-warm' });
      });
    for (const topology of ['own-bridge', 'back-to-back'] as const)
      for (const way of [forward, reverse])
        expect(shown(cab(topology), way)).toEqual({ A: 'cab light', B: 'cab light' });
  });
  test('a two-colour lamp the wrong way round shines the other colour', () => {
    const pair = onRails('two-colour', (job) => {
      for (const [id, l] of Object.entries(job.lamps))
        if (l.role === 'tail') Reflect.deleteProperty(job.lamps, id);
        else l.secondPart = 'red';
    });
    expect(shown(pair, forward)).toEqual({ A: 'white', B: 'red' });
    const one = altered(pair, (job) => void (job.lamps['headlight-a'].reversed = true));
    const bright = (part: string, second = false) => die(lit(one, forward), part, second).lightness > 9;
    expect(bright('lamp-headlight-a', true)).toBe(true);
    expect(bright('lamp-headlight-a')).toBe(false);
    // The red one takes what the white one of the other lamp would need: red has the lower voltage.
    expect(bright('lamp-headlight-a-2')).toBe(false);
  });
  test('half the current of two lamps when they share one resistor with a twin (two in parallel, closed form)', () => {
    const two = amps(lit(onRails('shared-both-ways'), { throttle: 1 }), 'lamp-headlight-a');
    const alone = onRails('shared-both-ways', (job) => void (job.lamps['headlight-a-2'].circuitId = null));
    const one = amps(lit(alone, { throttle: 1 }), 'lamp-headlight-a');
    expect(two / one).toBeGreaterThan(0.5);
    expect(two / one).toBeLessThan(0.52);
  });
});

describe('the old steering diode', () => {
  const with2 = (steering: 'kept' | 'bridged' | 'removed') =>
    onRails('shared-both-ways', (job) => {
      for (const end of endNames) steer(job.lines[`end-${end.toLowerCase()}`], steering, end);
    });
  test('kept: that end stays dark one way (common practice, no source)', () => {
    expect(shown(with2('kept'), forward)).toEqual({ A: 'white', B: 'dark' });
    expect(shown(with2('kept'), reverse)).toEqual({ A: 'dark', B: 'white' });
  });
  test('bridged: the tails work; taken out: the same', () => {
    expect(shown(with2('bridged'), forward)).toEqual({ A: 'white', B: 'red' });
    expect(lit(with2('bridged'), forward).supplyAmps.mean).toBeCloseTo(
      lit(with2('removed'), forward).supplyAmps.mean,
      9,
    );
  });
  test('a bulb behind its diode shines ahead only', () => {
    const bulbs = onRails('bulb', undefined, 'bulb');
    expect(shown(bulbs, { ...forward, throttle: 1 })).toEqual({ A: 'white', B: 'dark' });
    expect(lit(bulbs, { ...forward, throttle: 1 }).supplyAmps.mean).toBeGreaterThan(0.055);
  });
});

describe('over the throttle (common practice, no source: shows near 30 %, good at 50, bright at 80)', () => {
  const sweep = throttleSweep(benchOf(onRails('resistor-each'), vehicleId))!;
  const head = sweep.lamps.find((l) => l.part === 'lamp-headlight-a')!;
  test('a headlight behind 1 kohm on 12 V', () => {
    expect(head.showsAt).toBeCloseTo(0.3, 1);
    expect(Math.abs(head.goodAt! - 0.5)).toBeLessThanOrEqual(0.05);
    expect(Math.abs(head.brightAt! - 0.8)).toBeLessThanOrEqual(0.05);
  });
  test('it is dark in reverse, and brighter with every step forward', () => {
    const middle = (sweep.throttles.length - 1) / 2;
    expect(Math.max(...head.lightness.slice(0, middle))).toBeLessThan(1);
    for (let i = middle + 1; i < head.lightness.length; i++)
      expect(head.lightness[i]).toBeGreaterThanOrEqual(head.lightness[i - 1] - 1e-6);
  });
  test('the bulb follows the throttle all the way, both ways alike', () => {
    expect(sweep.bulb[0]).toBeCloseTo(100, 6);
    expect(sweep.bulb[20]).toBeCloseTo(sweep.bulb[180], 9);
    expect(sweep.bulb[150]).toBeLessThan(head.lightness[150]);
  });
  test('a board with its own regulation is as bright at 60 % as at full', () => {
    const board = throttleSweep(benchOf(onRails('regulated-board'), vehicleId))!;
    expect(board.lamps.find((l) => l.part === 'lamp-headlight-a')!.lightness[160]).toBeGreaterThan(99);
  });
  test('pulses show a lamp sooner than a smooth track does', () => {
    const making = (kind: 'smooth' | 'pulse-width') =>
      throttleSweep(
        benchOf(
          change(onRails('resistor-each'), (d) => void Object.assign(d.supplies.dc, { making: kind })).layout,
          vehicleId,
        ),
      )!.lamps.find((l) => l.part === 'lamp-headlight-a')!;
    expect(making('pulse-width').showsAt!).toBeLessThan(making('smooth').showsAt!);
  });
  test('in pulses the light is the pulses’ share of full light (closed form)', () => {
    const layout = change(
      onRails('resistor-each'),
      (d) => void Object.assign(d.supplies.dc, { making: 'pulse-width' }),
    ).layout;
    const at = (throttle: number) => amps(lit(layout, { throttle }), 'lamp-headlight-a');
    expect(at(0.4) / at(1)).toBeCloseTo(0.4, 2);
  });
  test('unsmoothed, the sweep agrees with each throttle solved by itself', () => {
    const layout = change(
      onRails('resistor-each'),
      (d) => void Object.assign(d.supplies.dc, { making: 'full-wave' }),
    ).layout;
    const vehicle = benchOf(layout, vehicleId);
    const swept = new Solver(vehicle).sweep(usualState(vehicle), [0.3, 0.5, 1]);
    [0.3, 0.5, 1].forEach((throttle, i) => {
      const alone = lit(layout, { throttle });
      expect(amps(swept[i], 'lamp-headlight-a') / amps(alone, 'lamp-headlight-a')).toBeCloseTo(1, 2);
    });
  });
  test('behind a bridge of its own a reservoir fills the gaps between pulses; the current is that of the periodic state', () => {
    const board = (farads: number | null) =>
      change(
        onRails('own-bridge', (job) => {
          eachLine(job, (line) => {
            if (farads !== null) putStage(line, 'reservoir', { farads, ratedVolts: 25 });
          });
        }),
        (d) => void Object.assign(d.supplies.dc, { making: 'pulse-width' }),
      ).layout;
    const at = (farads: number | null) => lit(board(farads), { throttle: 0.4 });
    expect(amps(at(470e-6), 'lamp-headlight-a') / amps(at(null), 'lamp-headlight-a')).toBeGreaterThan(2);
    // Smoothed, it comes near what it has at full throttle, where there are no gaps.
    const full = amps(lit(board(470e-6), { throttle: 1 }), 'lamp-headlight-a');
    expect(amps(at(470e-6), 'lamp-headlight-a') / full).toBeGreaterThan(0.9);
  });
  test('with a resistor at 750 ohm to 1 kohm a headlight is brighter than a marker at 2 kohm on 12 V', () => {
    const light = (ohms: number) =>
      amps(
        lit(
          onRails('resistor-each', (job) => void (job.lamps['headlight-a'].ohms = ohms)),
          { throttle: 1 },
        ),
        'lamp-headlight-a',
      );
    expect(light(750)).toBeGreaterThan(light(1000));
    expect(light(1000) / light(2000)).toBeGreaterThan(1.8);
    expect(light(750)).toBeLessThan(leds['white-warm'].greatestAmps);
  });
  test('no sweep on a track without a throttle', () => {
    expect(throttleSweep(benchOf(onDecoder(), vehicleId))).toBeNull();
  });
});

describe('through a decoder', () => {
  test('F0 lights by direction; red lamps of an end hang on the other end’s headlight output', () => {
    const layout = onDecoder();
    expect(shown(layout, forward)).toEqual({ A: 'white', B: 'red' });
    expect(shown(layout, reverse)).toEqual({ A: 'red', B: 'white' });
    expect(shown(layout, { [functionInput(0)]: false })).toEqual({ A: 'dark', B: 'dark' });
    const output = (id: string) => {
      const { from } = lineOfCircuit(locomotiveIn(layout, vehicleId), id);
      return from.kind === 'output' ? from.output : '';
    };
    expect(output('tail-a')).toBe(output('head-b'));
  });
  test('its common positive stands at track volts less the bridge: current by the sum people do', () => {
    const state = lit(onDecoder((job) => void (job.lamps['headlight-a'].ohms = 1000)));
    // 15 V less a bridge of about 1.4 V less a lamp of about 3 V, over 1 kohm; edges take 1 or 2 % of the time.
    expect(amps(state, 'lamp-headlight-a')).toBeGreaterThan(0.0102);
    expect(amps(state, 'lamp-headlight-a')).toBeLessThan(0.0108);
  });
  test('without blue, returned to a rail: half the signal, half the light (common practice, no source)', () => {
    const without = lit(onDecoder(undefined, { type: 'small', plug: '6-pin' }));
    const blue = lit(onDecoder());
    const ratio = amps(without, 'lamp-headlight-a') / amps(blue, 'lamp-headlight-a');
    expect(ratio).toBeGreaterThan(0.47);
    expect(ratio).toBeLessThan(0.56);
  });
  test('two lamps of one output returned to different rails stand the whole track backwards', () => {
    const split = onDecoder(
      (job) => {
        lineOfCircuit(job, 'tail-b').from = { kind: 'output', output: 'out1', returnTo: 'left-rail' };
      },
      { type: 'small', plug: '6-pin' },
    );
    const most = Math.max(...lit(split, { [functionInput(0)]: false }).dies.map((l) => l.reverseVolts));
    expect(most).toBeGreaterThan(leds.red.reverseVolts);
  });
  test('a dimmed output gives its share of the light, not the light at its share of the current', () => {
    const dim = (brightness: number) =>
      lit(onDecoder((job) => void (job.decoder!.outputs.out1.brightness = brightness)));
    const [full, part] = [dim(1), dim(0.3)];
    expect(amps(part, 'lamp-headlight-a') / amps(full, 'lamp-headlight-a')).toBeCloseTo(0.3, 3);
    expect(part.dies[0].amps.greatest).toBeCloseTo(full.dies[0].amps.greatest, 4);
  });
  test('the tail switch turns the tails off and nothing else', () => {
    const layout = onDecoder((job) => {
      for (const id of ['tail-a', 'tail-b'])
        putSwitch(job, id, { name: 'Tail switch', on: true, lead: 'first' });
    });
    expect(shown(layout, { [switchInput('Tail switch')]: false })).toEqual({
      A: 'white',
      B: 'dark',
    });
    expect(shown(layout)).toEqual({ A: 'white', B: 'red' });
  });
  test('on a DC track it lights its lamps by direction too', () => {
    expect(shown(onDecoder(), { ...reverse, throttle: 1 }, 'dc')).toEqual({ A: 'red', B: 'white' });
  });
  test('several lamps on one output share what it carries', () => {
    const state = lit(onDecoder());
    const onFirst = ['lamp-headlight-a', 'lamp-headlight-a-2', 'lamp-tail-b', 'lamp-tail-b-2'];
    const sum = onFirst.reduce((all, part) => all + die(state, part).amps.greatest, 0);
    expect(state.outputAmps.get('out1')! / sum).toBeCloseTo(1, 6);
  });
});

test('a DC circuit put on DCC shows both colours at once', () => {
  expect(shown(onRails('shared-both-ways'), forward, 'dcc')).toEqual({
    A: 'white and red',
    B: 'white and red',
  });
});

describe('every reachable state', () => {
  test('direction and switches on the rails, functions too on a decoder', () => {
    expect(statesOf(benchOf(onRails('resistor-each'), vehicleId)).states).toHaveLength(2);
    expect(statesOf(benchOf(onDecoder(), vehicleId)).states).toHaveLength(4);
  });
  test('a sound vehicle does in every state what it is meant to', () => {
    for (const layout of [onRails('shared-both-ways'), onRails('regulated-board'), onDecoder()])
      expect(wrongLamps(layout, vehicleId)).toBe(0);
  });
  test('conditions and steps count as states', () => {
    const { states } = statesOf(benchOf(boatTrain(), 'express-diesel'));
    // Two directions, F0 and F2 on or off, four places of the stepping function.
    expect(states).toHaveLength(2 * 4 * 4);
  });
  test(`above ${MOST_STATES} functions that share nothing are tried apart, and it is said`, () => {
    const many = onDecoder(
      (job) => {
        job.decoder!.outputs = Object.fromEntries(
          Array.from({ length: 7 }, (_, i) => [
            `out${i + 1}`,
            {
              ...usualRule,
              keys: [
                { function: 2 * i, direction: 'both' as const },
                { function: 2 * i + 1, direction: 'both' as const },
              ],
            },
          ]),
        );
      },
      { type: 'many', plug: '21-pin' },
    );
    const { states, grouped } = statesOf(benchOf(many, vehicleId));
    expect(grouped).toMatch(/32768 states are more than 4096.*apart.*F0 with F1; F2 with F3/);
    expect(states.length).toBeLessThan(100);
    // Of a group of two functions every combination is there, and everything at once.
    for (const set of [[0], [1], [0, 1], [12, 13], Array.from({ length: 14 }, (_, f) => f)])
      expect(states.some((s) => functionsOn(s).join() === set.join())).toBe(true);
  });
  test('states that drive the circuit alike are one solution', () => {
    const table = truthTable(benchOf(boatTrain(), 'railcar-tern'));
    expect(new Set(table.rows.map((r) => r.readings)).size).toBeLessThan(table.rows.length);
  });
});

describe('which lead is the wrong way round', () => {
  test('all of a circuit: its leads are swapped at their far end', () => {
    const cure = cureFor(boatTrain(), 'A', 'diesel-shunter')!;
    expect(cure.label).toBe('Swap the two leads of End A');
    const mended = patched(boatTrain(), cure.patches);
    expect(wrongLamps(mended, 'diesel-shunter', 'A')).toBe(0);
    expect(wrongLamps(mended, 'diesel-shunter', 'B')).toBeGreaterThan(0);
  });
  test('one lamp of a pair: it names the one lamp, since swapping leads would turn the others', () => {
    const layout = onRails('resistor-each', (job) => void (job.lamps['headlight-b-2'].reversed = true));
    expect(cureFor(layout, 'B')!.label).toBe('Turn Headlight B right');
  });
  test('on a decoder’s common positive the cure names the plug', () => {
    const layout = onDecoder((job) => void (lineOfCircuit(job, 'head-a').swapped = true));
    const cure = cureFor(layout, 'A')!;
    expect(cure.label).toMatch(/Swap the two leads of Head lamps A/);
    expect(cure.says).toMatch(/blue one is the common positive/);
  });
  test('a diode that was kept is bridged; nothing wrong asks for nothing', () => {
    const kept = onRails('shared-both-ways', (job) => steer(lineOfCircuit(job, 'end-a'), 'kept', 'A'));
    expect(cureFor(kept, 'A')!.label).toMatch(/Bridge the steering diode/);
    expect(cureFor(onRails('shared-both-ways'), 'A')).toBeUndefined();
  });
  test('the far end of a set is the same vehicle mirrored: its A leads when the other’s trails', () => {
    const { layout, jobId } = mirroredVehicle(onRails('shared-both-ways'), vehicleId);
    const vehicle = benchOf(layout, jobId);
    const job = locomotiveIn(layout, jobId);
    expect(job.turned).toBe(true);
    expect(job.powered).toBe(false);
    // What the hand on the throttle calls forward is its own reverse, and the other way.
    expect(stateByHand(vehicle, { direction: 'forward' }).direction).toBe('reverse');
    expect(handFor(vehicle, stateByHand(vehicle, { direction: 'forward' })).direction).toBe('forward');
    const upright = benchOf(onRails('shared-both-ways'), vehicleId);
    expect(stateByHand(upright, {}).direction).toBe('forward');
    // Going towards its own A, which is the track’s reverse, it shows white there.
    expect(shownAt(job, new Solver(vehicle).at(usualState(vehicle)))).toEqual({
      A: 'white',
      B: 'red',
    });
  });
});

describe('an unmarked lamp on the tester', () => {
  test('the tester itself is suspected first', () => {
    expect(testerStep([]).id).toBe('known-lamp');
    expect(testerStep(['dark']).id).toBe('tester-tired');
  });
  test('then one way, then the other', () => {
    expect(testerStep(['lit']).id).toBe('one-way');
    expect(testerStep(['lit', 'lit']).id).toBe('plus-found');
    expect(testerStep(['lit', 'dark']).id).toBe('other-way');
    expect(testerStep(['lit', 'dark', 'lit']).id).toBe('plus-found');
    expect(testerStep(['lit', 'dark', 'dark']).id).toBe('lamp-dead');
  });
  test('9 V and 1 kohm give a white lamp some 6 mA (sum by hand, 3 V over the lamp)', () => {
    expect(testerAmps({ volts: 9, ohms: 1000 }, { led: leds['white-warm'] })).toBeCloseTo(0.006, 3);
  });
});

describe('equal light', () => {
  test('roles come to the shares they should have beside a lamp that looks right', () => {
    const layout = onRails('resistor-each');
    const vehicle = benchOf(layout, vehicleId);
    const study = equalLight(vehicle, 'headlight-a');
    const tail = study.proposals.find((p) => p.lampId === 'tail-a')!;
    // A tail lamp is wanted at three tenths of a headlight's light.
    const head = study.proposals.find((p) => p.lampId === 'headlight-a')!;
    expect(tail.wanted).toBeLessThan(head.wanted);
    for (const p of study.proposals) {
      // Within what the next preferred value would change.
      const step = lightness(1.1) - lightness(1);
      expect(Math.abs(p.then - p.wanted), p.lampId).toBeLessThan(step + 1);
    }
    const after = benchOf(change(layout, () => undefined).layout, vehicleId);
    expect(after.job.lamps['headlight-a'].ohms).toBe(1000);
  });
  test('white and red of the same current are not equally bright: red asks for the smaller resistor at one level', () => {
    const state = lit(
      onRails('resistor-each', (job) => void (job.lamps['tail-b'].ohms = 1110)),
      { throttle: 1 },
    );
    const white = die(state, 'lamp-headlight-a');
    const red = die(state, 'lamp-tail-b');
    expect(red.litAmps / white.litAmps).toBeCloseTo(1, 1);
    expect(red.lightness).toBeLessThan(white.lightness - 20);
  });
});

test('what a new one leaves without an output is loose, not dropped', () => {
  const { layout, jobId } = newLocomotive(bareTracks(), {
    sort: 'diesel',
    name: 'Many lamps',
    lengthMillimetres: 210,
    set: 'ditch',
    supply: { id: 'dcc' },
    topology: 'resistor-each',
    decoder: { type: 'small', plug: '6-pin' },
  });
  const job = locomotiveIn(layout, jobId);
  expect(Object.values(job.lamps).filter((l) => l.circuitId === null).length).toBeGreaterThan(0);
  expect(Object.keys(job.lamps)).toHaveLength(12);
});

describe('dimming', () => {
  test('the resistor that dims as a drive share does gives the same light when it conducts all the time', () => {
    const layout = onDecoder((job) => void (job.decoder!.outputs.out1.brightness = 0.3));
    const study = dimmingStudy(benchOf(layout, vehicleId), 'out1')!;
    const head = study.resistors.find((r) => r.id === 'headlight-a')!;
    // A share of 0.3 by the sum alone is ohms / 0.3; the lamp's volts fall a little with its current.
    expect(head.instead / (head.ohms / 0.3)).toBeGreaterThan(1);
    expect(head.instead / (head.ohms / 0.3)).toBeLessThan(1.06);
    const steady = altered(layout, (job) => {
      job.decoder!.outputs.out1.brightness = 1;
      for (const r of study.resistors) job.lamps[r.id].ohms = r.instead;
    });
    const light = (l: Layout) => die(lit(l), 'lamp-headlight-a').lumens;
    expect(light(steady) / light(layout)).toBeCloseTo(1, 4);
  });
  test('an output that is not dimmed needs none', () => {
    expect(dimmingStudy(benchOf(onDecoder(), vehicleId), 'out1')).toBeNull();
  });
  test('a plug without blue leaves about half the light, one with it all', () => {
    expect(
      railReturnShare(benchOf(onDecoder(undefined, { type: 'small', plug: '6-pin' }), vehicleId)),
    ).toBeCloseTo(0.5, 1);
    expect(railReturnShare(benchOf(onDecoder(), vehicleId))).toBeCloseTo(1, 9);
    expect(railReturnShare(benchOf(onRails('resistor-each'), vehicleId))).toBeNull();
  });
});

test('when a lamp shines can be set otherwise than its role', () => {
  const layout = onRails('resistor-each', (job) => {
    for (const l of Object.values(job.lamps)) if (l.role === 'headlight') l.shows = 'trailing';
  });
  expect(shown(layout, forward)).toEqual({ A: 'dark', B: 'white and red' });
});

test('what an end carries can be kept as a set, and laid at an end of another body', () => {
  const from = onRails('resistor-each', (job) => {
    job.lamps['headlight-a'].part = 'white-cool';
    job.lamps['headlight-a'].shows = 'both';
  });
  const kept = change(
    from,
    (d) => void keepAsSet(d, locomotiveIn(from, vehicleId), 'A', 'Harbour practice'),
  ).layout;
  const { layout, jobId } = newLocomotive(kept, {
    sort: 'railcar',
    name: 'Another',
    lengthMillimetres: 240,
    set: 'own-set',
    supply: { id: 'dc' },
    topology: 'resistor-each',
    decoder: null,
  });
  const [a, b] = [locomotiveIn(from, vehicleId), locomotiveIn(layout, jobId)];
  expect(Object.values(b.lamps).filter((l) => l.end === 'B')).toHaveLength(4);
  const first = Object.values(b.lamps)[0];
  expect([first.part, first.shows]).toEqual(['white-cool', 'both']);
  expect(first.acrossMillimetres / b.body.widthMillimetres).toBeCloseTo(
    a.lamps['headlight-a'].acrossMillimetres / a.body.widthMillimetres,
    2,
  );
  expect(setsOf(layout).at(-1)!.name).toBe('Harbour practice');
});
