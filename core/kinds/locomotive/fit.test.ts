import { describe, expect, test } from 'vitest';
import { onRails, vehicleId } from '../../../tests/vehicles';
import { locomotiveIn } from './jobs';
import { vehicleFit } from './fit';
import type { Draft } from 'immer';
import type { LocomotiveRecord } from './record';

const fitOf = (recipe?: (job: Draft<LocomotiveRecord>) => void) =>
  vehicleFit(locomotiveIn(onRails('shared-both-ways', recipe), vehicleId));

describe('fit of a locomotive', () => {
  test('lamps of 2 mm want a 2 mm hole (common practice, no source), and a hole cannot be undone', () => {
    const step = fitOf((j) => void Object.assign(j.lamps['headlight-a'], { body: 'tower-2' })).steps.find(
      (s) => s.id === 'drill headlight-a',
    )!;
    expect(step.says).toMatch(/drill 2 mm for the 2 mm tower/);
    expect(step.undone).toBe('cannot');
    const sits = fitOf((j) => void (j.lamps['headlight-a'].way = 'sits')).steps.find(
      (s) => s.id === 'sits headlight-a',
    )!;
    expect(sits.undone).toBe('can');
  });
  test('a chip is drilled for its lens and pocketed behind', () => {
    const chip = fitOf(
      (j) => void Object.assign(j.lamps['headlight-a'], { body: 'chip-0603', lensMillimetres: 1.2 }),
    );
    expect(chip.steps.find((s) => s.id === 'drill headlight-a')!.says).toMatch(
      /drill 1.2 mm.*then from behind 1.8 mm, 0.6 mm deep/,
    );
  });
  test('a tower of 4 mm behind 1 mm of wall, with 1.5 mm for its leads, takes 4.5 mm', () => {
    const at = (mm: number) =>
      fitOf((j) => void (j.fit.clearanceMillimetres = mm)).clashes.filter((c) => c.id.startsWith('depth'));
    expect(at(4.5)).toEqual([]);
    const [clash] = at(4);
    expect(clash.takesMillimetres).toBeCloseTo(4.5, 9);
    expect(clash.cure).toMatch(/by 0.5 mm/);
  });
  test('a light pipe is shortened by what the lamp needs', () => {
    const fit = fitOf(
      (j) => void Object.assign(j.fit, { clearanceMillimetres: 7, pipeLengthMillimetres: 5 }),
    );
    // 4 mm of tower and 0.3 mm of air where 2 mm are left: 2.3 mm off.
    expect(fit.steps.find((s) => s.id === 'pipe headlight-a')!.says).toMatch(/by 2.3 mm/);
  });
  test('places to black out, ticked when tested; an opaque shell needs none round the lamps', () => {
    const ids = fitOf().darkPlaces.map((p) => p.id);
    expect(ids).toContain('shell A');
    // White and red stand 3.7 mm apart, within two and a half lamps.
    expect(ids.some((id) => id.startsWith('neighbour headlight-a'))).toBe(true);
    const ticked = fitOf((j) => void (j.fit.darkTested = ['shell A'])).darkPlaces.find(
      (p) => p.id === 'shell A',
    )!;
    expect(ticked.tested).toBe(true);
    expect(fitOf((j) => void (j.body.shell = 'opaque')).darkPlaces.map((p) => p.id)).not.toContain('shell A');
  });
});
