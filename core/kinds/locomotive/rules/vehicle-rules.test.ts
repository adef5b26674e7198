import { describe, expect, test } from 'vitest';
import {
  eachLine,
  lineOfCircuit,
  onDecoder,
  onRails,
  steer,
  vehicleId,
  wireAll,
} from '../../../../tests/vehicles';
import { boatTrain } from '../../../../tests/generated';
import { patched } from '../../../document/patch';
import { locomotiveRules } from '.';
import { checkJob } from '../../../finding/check';
import { putStage } from '../../../document/line-stages';
import type { Draft } from 'immer';
import type { Layout } from '../../../document/layout';
import type { LocomotiveRecord } from '../record';
import type { Finding } from '../../../finding/finding';

type Recipe = (job: Draft<LocomotiveRecord>) => void;
const found = (layout: Layout, rule: string, onSupply?: string): Finding[] =>
  checkJob(layout, vehicleId, { supplyId: onSupply }).filter((f) => f.rule === rule);
const eachLamp =
  (set: (l: Draft<LocomotiveRecord['lamps'][string]>) => void): Recipe =>
  (job) =>
    Object.values(job.lamps).forEach(set);

describe('a sound vehicle', () => {
  test.each(['shared-both-ways', 'regulated-board'] as const)(
    'on the rails, %s, has nothing to mind',
    (t) => {
      expect(checkJob(onRails(t), vehicleId).filter((f) => f.severity !== 'note')).toEqual([]);
    },
  );
  test('on a decoder neither', () => {
    expect(checkJob(onDecoder(), vehicleId).filter((f) => f.severity !== 'note')).toEqual([]);
  });
});

/** Just over, and what must be quiet: the rule, a case with a finding, one without. */
const cases: [rule: string, wrong: Layout, right: Layout, onSupply?: string][] = [
  [
    'head-and-tail-exchanged',
    onRails('shared-both-ways', (j) => void (lineOfCircuit(j, 'end-a').swapped = true)),
    onRails('shared-both-ways'),
  ],
  [
    'no-answer',
    // No real part: a nanofarad and a tenth of an ohm behind a bridge.
    onDecoder((j) => {
      wireAll(j, 'own-bridge');
      eachLine(j, (line) => putStage(line, 'reservoir', { farads: 1e-9, ratedVolts: 25 }));
      for (const l of Object.values(j.lamps)) l.ohms = 0.1;
    }),
    onDecoder(),
  ],
  ['dc-on-dcc', onRails('shared-both-ways'), onDecoder(), 'dcc'],
  [
    'white-and-red',
    onDecoder((j) => {
      // The red lamps of end A on the same output as its white ones.
      const { from } = lineOfCircuit(j, 'tail-a');
      if (from.kind === 'output') from.output = 'out1';
    }),
    onDecoder(),
  ],
  [
    'end-dark',
    onRails('shared-both-ways', (j) => steer(lineOfCircuit(j, 'end-b'), 'kept', 'B')),
    onRails('shared-both-ways', (j) => steer(lineOfCircuit(j, 'end-b'), 'bridged', 'B')),
  ],
  [
    'no-tail',
    onDecoder((j) => {
      for (const id of ['tail-b', 'tail-b-2']) j.lamps[id].circuitId = null;
    }),
    onDecoder(),
  ],
  [
    'never-lit',
    onRails('resistor-each', (j) => void (j.lamps['headlight-a'].reversed = true)),
    onRails('resistor-each'),
  ],
  ['reverse-voltage', onRails('resistor-each'), onRails('shared-both-ways')],
  [
    'uneven-role',
    onDecoder((j) => void (j.lamps['headlight-a'].ohms = 2200)),
    onDecoder((j) => void (j.lamps['headlight-a'].ohms = 1100)),
  ],
  ['loose-lead', onDecoder((j) => void (j.lamps['tail-a'].circuitId = null)), onDecoder()],
  ['lamp-current', onDecoder(eachLamp((l) => (l.ohms = 470))), onDecoder(eachLamp((l) => (l.ohms = 1200)))],
  [
    // 1/8 W is enough for 750 ohm at 12 V, not at 15 V (common practice, no source).
    'resistor-heat',
    onDecoder((j) => {
      for (const c of Object.values(j.circuits)) c.ratedWatts = 0.125;
      for (const l of Object.values(j.lamps)) l.ohms = 750;
    }),
    onRails('resistor-each', (j) => {
      for (const c of Object.values(j.circuits)) c.ratedWatts = 0.125;
      for (const l of Object.values(j.lamps)) if (l.role === 'headlight') l.ohms = 750;
    }),
  ],
  [
    'logic-level',
    onDecoder(
      (j) => {
        const { from } = lineOfCircuit(j, 'head-a');
        if (from.kind === 'output') from.output = 'out8';
      },
      { type: 'many', plug: '21-pin' },
    ),
    onDecoder(undefined, { type: 'many', plug: '21-pin' }),
  ],
  ['not-in-mapping', onDecoder((j) => void (j.decoder!.outputs.out1.keys[0].function = 13)), onDecoder()],
  [
    'first-show',
    onRails(
      'in-series',
      eachLamp((l) => (l.part = 'white-warm')),
    ),
    onRails('shared-both-ways'),
  ],
  [
    'does-not-fit',
    onRails('shared-both-ways', (j) => void (j.fit.clearanceMillimetres = 4.4)),
    onRails('shared-both-ways', (j) => void (j.fit.clearanceMillimetres = 4.6)),
  ],
];

describe('rules', () => {
  test.each(cases)('%s: found where it is wrong, quiet where it is right', (rule, wrong, right, onSupply) => {
    const findings = found(wrong, rule, onSupply);
    expect(findings.length).toBeGreaterThan(0);
    expect(found(right, rule, onSupply)).toEqual([]);
    for (const f of findings) {
      expect(f.sentence, 'a figure is in the sentence').toMatch(/\d/);
      expect(f.reason.length).toBeGreaterThan(30);
      expect(f.paths.length).toBeGreaterThan(0);
    }
  });
  test('what a remedy is offered for is gone when it is applied', () => {
    let applied = 0;
    for (const [rule, wrong, , onSupply] of cases) {
      for (const f of found(wrong, rule, onSupply)) {
        for (const r of f.remedies) {
          const after = patched(wrong, r.patches);
          expect(
            found(after, rule, onSupply).map((x) => x.id),
            `${rule}: ${r.label}`,
          ).not.toContain(f.id);
          applied++;
        }
      }
    }
    expect(applied).toBeGreaterThan(8);
  });
  test('every rule of its own has a case', () => {
    expect(locomotiveRules.map((r) => r.id).filter((id) => !cases.some(([rule]) => rule === id))).toEqual([]);
  });
});

describe('limits of a decoder (75 mA an output: three lamps of 20 mA are safe, four are not; common practice, no source)', () => {
  /** So many lamps of 20 mA at the most on output 1 of a decoder whose outputs bear 100 mA. */
  const lampsOn = (count: number): Layout =>
    onDecoder((job) => {
      const [first] = Object.values(job.lamps);
      for (const id of Object.keys(job.lamps)) Reflect.deleteProperty(job.lamps, id);
      for (let i = 0; i < count; i++)
        job.lamps[`headlight-a-${i}`] = {
          ...first,
          order: i,
          circuitId: 'head-a',
          ohms: 700,
          acrossMillimetres: 3 * i - 9,
        };
    });
  test('five on an output of 100 mA are within, six over; the figure is what flows', () => {
    expect(found(lampsOn(5), 'output-overload')).toEqual([]);
    const [over] = found(lampsOn(6), 'output-overload');
    expect(over.figures[0].is).toBeGreaterThan(0.1);
    expect(over.figures[0].limit).toBe(0.1);
    expect(found(patched(lampsOn(6), over.remedies[0].patches), 'output-overload')).toEqual([]);
  });
  test('all together beyond the decoder’s own limit', () => {
    const heavy = (ohms: number): Layout =>
      onDecoder((job) => {
        for (const l of Object.values(job.lamps)) l.ohms = ohms;
        for (const [i, id] of Object.keys(job.circuits).entries()) {
          const { from } = lineOfCircuit(job, id);
          if (from.kind === 'output') from.output = `out${i + 1}`;
          job.decoder!.outputs[`out${i + 1}`] = {
            ...job.decoder!.outputs.out1,
            keys: [{ function: 0, direction: 'both' }],
          };
        }
        for (let i = 0; i < 10; i++)
          job.lamps[`extra-${i}`] = {
            ...job.lamps['headlight-a'],
            order: 50 + i,
            circuitId: Object.keys(job.circuits)[i % 4],
          };
      });
    const [over] = found(heavy(680), 'decoder-overload');
    expect(over.figures[0].is).toBeGreaterThan(0.25);
    // DCC of 15 V whose booster may be set to 18.
    expect(over.sentence).toMatch(/in all outputs with the (booster|track) at its highest, .*18 V/);
    expect(found(heavy(1500), 'decoder-overload')).toEqual([]);
    expect(found(patched(heavy(680), over.remedies[0].patches), 'decoder-overload')).toEqual([]);
  });
});

test('a lamp that glows when it should be dark is found faint', () => {
  // Back to back, every second lamp conducts the way it should not; behind 15 kohm it only glows.
  const glowing = onRails('back-to-back', (job) => {
    for (const c of Object.values(job.circuits)) c.ohms = 15_000;
  });
  const [one] = found(glowing, 'faint');
  expect(one.figures[0].is).toBeGreaterThanOrEqual(9);
  expect(one.figures[0].is).toBeLessThan(38);
  expect(found(onRails('shared-both-ways'), 'faint')).toEqual([]);
});

test('the demo: the shunter is wired backwards at both ends and says so with its cure; the others are sound', () => {
  const grave = (layout: Layout, id: string): Finding[] =>
    checkJob(layout, id).filter((f) => f.severity !== 'note');
  const shunter = grave(boatTrain(), 'diesel-shunter');
  expect(shunter.map((f) => f.title)).toEqual([
    'End A shows red going ahead',
    'End B shows white going away',
  ]);
  const mended = shunter.reduce<Layout>((l, f) => patched(l, f.remedies[0].patches), boatTrain());
  expect(grave(mended, 'diesel-shunter')).toEqual([]);
  for (const id of ['railcar-tern', 'express-diesel']) expect(grave(boatTrain(), id)).toEqual([]);
});
