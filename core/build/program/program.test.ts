import { describe, expect, test } from 'vitest';
import { carousel, carouselWiring } from '../../../tests/timelines';
import { checkedForProgram, headLines, inComment, ProgramError, type ProgramWiring } from './board';
import { cpp } from './cpp';
import { microPython } from './micropython';
import type { Timeline } from '../../supply/drivers/timeline';

const refusal = (timeline: Timeline, wiring: ProgramWiring): readonly string[] => {
  for (const write of [microPython, cpp])
    try {
      write(timeline, wiring);
    } catch (error) {
      if (!(error instanceof ProgramError)) throw error;
      return error.reasons;
    }
  return [];
};

describe('a program is never made', () => {
  test('with a pin used twice', () => {
    expect(refusal(carousel, { ...carouselWiring, channelPins: [2, 3, 4, 5, 6, 3] })).toEqual([
      'pin 3 is used 2 times',
    ]);
    expect(refusal(carousel, { ...carouselWiring, stringPin: 2 })).toEqual(['pin 2 is used 2 times']);
  });
  test('with a channel without a pin, a string without one, or pins that no board has', () => {
    expect(refusal(carousel, { ...carouselWiring, channelPins: [2, 3] })).toEqual([
      '6 channels want 6 pins, and there are 2',
    ]);
    expect(refusal(carousel, { ...carouselWiring, stringPin: null })).toEqual(['the string has no pin']);
    expect(refusal(carousel, { ...carouselWiring, channelPins: [2, 3, 4, 5, 6, 1.5] })).toEqual([
      'pins are whole numbers from 0 to 99',
    ]);
  });
  test('with its budget exceeded in its worst moment, which is named with its figures', () => {
    const [reason] = refusal(carousel, { ...carouselWiring, stringLimitAmps: 0.2 });
    expect(reason).toMatch(/^at \d+\.\d s the string draws \d{3} mA, and its supply gives 200 mA$/);
    expect(refusal({ ...carousel, capPercent: 10 }, { ...carouselWiring, stringLimitAmps: 0.2 })).toEqual([]);
    // Six channels of 10 and 15 mA, all lit at once.
    expect(refusal(carousel, { ...carouselWiring, limitAmps: 0.05 })).toEqual([
      expect.stringMatching(/^at \d+\.\d s the channels draw 70 mA, and what switches them bears 50 mA$/),
    ]);
  });
  test('of a time line that is not sound', () => {
    const [reason] = refusal({ ...carousel, capPercent: 150 }, carouselWiring);
    expect(reason).toBe('capPercent: from 1 to 100 percent');
  });
});

describe('what a program says of itself', () => {
  const checked = checkedForProgram(carousel, carouselWiring);
  test('its wiring, a line a pin, and what it draws', () => {
    const lines = headLines(checked);
    expect(lines[0]).toBe('Carousel on the quay');
    expect(lines.filter((l) => /^\d+ +(Booth|Boat shed), channel \d$/.test(l))).toHaveLength(6);
    expect(lines.some((l) => l.startsWith('8 ') && l.includes('24 lamps'))).toBe(true);
    expect(lines.join('\n')).toContain(
      `The string draws at most ${(1000 * checked.worst.string.amps).toFixed(0)} mA`,
    );
    expect(lines.join('\n')).toContain('60 percent of full');
  });
  test('that it flashes so fast that it can hurt, where it does', () => {
    const fast: Timeline = {
      ...carousel,
      clips: [
        {
          group: 'booth',
          fromMilliseconds: 0,
          toMilliseconds: 1000,
          effect: 'wink',
          parameters: [200, 50],
          colour: [0, 0, 0],
        },
      ],
    };
    expect(headLines(checkedForProgram(fast, carouselWiring)).join('\n')).toContain(
      'photosensitive epilepsy',
    );
    expect(headLines(checked).join('\n')).not.toContain('epilepsy');
  });
  test('in words that end no comment and begin no line of code', () => {
    expect(inComment('Boat */ shed\n#include "x"')).toBe('Boat    shed  include  x ');
    const named = { ...carouselWiring, name: 'Shed */ int x; /*\nimport os' };
    for (const source of [microPython(carousel, named), cpp(carousel, named)]) {
      expect(source).not.toContain('*/');
      expect(source.split('\n').filter((l) => l.startsWith('import os'))).toEqual([]);
    }
  });
  test('only the effects it uses are in it', () => {
    const one: Timeline = { ...carousel, clips: carousel.clips.filter((c) => c.effect === 'breathing') };
    for (const source of [microPython(one, carouselWiring), cpp(one, carouselWiring)]) {
      expect(source).toContain('Breathing');
      expect(source).not.toContain('Welder');
    }
  });
  test('without a string nothing of one is in it', () => {
    const plain: Timeline = {
      ...carousel,
      groups: carousel.groups.filter((g) => g.kind === 'channels'),
      clips: carousel.clips.filter((c) => c.group !== 'ring'),
      lamps: 0,
    };
    const wiring = { ...carouselWiring, stringPin: null };
    expect(microPython(plain, wiring)).not.toContain('neopixel');
    expect(cpp(plain, wiring)).not.toContain('sendByte');
  });
  test('of a string that takes red first, both change the first two over', () => {
    const red = { ...carouselWiring, colourOrder: 'rgb' as const };
    expect(microPython(carousel, red)).toContain('strip[k] = (frame[j + 1], frame[j], frame[j + 2])');
    expect(cpp(carousel, red)).toContain('order[] = {0, 1, 2}');
    expect(cpp(carousel, carouselWiring)).toContain('order[] = {1, 0, 2}');
  });
});
