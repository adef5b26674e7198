import { describe, expect, test } from 'vitest';
import { curveDoubt, fitReadings } from './lamp-readings';
import { lampColours, printedLamp, type LampColourName } from './printed-lamp';

describe('what is printed on the bag', () => {
  test('“2.1 V, 20 mA” is a bare red lamp', () => {
    const { readings, builtInOhms } = printedLamp(2.1, 0.02, 'red');
    expect(builtInOhms).toBe(0);
    const curve = fitReadings(readings);
    expect(curve.forwardVolts).toBeCloseTo(2.1, 6);
    expect(curve.testAmps).toBeCloseTo(0.02, 9);
  });
  test('“12 V, 20 mA” is a white lamp with (12 - 3)/0.02 = 450 ohm inside (Ohm’s law)', () => {
    const { readings, builtInOhms } = printedLamp(12, 0.02, 'white');
    expect(builtInOhms).toBeCloseTo(450, 9);
    // The slope between the two readings is the resistor, and a little of the junction.
    const slope = (readings[1].volts - readings[0].volts) / (readings[1].amps - readings[0].amps);
    expect(slope).toBeGreaterThan(450);
    expect(slope).toBeLessThan(465);
  });
  test('every colour gives readings that are a lamp’s', () => {
    for (const colour of Object.keys(lampColours) as LampColourName[])
      for (const [volts, amps] of [
        [lampColours[colour].volts, 0.02],
        [5, 0.01],
        [16, 0.015],
      ] as const)
        expect(
          curveDoubt(fitReadings(printedLamp(volts, amps, colour).readings)),
          `${colour} ${volts}`,
        ).toBeNull();
  });
  test('a white lamp on 1.5 V is refused: another colour is meant, or a mistake', () => {
    expect(() => printedLamp(1.5, 0.02, 'white')).toThrow(/another colour/);
  });
});
