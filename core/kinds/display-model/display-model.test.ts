import { describe, expect, test } from 'vitest';
import { displayId, stands, tug } from '../../../tests/display-models';
import { checkJob } from '../../finding/check';
import { patched } from '../../document/patch';
import { leds } from '../../part/led';
import { benchOf } from '../../study/bench';
import { usualReadings } from '../../study/solver';
import { ownTester, testerAmps } from '../../study/unmarked-lamp';
import { newDisplayModel, sharedResistor } from './make';
import { displayModelIn } from './jobs';
import { supplyKind } from '../../supply';
import { kindOf } from '..';

describe('two red lamps in parallel behind 27 ohm on three cells', () => {
  const bench = benchOf(tug(), displayId);
  const readings = usualReadings(bench);
  const total = readings.dies.reduce((sum, d) => sum + d.amps.mean, 0);

  test('by hand (4.5 V - 2.1 V) / 27 ohm = 89 mA; fresh cells have more volts, and cells and lamps give way', () => {
    const nominal = (4.5 - 2.1) / 27;
    const fresh = (supplyKind(bench.supply).highestVolts(bench.supply) - leds.red.forwardVolts) / 27;
    expect(nominal).toBeCloseTo(0.0889, 4);
    expect(total).toBeGreaterThan(nominal);
    expect(total).toBeLessThan(fresh);
    expect(total).toBeGreaterThan(0.9 * fresh);
    // Alike lamps in parallel share alike.
    expect(readings.dies[0].amps.mean).toBeCloseTo(readings.dies[1].amps.mean, 12);
  });
  test('Kirchhoff: the volts of supply, resistor and lamp go round to nothing, but for the switch’s few millivolts', () => {
    const rest = readings.railVolts.mean - readings.dies[0].volts.mean - total * 27;
    expect(rest).toBeGreaterThanOrEqual(0);
    expect(rest).toBeLessThan(0.01);
  });
  test('is too much for them, and a larger resistor cures it', () => {
    const [finding] = checkJob(tug(), displayId).filter((f) => f.rule === 'lamp-current');
    expect(finding.severity).toBe('stop');
    expect(finding.sentence).toMatch(/mA/);
    const cured = patched(tug(), finding.remedies[0].patches);
    expect(displayModelIn(cured, displayId).circuits.lamps.ohms).toBeGreaterThan(27);
    expect(checkJob(cured, displayId).filter((f) => f.severity === 'stop')).toEqual([]);
  });
  test('an unmarked lamp tried with the stand’s own resistor in circuit gets what both get together', () => {
    const own = ownTester(bench)!;
    expect(own.ohms).toBeGreaterThan(27);
    expect(own.ohms).toBeLessThan(30);
    const alone = testerAmps(own, { led: leds.red });
    expect(alone).toBeGreaterThan(0.8 * total);
    expect(alone).toBeLessThan(total);
  });
});

describe('a display model', () => {
  test('is sized so that its lamps get half of what they bear', () => {
    const { layout, jobId } = newDisplayModel(stands(), {
      shape: 'building',
      name: 'Ice house',
      lengthMillimetres: 160,
      part: 'white-warm',
      lamps: 3,
      supply: { id: 'usb' },
    });
    const { dies } = usualReadings(benchOf(layout, jobId));
    for (const { amps } of dies) {
      expect(amps.mean).toBeLessThanOrEqual(0.5 * leds['white-warm'].greatestAmps * 1.05);
      expect(amps.mean).toBeGreaterThan(0.3 * leds['white-warm'].greatestAmps);
    }
    expect(kindOf('display-model').words(layout, jobId)).toBe('3 lit');
  });
  test('the resistor is a value that is sold, and bears its heat', () => {
    const supply = stands().supplies.cells;
    // (4.5 V - 2.1 V) / 2 lamps of half 30 mA or less: E12 above.
    const { ohms, ratedWatts } = sharedResistor(supply, leds.red, 2);
    const amps = 2 * 0.5 * leds.red.greatestAmps;
    expect(ohms).toBeGreaterThanOrEqual(2.3 / amps);
    expect(ohms).toBeLessThan((2.6 / amps) * 1.25);
    expect(ratedWatts).toBeGreaterThanOrEqual(0.125);
  });
  test('in the dark it says so, and its small picture has no light', () => {
    const { layout, jobId } = newDisplayModel(stands(), {
      shape: 'aircraft',
      name: 'Flying boat',
      lengthMillimetres: 240,
      part: 'red',
      lamps: 2,
      supply: { kind: 'layout-bus' },
    });
    const off = patched(layout, [
      { op: 'replace', path: ['jobs', jobId, 'lines', 'stand', 'stages', 'switch', 'on'], value: false },
    ]);
    expect(kindOf('display-model').words(off, jobId)).toBe('Dark');
    expect(kindOf('display-model').sketch(off, jobId).lights).toEqual([]);
    expect(kindOf('display-model').sketch(layout, jobId).lights).toHaveLength(2);
  });
});
