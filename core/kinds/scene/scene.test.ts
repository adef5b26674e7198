import { describe, expect, test } from 'vitest';
import { addressableNames } from '../../part/addressable';
import { change, patched } from '../../document/patch';
import { isMoving } from '../../document/moving-record';
import { readLayout, writeLayout } from '../../document/file';
import { checkJob } from '../../finding/check';
import { benchOf } from '../../study/bench';
import { usualReadings } from '../../study/solver';
import { playOf, worstOf } from '../../study/play';
import { movingEffects, movingEffectNames } from '../../supply/drivers/effects';
import { timelineDoubts } from '../../supply/drivers/timeline';
import { quayside } from '../../../tests/scenery';
import { sceneIn } from './jobs';
import { newScene, type SceneWish } from './make';
import { sceneShapes } from './record';
import type { Layout } from '../../document/layout';
import type { SceneRecord } from './record';
import type { Draft } from 'immer';

type Scene = Draft<SceneRecord>;

const made = (wish: Partial<SceneWish> = {}): { layout: Layout; jobId: string } =>
  newScene(quayside(), {
    name: 'Piece',
    shape: 'ride',
    string: { sort: 'ring', count: 24 },
    motorVolts: null,
    supply: { id: 'bus-12' },
    ...wish,
  });
const findings = (layout: Layout, jobId: string): string[] => checkJob(layout, jobId).map((f) => f.rule);

describe('a new scene', () => {
  test.each(sceneShapes)('%s: every lamp of it is lit at some time, and its time line is sound', (shape) => {
    const { layout, jobId } = made({ shape });
    const play = playOf(benchOf(layout, jobId))!;
    expect(timelineDoubts(play.timeline)).toEqual([]);
    const best = new Uint8Array(play.timeline.channels + 3 * play.timeline.lamps);
    for (let ms = 0; ms < play.timeline.lastsMilliseconds; ms += play.timeline.frameMilliseconds)
      play.at(ms).frame.forEach((level, k) => void (best[k] = Math.max(best[k], level)));
    // A cap of 60 percent leaves 153 of 255; what only flickers reaches a good part of that.
    for (let k = 0; k < play.timeline.channels; k++) expect(best[k], `channel ${k}`).toBeGreaterThan(60);
    for (let k = 0; k < play.timeline.lamps; k++)
      expect(
        Math.max(best[play.timeline.channels + 3 * k], best[play.timeline.channels + 3 * k + 2]),
      ).toBeGreaterThan(60);
  });
  test.each(addressableNames)('with a string of 24, %s: nothing to stop for', (sort) => {
    const { layout, jobId } = made({ string: { sort, count: 24 } });
    expect(checkJob(layout, jobId).filter((f) => f.severity === 'stop')).toEqual([]);
  });
  test('a motor on its 16 V supply draws what it draws at its volts, beside the lamps', () => {
    const with16 = { supply: { id: 'bus-16' } };
    const amps = (motorVolts: number | null): number => {
      const { layout, jobId } = made({ ...with16, motorVolts });
      return usualReadings(benchOf(layout, jobId)).supplyAmps.mean;
    };
    // A resistor's share: 16 V over the 16 V motor's own resistance is its 120 mA.
    expect(amps(16) - amps(null)).toBeCloseTo(0.12, 2);
  });
  test.each([
    ['bus-16', 6, 'stop'],
    ['bus-16', 12, 'mind'],
    ['bus-16', 16, null],
    ['bus-12', 12, null],
  ] as const)('on %s a motor for %d V: %s, and each cure leaves none', (id, motorVolts, severity) => {
    const { layout, jobId } = made({ supply: { id }, motorVolts });
    const told = checkJob(layout, jobId).filter((f) => f.rule === 'motor-volts');
    expect(told.map((f) => f.severity)).toEqual(severity === null ? [] : [severity]);
    for (const { remedies, sentence } of told) {
      expect(sentence).toContain(`${motorVolts} V`);
      expect(remedies).toHaveLength(2);
      for (const { patches } of remedies)
        expect(findings(patched(layout, patches), jobId)).not.toContain('motor-volts');
    }
  });
  test('straight on a DCC track it burns, whatever its volts (8 kHz: NMRA S-9.1, from memory); of AC it feels the RMS', () => {
    const { layout, jobId } = made({ supply: { kind: 'dcc-track' }, motorVolts: 24 });
    const told = checkJob(layout, jobId).find((f) => f.rule === 'motor-volts')!;
    expect(told).toMatchObject({ severity: 'stop', title: 'Motor: straight on a DCC track' });
    expect(told.remedies).toHaveLength(1);
    const ac = made({ supply: { kind: 'ac-track' }, motorVolts: 16 });
    expect(findings(ac.layout, ac.jobId)).not.toContain('motor-volts');
  });
});

describe('what is judged of a scene', () => {
  const spoilt = (recipe: (job: Scene) => void, wish: Partial<SceneWish> = {}) => {
    const { layout, jobId } = made(wish);
    return { layout: change(layout, (draft) => recipe(sceneIn(draft, jobId))).layout, jobId };
  };
  const spoils: readonly (readonly [string, (job: Scene) => void])[] = [
    ['string-supply', (j) => (j.string!.supplyAmps = 0.05)],
    ['string-start', (j) => Object.assign(j.string!, { dataOhms: 0, farads: 0 })],
    [
      'flashes-harm',
      (j) => Object.assign(Object.values(j.timeline.clips)[0], { effect: 'wink', parameters: [100, 50] }),
    ],
    ['lamp-unmoved', (j) => Object.assign(j.timeline.groups.canopy, { lamps: ['lamp-1'] })],
    ['moment-overload', (j) => Object.assign(j.driver!, { totalAmps: 0.01 })],
  ];
  test.each(spoils)('%s is told, with a cure that cures', (rule, spoil) => {
    const { layout, jobId } = spoilt(spoil);
    expect(findings(made().layout, jobId)).not.toContain(rule);
    const [own] = checkJob(layout, jobId).filter((f) => f.rule === rule);
    expect(own, rule).toBeDefined();
    expect(own.remedies.length, own.sentence).toBeGreaterThan(0);
    const cured = patched(layout, own.remedies[0].patches);
    expect(findings(cured, jobId)).not.toContain(rule);
  });
  test('300 lamps fed at one end brown out or shift when all are white at full; power in again mends it', () => {
    const { layout, jobId } = spoilt(
      (j) => {
        j.timeline.capPercent = 100;
        j.string!.supplyAmps = 60;
        for (const clip of Object.values(j.timeline.clips))
          if (clip.group === 'string')
            Object.assign(clip, { effect: 'steady', parameters: [100], colour: [255, 255, 255] });
      },
      { string: { sort: 'ribbon-60', count: 300 } },
    );
    const of = checkJob(layout, jobId).filter(
      (f) => f.rule === 'string-browns-out' || f.rule === 'string-shifts',
    );
    expect(of).toHaveLength(1);
    const mended = patched(layout, of[0].remedies[0].patches);
    expect(sceneIn(mended, jobId).string!.feeds.length).toBeGreaterThan(1);
    expect(findings(mended, jobId)).not.toContain('string-browns-out');
    expect(findings(mended, jobId)).not.toContain('string-shifts');
  });
  test.each([0.1, 0.15])(
    'a string on 2 m of %s mm wire browns out in its feed: thicker wire mends it, not three more feeds',
    (millimetres) => {
      const { layout, jobId } = spoilt((j) => {
        j.timeline.capPercent = 100;
        Object.assign(j.string!, { supplyAmps: 5, wire: `magnet-${millimetres}` });
        j.string!.feeds[0].wireMillimetres = 2000;
        for (const clip of Object.values(j.timeline.clips))
          if (clip.group === 'string')
            Object.assign(clip, { effect: 'steady', parameters: [100], colour: [255, 255, 255] });
      });
      const all = checkJob(layout, jobId);
      expect(all.map((f) => f.rule)).not.toContain('not-judged');
      const [told] = all.filter((f) => f.rule === 'string-browns-out');
      expect(told.remedies[0].label).toMatch(/for its feeds instead of magnet wire/);
      const mended = patched(layout, told.remedies[0].patches);
      expect(sceneIn(mended, jobId).string!.feeds).toHaveLength(1);
      expect(findings(mended, jobId)).not.toContain('string-browns-out');
      expect(findings(mended, jobId)).not.toContain('string-shifts');
    },
  );
  test('a string that a rotary switch drives is sent nothing, and 3.3 V pins are not surely read on 5 V', () => {
    const low = spoilt((j) => void (j.driver?.kind === 'pins' && (j.driver.volts = 3.3)));
    const [told] = checkJob(low.layout, low.jobId).filter((f) => f.rule === 'string-logic');
    // 70 percent of the 5 V of its supply (from memory).
    expect(told.figures[0]).toMatchObject({ is: 3.3, limit: expect.closeTo(3.5, 1) as number });
  });
  test('a lamp under ultraviolet paint brings the caution that belongs to it, and shows the paint’s own colour', () => {
    const { layout, jobId } = spoilt((j) => void (j.lamps['lamp-1'].part = 'paint-green'), { shape: 'sign' });
    const [told] = checkJob(layout, jobId).filter((f) => f.rule === 'ultraviolet');
    expect(told).toMatchObject({ severity: 'note', subject: { lamps: ['lamp-1'] } });
    expect(told.reason).toContain('do not look into it');
    const die = usualReadings(benchOf(layout, jobId)).dies.find((d) => d.lampId === 'lamp-1')!;
    // Green to the eye, though the lamp is violet: y above x.
    expect(die.xy.y).toBeGreaterThan(die.xy.x);
    expect(findings(made().layout, jobId)).not.toContain('ultraviolet');
  });
  test('scenes with nonsense in a file are refused with where and why', () => {
    const { layout, jobId } = made();
    const text = writeLayout(layout);
    const broken = (recipe: (job: Scene) => void): string => {
      const raw = JSON.parse(text) as { jobs: Record<string, Scene> };
      recipe(raw.jobs[jobId]);
      const read = readLayout(JSON.stringify(raw));
      return read.ok ? '' : read.complaints.map((c) => `${c.path}: ${c.reason}`).join('; ');
    };
    expect(broken((j) => void (j.timeline.clips['clip-1'].toMilliseconds = 0))).toMatch(
      /timeline\.clips\.clip-1: it ends before it begins/,
    );
    expect(broken((j) => void (j.timeline.clips['clip-1'].group = 'nowhere'))).toMatch(
      /there is no group “nowhere”/,
    );
    expect(broken((j) => void (j.timeline.clips['clip-1'].effect = 'dance' as never))).toMatch(
      /timeline\.clips\.clip-1\.effect/,
    );
    expect(broken((j) => void (j.string!.feeds[0].at = 99))).toMatch(
      /string\.feeds\.0\.at: the string has no lamp 99/,
    );
    expect(broken((j) => void ((j.timeline.groups.canopy as { lamps: string[] }).lamps = ['ghost']))).toMatch(
      /there is no lamp “ghost”/,
    );
    expect(broken((j) => void (j.timeline.clips['clip-1'].parameters = []))).toMatch(/whole number/);
  });
});

describe('a scene played', () => {
  test('the same moment twice is the same, and what it draws follows its frame', () => {
    const { layout, jobId } = made();
    const [one, other] = [playOf(benchOf(layout, jobId))!, playOf(benchOf(layout, jobId))!];
    for (const ms of [0, 40, 1234, 7777, 11_960]) {
      const a = one.at(ms);
      expect([...a.frame]).toEqual([...other.at(ms).frame]);
      const byHand = one.channelAmps.reduce((sum, amps, k) => sum + (amps * a.frame[k]) / 255, 0);
      expect(a.channelAmps).toBeCloseTo(byHand, 12);
      expect(a.string!.amps).toBeGreaterThan(24 * 0.0009);
    }
  });
  test('its worst moment is no less than any moment of it', () => {
    const { layout, jobId } = made({ shape: 'shop', string: { sort: 'wire-100', count: 12 } });
    const play = playOf(benchOf(layout, jobId))!;
    const job = layout.jobs[jobId];
    if (!isMoving(job)) throw new Error('it moves');
    const worst = worstOf(job, play.channelAmps);
    for (let ms = 0; ms < 12_000; ms += 40)
      expect(play.at(ms).channelAmps).toBeLessThanOrEqual(worst.channels.amps + 1e-12);
  });
  test('what flashes so fast that it can hurt is played standing still', () => {
    const { layout, jobId } = made();
    const fast = change(layout, (draft) => {
      Object.assign(Object.values(sceneIn(draft, jobId).timeline.clips)[0], {
        effect: 'wink',
        parameters: [100, 50],
      });
    }).layout;
    const play = playOf(benchOf(fast, jobId))!;
    expect(play.spared).toBe(true);
    const levels = new Set<number>();
    for (let ms = 0; ms < 1000; ms += 10) levels.add(play.at(ms).frame[0]);
    expect(levels.size).toBe(1);
  });
  test('every effect has parameters whose usual values flash less often than can hurt', () => {
    for (const name of movingEffectNames) {
      const { parameters, flashesPerSecond } = movingEffects[name];
      expect(
        flashesPerSecond(
          parameters.map((p) => p.usual),
          24,
        ),
        name,
      ).toBeLessThan(3);
    }
  });
});
