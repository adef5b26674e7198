import { describe, expect, test } from 'vitest';
import { practiceNames } from '../../../tests/driven';
import { quayside } from '../../../tests/scenery';
import { inOrder } from '../../document/in-order';
import { change } from '../../document/patch';
import { crossingIn } from '../../kinds/crossing/jobs';
import { newCrossing } from '../../kinds/crossing/make';
import { signalIn } from '../../kinds/signal/jobs';
import { newSignal } from '../../kinds/signal/make';
import { askedOf, outputOf } from '../../study/aspects';
import { benchOf } from '../../study/bench';
import { timelineDoubts, type Timeline } from '../../supply/drivers/timeline';
import { laidOut } from '../../supply/drivers/laid-out';
import { ProgramError } from './board';
import { cpp } from './cpp';
import { microPython } from './micropython';
import { usedOutputs } from '../../study/aspects';
import { timelineOfAspects, wiringOfPins } from './of-aspects';

const crossing = newCrossing(quayside(), {
  name: 'Crossing',
  posts: 1,
  barriers: true,
  bell: false,
  part: 'red',
  supply: { id: 'bus-5' },
  driver: 'pins',
  common: 'anode',
});

/** Channels that are lit at a moment. */
const litAt = (of: Timeline, milliseconds: number): number[] => {
  const frame = new Uint8Array(of.channels);
  laidOut(of)(milliseconds, frame);
  return [...frame.keys()].filter((k) => frame[k] > 127);
};

describe('the program of a crossing on pins', () => {
  const job = crossingIn(crossing.layout, crossing.jobId);
  const of = timelineOfAspects(job, ['closed'], 45);
  test('flashes left and right in turn, about 45 times a minute, the barrier lit throughout, for ever', () => {
    expect(usedOutputs(job)).toEqual([1, 2, 3]);
    expect(timelineDoubts(of)).toEqual([]);
    const halves = [0, 1, 2, 3].map((k) => litAt(of, 100 + k * 660));
    expect(halves).toEqual([
      [0, 2],
      [1, 2],
      [0, 2],
      [1, 2],
    ]);
    // Over its end into its beginning there is no gap.
    for (let at = 0; at < 3 * of.lastsMilliseconds; at += of.frameMilliseconds)
      expect(litAt(of, at)).toHaveLength(2);
    let flashes = 0;
    for (let at = of.frameMilliseconds; at < 60_000; at += of.frameMilliseconds)
      if (litAt(of, at).includes(0) && !litAt(of, at - of.frameMilliseconds).includes(0)) flashes++;
    expect(Math.abs(flashes - 45)).toBeLessThanOrEqual(1);
  });
  test('lamps that share plus are lit by a pin that is low; behind a transistor, and sharing minus, by one that is high', () => {
    const wiring = wiringOfPins(benchOf(crossing.layout, crossing.jobId), [2, 3, 4]);
    expect(wiring.litBy).toBe('low');
    expect(microPython(of, wiring)).toContain('DARK = 1');
    expect(cpp(of, wiring)).toContain('const bool DARK = HIGH;');
    const behind = change(crossing.layout, (d) => {
      const { driver } = crossingIn(d, crossing.jobId);
      if (driver?.kind === 'pins') driver.transistors = true;
    }).layout;
    expect(wiringOfPins(benchOf(behind, crossing.jobId), [2, 3, 4]).litBy).toBe('high');
    const shared = newSignal(quayside(), {
      practice: 'two-aspect',
      name: 'Signal',
      supply: { id: 'bus-5' },
      driver: 'pins',
      common: 'cathode',
    });
    const minus = wiringOfPins(benchOf(shared.layout, shared.jobId), [2, 3]);
    expect(minus.litBy).toBe('high');
  });
  test('says what each pin carries as solved, and is refused where all together are too much', () => {
    const bench = benchOf(crossing.layout, crossing.jobId);
    const wiring = wiringOfPins(bench, [2, 3, 4]);
    expect(wiring.channelAmps.every((a) => a > 1e-3 && a < 0.021)).toBe(true);
    expect(() => microPython(of, { ...wiring, limitAmps: 0.01 })).toThrow(ProgramError);
    expect(() => cpp(of, { ...wiring, channelPins: [2, 3, 3] })).toThrow('pin 3 is used 2 times');
  });
});

describe.each(practiceNames)('every aspect of %s in turn', (practice) => {
  const { layout, jobId } = newSignal(quayside(), {
    practice,
    name: 'Signal',
    supply: { id: 'bus-5' },
    driver: 'pins',
    common: 'anode',
  });
  const job = signalIn(layout, jobId);
  test('lights the outputs that each aspect asks for, and no other', () => {
    if (job.driver === null) {
      // Behind an arm nothing is switched: there is nothing for pins to do.
      expect(Object.keys(job.lamps).every((id) => outputOf(job, id) === null)).toBe(true);
      return;
    }
    const aspects = inOrder(job.aspects);
    const of = timelineOfAspects(
      job,
      aspects.map((a) => a.id),
      60,
    );
    expect(timelineDoubts(of)).toEqual([]);
    const outputs = usedOutputs(job);
    const lasts = of.lastsMilliseconds / aspects.length;
    aspects.forEach((aspect, k) => {
      const asked = askedOf(job, aspect);
      // Just after it begins: what is steady, and the first half of what flashes.
      const wanted = outputs.flatMap((n, channel) => {
        const show = asked.get(`out${n}`);
        return show === 'steady' || show === 'flash' ? [channel] : [];
      });
      expect(litAt(of, k * lasts + 100)).toEqual(wanted);
    });
  });
});
