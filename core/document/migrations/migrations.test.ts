import { VERSION } from '../layout';
import { coachIn } from '../../kinds/coach/jobs';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../../tests/generated';
import { checkLayout, readLayout, writeLayout } from '../file';
import { change } from '../patch';
import { lampType, lampTypes, OWN_LAMP } from '../lamp-type';
import { migrations } from '.';
import { legendName, legends, wireRoles } from '../wire-legend';
import { freeId, usualSupply } from '../usual-supply';
import { emptyLayout } from '../empty-layout';
import { scales, type ScaleName } from '../../quantity/scale';
import { supplyKinds, type SupplyKindName } from '../../supply';
import { benchOf } from '../../study/bench';
import { usualReadings } from '../../study/solver';

/** A layout as version 1 wrote it: one coach on DCC. */
const first = () => ({
  format: 'hazel-spark-layout',
  version: 1,
  name: 'Old quay',
  scale: 'H0',
  currency: 'EUR',
  kept: { by: 'a later hand' },
  supplies: {
    track: {
      order: 1,
      name: 'Main line',
      kind: 'dcc-track',
      amplitudeVolts: 15,
      highestVolts: 18,
      limitAmps: 3,
      tripSeconds: 0.01,
      trackOhms: 0.4,
      bits: '1',
      zeroHalfMicroseconds: 100,
    },
  },
  jobs: {
    coach: {
      order: 1,
      kind: 'coach',
      name: 'Coach',
      note: '',
      supplyId: 'track',
      dimensions: {
        lengthMillimetres: 224,
        widthMillimetres: 33,
        bodyHeightMillimetres: 30,
        windowCount: 7,
        lampDropMillimetres: 24,
        wheelMillimetres: 10.5,
      },
      wantedLux: 110,
      conditioning: {
        rectifier: 'silicon-bridge',
        chargeResistor: { ohms: 100, ratedWatts: 0.25 },
        reservoir: { farads: 0.00047, ratedVolts: 25 },
      },
      groups: {
        roof: { order: 1, drive: 'resistor-each', ohms: 4700, ratedWatts: 0.25, marked: 'blue dot' },
      },
      lamps: {
        'lamp-1': { order: 1, part: 'white-warm', placeMillimetres: 112, groupId: 'roof' },
      },
    },
  },
});

describe('a file of version 1', () => {
  const read = checkLayout(first());
  test('opens, and says where it came from', () => {
    expect(read.ok && read.migratedFrom).toBe(1);
    expect(read.ok && read.layout.version).toBe(VERSION);
  });
  test('is what it was: the same lamp carries the same current', () => {
    if (!read.ok) throw new Error('it was not read');
    const steady = usualReadings(benchOf(read.layout, 'coach'));
    // 4.7 kohm behind a silicon bridge on 15 V: about 10.9 V over it (Ohm's law).
    expect(steady.dies[0].amps.mean).toBeGreaterThan(10.5 / 4700);
    expect(steady.dies[0].amps.mean).toBeLessThan(11.3 / 4700);
    expect(coachIn(read.layout, 'coach').legend).toEqual(legends.decoder);
    expect(coachIn(read.layout, 'coach').lamps['lamp-1'].tint).toBe('none');
  });
  test('keeps what it does not know, and loses nothing on the way out', () => {
    if (!read.ok) throw new Error('it was not read');
    expect((read.layout as Record<string, unknown>).kept).toEqual({ by: 'a later hand' });
    expect((coachIn(read.layout, 'coach').circuits.roof as Record<string, unknown>).marked).toBe('blue dot');
    const again = readLayout(writeLayout(read.layout));
    expect(again.ok && again.layout).toEqual(read.layout);
    expect(again.ok && again.migratedFrom).toBeNull();
  });
  test.each([
    ['jobs that are a list', { jobs: [] }],
    ['jobs that are a word', { jobs: 'none' }],
    ['a job that is nothing', { jobs: { coach: null } }],
    ['a job without parts', { jobs: { coach: {} } }],
  ])('%s are refused with path and reason, not with a crash', (_, part) => {
    const spoiled = checkLayout({ ...first(), ...part });
    expect(spoiled.ok).toBe(false);
    if (!spoiled.ok) expect(spoiled.complaints[0].path).toMatch(/^jobs/);
  });
  test('the step itself does not touch what it is given', () => {
    const given = first();
    migrations[1](given as Record<string, unknown>);
    expect(given).toEqual(first());
  });
});

describe('what a schema cannot say', () => {
  const complaints = (recipe: Parameters<typeof change>[1]): string => {
    const read = checkLayout(JSON.parse(JSON.stringify(change(demo(), recipe).layout)));
    return read.ok ? 'read' : read.complaints.map((c) => `${c.path}: ${c.reason}`).join('\n');
  };
  test('a variant may touch its own job alone', () => {
    const stray = (path: (string | number)[]) =>
      complaints((draft) => {
        coachIn(draft, demoJob).variants.stray = {
          order: 1,
          name: 'Stray',
          patches: [{ op: 'replace', path, value: 1 }],
        };
      });
    expect(stray(['supplies', 'track', 'trackOhms'])).toMatch(/variants\.stray.*not about this job/);
    expect(stray(['jobs', 'open-saloon', 'wantedLux'])).toMatch(/not about this job/);
    expect(stray(['jobs', demoJob])).toMatch(/not about this job/);
    expect(stray(['jobs', demoJob, 'wantedLux'])).toBe('read');
  });
  test('own lamps: readings that cannot be fitted, and a lamp that is not in the drawer', () => {
    expect(
      complaints((draft) => {
        draft.drawer.lamps.bagged.readings[3].volts = 1;
      }),
    ).toMatch(/drawer\.lamps\.bagged\.readings: .*fall/);
    expect(
      complaints((draft) => {
        coachIn(draft, demoJob).lamps['lamp-1'].part = 'own:gone';
      }),
    ).toMatch(/no lamp type “own:gone”/);
  });
});

describe('lamp types', () => {
  test('the drawer’s own stand beside the generic ones and pass their highest reading', () => {
    const types = lampTypes(demo());
    expect(types.map((t) => t.id)).toContain(`${OWN_LAMP}bagged`);
    const own = lampType(demo(), `${OWN_LAMP}bagged`);
    expect(own.testAmps).toBe(0.02);
    expect(own.forwardVolts).toBeCloseTo(3.12, 1);
    expect(() => lampType(demo(), 'own:ghost')).toThrow(/no lamp type/);
    expect(() => lampType(demo(), 'constructor')).toThrow(/no lamp type/);
  });
});

describe('legends and usual supplies', () => {
  test('each legend is known by its name, any other is one’s own', () => {
    for (const [name, legend] of Object.entries(legends)) expect(legendName(legend)).toBe(name);
    expect(legendName({ ...legends.decoder, lamp: 'violet' })).toBe('own');
  });
  test('the decoder standard: red right, black left, blue common positive, white light (NMRA S-9.1.1)', () => {
    expect(legends.decoder).toMatchObject({ right: 'red', left: 'black', plus: 'blue', lamp: 'white' });
    expect(new Set(wireRoles.map((r) => legends.decoder[r])).size).toBe(wireRoles.length);
  });
  test('every usual supply of every scale is one a file may hold', () => {
    for (const scale of Object.keys(scales) as ScaleName[]) {
      for (const kind of Object.keys(supplyKinds) as SupplyKindName[]) {
        const layout = { ...emptyLayout('Trial'), scale, supplies: { one: usualSupply(kind, scale, 1) } };
        expect(checkLayout(layout).ok, `${kind} in ${scale}`).toBe(true);
      }
    }
    // About 12 V for N and 15 V for H0 (NMRA S-9.1, common settings).
    expect(usualSupply('dcc-track', 'N', 1)).toMatchObject({ amplitudeVolts: 12 });
    expect(usualSupply('dcc-track', 'H0', 1)).toMatchObject({ amplitudeVolts: 15 });
  });
  test('an id that is taken gets a number', () => {
    expect(freeId({}, 'coach')).toBe('coach');
    expect(freeId({ coach: 1, 'coach-2': 1 }, 'coach')).toBe('coach-3');
  });
});
