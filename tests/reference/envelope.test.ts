import { condition } from '../roof';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { replay, type RunControls, type RunEvent, type RunStart } from '../../core/study/live-run';
import { hasEnvelope } from '../../core/study/envelope';
import { benchOf } from '../../core/study/bench';
import { usualReadings } from '../../core/study/solver';
import { change } from '../../core/document/patch';
import { usualSupply } from '../../core/document/usual-supply';
import { demo, demoJob, generatedLayout } from '../generated';
import { coachIn } from '../../core/kinds/coach/jobs';
import type { Layout } from '../../core/document/layout';

/** Agreement asked for, as a share of the steady light and of the steady volts. */
const SHARE = 0.01;
const controls: RunControls = {
  power: true,
  throttle: 1,
  direction: 'forward',
  kilometresPerHour: 90,
  stretches: [],
};

const lit = generatedLayout.filter((layout) => {
  const bench = benchOf(layout, demoJob);
  if (!hasEnvelope(bench, 1)) return false;
  const { dies } = usualReadings(bench);
  return dies.some((l) => l.amps.mean > 2e-4) && dies.every((l) => l.amps.mean < 0.05);
});
const events: readonly RunEvent[] = [
  { seconds: 0.03, set: { power: false } },
  { seconds: 0.07, set: { power: true } },
  { seconds: 0.12, set: { stretches: [{ fromMillimetres: 0, toMillimetres: 2000, kind: 'dirty' }] } },
];

test.each(fc.sample(lit, { numRuns: 20, seed: 41 }).map((layout, i) => [i + 1, layout] as const))(
  'generated run %d: the envelope gives the light and volts of every bit within 1 %',
  (_, layout) => {
    const start: RunStart = { layout, jobId: demoJob, controls, loopMillimetres: 2000, seed: 9 };
    const quick = replay(start, events, 0.22);
    const exact = replay({ ...start, bitByBit: true }, events, 0.22);
    expect(quick).toHaveLength(exact.length);
    const volts = Math.max(...exact.map((s) => Math.abs(s.reservoirVolts)));
    quick.forEach((s, i) => {
      const at = `${exact[i].seconds} s`;
      expect(
        Math.abs(s.light - exact[i].light),
        `light at ${at}: ${s.light} against ${exact[i].light}`,
      ).toBeLessThanOrEqual(SHARE);
      expect(
        Math.abs(s.reservoirVolts - exact[i].reservoirVolts),
        `volts at ${at}: ${s.reservoirVolts} against ${exact[i].reservoirVolts}`,
      ).toBeLessThanOrEqual(SHARE * volts);
    });
  },
);

const pulses = [
  ['a reservoir behind a charge resistor', {}],
  ['a reservoir charged straight', { chargeResistor: null }],
  ['no reservoir', { reservoir: null, chargeResistor: null }],
] as const;

test.each(pulses)('fast pulses and %s: the envelope follows a changing throttle within 1 %%', (_, parts) => {
  const layout = change(demo(), (draft) => {
    draft.supplies.track = {
      ...usualSupply('dc-track', 'H0', 1),
      making: 'pulse-width',
      pulseHertz: 5000,
      greatestVolts: 14,
      usualThrottle: 0.6,
    } as Layout['supplies'][string];
    condition(coachIn(draft, demoJob), parts);
  }).layout;
  const start: RunStart = {
    layout,
    jobId: demoJob,
    controls: { ...controls, throttle: 0.6 },
    loopMillimetres: 2000,
    seed: 2,
  };
  const script: readonly RunEvent[] = [
    { seconds: 0.05, set: { throttle: 0.9 } },
    { seconds: 0.15, set: { power: false } },
    { seconds: 0.2, set: { power: true, throttle: 0.4 } },
  ];
  const quick = replay(start, script, 0.3);
  const exact = replay({ ...start, bitByBit: true }, script, 0.3);
  const volts = Math.max(...exact.map((s) => s.reservoirVolts));
  quick.forEach((s, i) => {
    const at = `${exact[i].seconds} s`;
    expect(Math.abs(s.light - exact[i].light), `light at ${at}`).toBeLessThanOrEqual(SHARE);
    expect(Math.abs(s.reservoirVolts - exact[i].reservoirVolts), `volts at ${at}`).toBeLessThanOrEqual(
      SHARE * volts,
    );
  });
});
