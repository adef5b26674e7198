import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { lineOf } from '../../tests/roof';
import { onDecoder, onRails, vehicleId } from '../../tests/vehicles';
import { coachIn } from '../kinds/coach/jobs';
import { locomotiveIn } from '../kinds/locomotive/jobs';
import {
  chainOf,
  mainLineId,
  putRectifier,
  putStage,
  putSwitch,
  rectifierNames,
  rectifierOf,
  reservoirLineId,
  stageBefore,
  stageId,
  stageOf,
  switchOf,
  takeStage,
} from './line-stages';
import { change } from './patch';
import { presetNameOf, presets, resistorsOf, wireBy, type PresetName } from './presets';
import type { Draft } from 'immer';
import type { CoachRecord } from '../kinds/coach/record';

const coach = (recipe: (job: Draft<CoachRecord>) => void): CoachRecord =>
  coachIn(change(demo(), (draft) => recipe(coachIn(draft, demoJob))).layout, demoJob);

describe('stages of a line', () => {
  test('are put at their usual place, whatever the order they come in', () => {
    const { lines } = coach((job) => {
      const line = lineOf(job);
      line.stages = {};
      putStage(line, 'regulator', { outVolts: 5, dropoutVolts: 1, quiescentAmps: 0 });
      putStage(line, 'bridge', { diode: 'silicon', loose: false });
      putStage(line, 'fuse', { amps: 0.5 });
      putStage(line, 'reservoir', { farads: 1e-4, ratedVolts: 16 });
    });
    const kinds = Object.values(lines.roof.stages).sort((a, b) => a.order - b.order);
    expect(kinds.map((s) => s.kind)).toEqual(['fuse', 'bridge', 'reservoir', 'regulator']);
  });
  test('one that is put again stays where it stood, under its id', () => {
    const { lines } = coach((job) => {
      const line = lineOf(job);
      line.stages = { mine: { kind: 'reservoir', order: 99, farads: 1e-4, ratedVolts: 16 } };
      putStage(line, 'reservoir', { farads: 2e-4, ratedVolts: 25 });
    });
    expect(lines.roof.stages).toEqual({
      mine: { kind: 'reservoir', order: 99, farads: 2e-4, ratedVolts: 25 },
    });
    expect(stageId(lines.roof, 'reservoir')).toBe('mine');
    expect(stageId(lines.roof, 'fuse')).toBe('fuse');
  });
  test('what is asked for can be changed in a draft', () => {
    const { lines } = coach((job) => void (stageOf(lineOf(job), 'reservoir')!.ratedVolts = 63));
    expect(stageOf(lines.roof, 'reservoir')!.ratedVolts).toBe(63);
    expect(stageOf(lines.roof, 'fuse')).toBeNull();
  });
  test.each(rectifierNames)('the rectifier “%s” is put, and told by its name', (name) => {
    const { lines } = coach((job) => putRectifier(lineOf(job), name));
    expect(rectifierOf(lines.roof)).toBe(name);
    const rectifying = Object.values(lines.roof.stages).filter(
      (s) => s.kind === 'bridge' || s.kind === 'diode',
    );
    expect(rectifying).toHaveLength(name === 'none' ? 0 : 1);
  });
});

describe('lines that feed lines', () => {
  const fed = coach((job) => {
    job.circuits.other = { ...job.circuits.roof, name: 'Other', order: 2 };
    putSwitch(job, 'roof', { name: 'Roof', on: true, lead: 'first' });
  });
  test('the chain goes from the source to the line, itself last', () => {
    const { lineId } = fed.circuits.roof;
    expect(chainOf(fed, lineId).map((l) => l.id)).toEqual(['roof', lineId]);
    expect(mainLineId(fed)).toBe('roof');
    expect(stageBefore(fed, 'roof', 'bridge')).not.toBeNull();
    expect(stageBefore(fed, 'roof', 'fuse')).toBeNull();
  });
  test('one that feeds itself is not followed for ever', () => {
    const round = coach((job) => {
      job.lines.a = { ...job.lines.roof, from: { kind: 'line', line: 'b' } };
      job.lines.b = { ...job.lines.roof, from: { kind: 'line', line: 'a' } };
    });
    expect(chainOf(round, 'a').length).toBeLessThanOrEqual(3);
  });
  test('a reservoir stands where the plus side stays plus, or nowhere', () => {
    expect(reservoirLineId(fed, true)).toBe('roof');
    const bare = coach((job) => {
      takeStage(lineOf(job), 'reservoir');
      putRectifier(lineOf(job), 'none');
    });
    expect(reservoirLineId(bare, true)).toBeNull();
    expect(reservoirLineId(bare, false)).toBe('roof');
  });
});

describe('the switch of a circuit', () => {
  const set = { name: 'Own', on: true, lead: 'first' } as const;
  test('of one that shares its line gets a line of its own, and gives it back', () => {
    const two = (job: Draft<CoachRecord>): void => {
      job.circuits.other = { ...job.circuits.roof, name: 'Other', order: 2 };
      putSwitch(job, 'other', set);
    };
    const job = coach(two);
    expect(switchOf(job, 'other')!.stage).toMatchObject(set);
    expect(switchOf(job, 'roof')).toBeNull();
    const back = coach((draft) => {
      two(draft);
      putSwitch(draft, 'other', null);
    });
    expect(Object.keys(back.lines)).toEqual(['roof']);
    expect(back.circuits.other.lineId).toBe('roof');
  });
  test('on a line that is its own it sits there', () => {
    const { layout } = change(onDecoder(), (draft) =>
      putSwitch(locomotiveIn(draft, vehicleId), 'tail-a', set),
    );
    const job = locomotiveIn(layout, vehicleId);
    expect(Object.keys(job.lines)).toEqual(Object.keys(locomotiveIn(onDecoder(), vehicleId).lines));
    expect(switchOf(job, 'tail-a')!.lineId).toBe(job.circuits['tail-a'].lineId);
  });
});

describe('ways to wire that have a name', () => {
  const track = presets.filter((p) => (p.on as readonly string[]).includes('track') && !('lamps' in p));
  test.each(track.map((p) => p.id))('“%s” is told by its name once it is wired so', (id) => {
    const job = locomotiveIn(onRails(id), vehicleId);
    const names = Object.keys(job.circuits).map((c) => presetNameOf(job, c));
    // Lamps ready wired and bulbs are wired alike; the lamps tell them apart.
    expect(names).toContain(id);
  });
  test('a way nobody has a name for is nobody’s', () => {
    const { layout } = change(onRails('shared-both-ways'), (draft) => {
      const job = locomotiveIn(draft, vehicleId);
      job.circuits['end-a'].senses = 'alike';
      putStage(job.lines['end-a'], 'diode', { diode: 'silicon' });
    });
    expect(presetNameOf(locomotiveIn(layout, vehicleId), 'end-a')).toBeNull();
  });
  test('going from one to another leaves nothing of the first behind', () => {
    const { layout } = change(onRails('regulated-board'), (draft) => {
      const job = locomotiveIn(draft, vehicleId);
      for (const c of Object.values(job.circuits)) {
        putStage(job.lines[c.lineId], 'reservoir', { farads: 1e-4, ratedVolts: 16 });
        wireBy(job.lines[c.lineId], c, 'shared-both-ways');
      }
    });
    const job = locomotiveIn(layout, vehicleId);
    const plain = locomotiveIn(onRails('shared-both-ways'), vehicleId);
    for (const id of Object.keys(job.lines)) expect(job.lines[id].stages).toEqual(plain.lines[id].stages);
    expect(Object.values(job.lines).some((l) => l.eachWay)).toBe(false);
  });
  test('each says what it is, where it makes sense, and which resistors it takes', () => {
    for (const p of presets) {
      expect(p.says.length).toBeGreaterThan(40);
      expect(p.on.length).toBeGreaterThan(0);
      expect(['each', 'shared', 'none']).toContain(resistorsOf(p.circuit));
    }
    expect(new Set(presets.map((p): PresetName => p.id)).size).toBe(presets.length);
  });
});
