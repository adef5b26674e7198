import { describe, expect, test } from 'vitest';
import { altered, onDecoder, onRails, vehicleId } from '../../../tests/vehicles';
import { checkJob } from '../../finding/check';
import { causes } from '../../finding/follows';
import { patched } from '../../document/patch';
import { hangLoose, setRole, takeLamp } from './change-lamps';
import { locomotiveIn } from './jobs';
import { layLampSet, usualVehicleLamp } from './lay-lamps';
import { lampSets } from './lamp-sets';
import { wireAnew } from './lay-circuits';
import type { Layout } from '../../document/layout';

const grave = (layout: Layout): string[] =>
  checkJob(layout, vehicleId)
    .filter((f) => f.severity !== 'note')
    .map((f) => `${f.id}: ${f.sentence}`);
const job = (layout: Layout) => locomotiveIn(layout, vehicleId);
const made = [
  ['on the rails', () => onRails('shared-both-ways')],
  ['on a decoder', () => onDecoder()],
] as const;

describe.each(made)('%s', (_, begin) => {
  test('an end that is emptied leaves no circuit, no line and no lead behind', () => {
    const layout = altered(begin(), (own) => {
      for (const [id, l] of Object.entries(own.lamps)) if (l.end === 'B') takeLamp(own, id);
    });
    const hung = new Set(Object.values(job(layout).lamps).map((l) => l.circuitId));
    expect(Object.keys(job(layout).circuits).sort()).toEqual([...hung].sort());
    expect(new Set(Object.values(job(layout).circuits).map((c) => c.lineId))).toEqual(
      new Set(Object.keys(job(layout).lines)),
    );
    expect(checkJob(layout, vehicleId).map((f) => f.rule)).not.toContain('loose-lead');
  });
  test.each(['tail', 'cab', 'number-board', 'headlight'] as const)(
    'a headlight made a %s hangs with its like, and nothing needs mending',
    (role) => {
      const layout = altered(begin(), (own) => void setRole(own, 'headlight-a', role));
      const { circuitId, role: is } = job(layout).lamps['headlight-a'];
      expect(is).toBe(role);
      expect(circuitId).not.toBeNull();
      expect(grave(layout)).toEqual([]);
    },
  );
  test('another lamp hangs with those of its end at once', () => {
    const layout = altered(begin(), (own) => {
      own.lamps.another = usualVehicleLamp(own, 'headlight', 'A', 20, 'H0', { heightMillimetres: 30 });
      hangLoose(own);
    });
    expect(job(layout).lamps.another.circuitId).toBe(job(layout).lamps['headlight-a'].circuitId);
    expect(grave(layout)).toEqual([]);
  });
});

test('a circuit that was emptied otherwise is told with the press that takes it out', () => {
  const layout = altered(onRails('bulb', undefined, 'bulb'), (own) => {
    for (const [id, l] of Object.entries(own.lamps)) if (l.end === 'B') Reflect.deleteProperty(own.lamps, id);
  });
  const loose = checkJob(layout, vehicleId).filter((f) => f.rule === 'loose-lead');
  expect(loose.length).toBeGreaterThan(0);
  for (const f of loose) {
    expect(f.remedies[0].label).toMatch(/^Take .* out: no lamp hangs there$/);
    expect(
      checkJob(patched(layout, f.remedies[0].patches), vehicleId).filter((g) => g.rule === 'loose-lead'),
    ).toEqual([]);
  }
});

describe.each([
  ['on the rails', () => onRails('bulb', undefined, 'bulb')],
  ['on a decoder', () => onDecoder(undefined, { set: 'bulb' })],
] as const)('a vehicle with its old bulbs %s', (_, begin) => {
  test('a set of LEDs laid over them has its resistors, and nothing needs mending', () => {
    const layout = altered(begin(), (own) => {
      for (const end of ['A', 'B'] as const)
        layLampSet(
          own,
          end,
          lampSets.find((s) => s.id === 'two-and-two')!,
          'H0',
        );
      wireAnew(own);
    });
    for (const c of Object.values(job(layout).circuits)) expect(c.limit).not.toBe('none');
    expect(checkJob(layout, vehicleId).map((f) => f.rule)).not.toContain('no-current-limit');
    // On the rails the old bulb's diode still stands in the lead: that alone is told, and bridged by a press.
    const told = causes(checkJob(layout, vehicleId)).filter((f) => f.severity !== 'note');
    for (const f of told) expect(f.rule).toBe('end-dark');
    const mended = told.reduce((l, f) => patched(l, f.remedies[0].patches), layout);
    expect(grave(mended)).toEqual([]);
  });
});
