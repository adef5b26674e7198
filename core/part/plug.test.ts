import { describe, expect, test } from 'vitest';
import { hasCommon, mirrored, plugs, standardColour, type PinRole } from './plug';

describe('wire colours (NMRA S-9.1.1, NEM 650, from memory)', () => {
  test.each([
    ['right-rail', 'red'],
    ['left-rail', 'black'],
    ['motor-plus', 'orange'],
    ['motor-minus', 'grey'],
    ['out1', 'white'],
    ['out2', 'yellow'],
    ['common', 'blue'],
    ['out3', 'green'],
    ['out4', 'violet'],
  ] as const)('%s is %s', (role: PinRole, colour) => {
    expect(standardColour(role)).toBe(colour);
  });
  test('outputs beyond the fourth have no colour of the standard', () => {
    expect(standardColour('out5')).toBeNull();
  });
});

describe('plugs, entry by entry', () => {
  const coloursOf = (id: string) => plugs[id].pins.map((p) => [p.pin, standardColour(p.role)]);
  test('eight pins (NEM 652, from memory)', () => {
    expect(coloursOf('8-pin')).toEqual([
      [1, 'orange'],
      [2, 'yellow'],
      [3, 'green'],
      [4, 'black'],
      [5, 'grey'],
      [6, 'white'],
      [7, 'blue'],
      [8, 'red'],
    ]);
  });
  test('six pins (NEM 651, from memory), without blue', () => {
    expect(coloursOf('6-pin')).toEqual([
      [1, 'orange'],
      [2, 'grey'],
      [3, 'red'],
      [4, 'black'],
      [5, 'white'],
      [6, 'yellow'],
    ]);
    expect(hasCommon(plugs['6-pin'])).toBe(false);
    expect(hasCommon(plugs['8-pin'])).toBe(true);
  });
  test('pins are counted round the eight-pin plug: 8 lies beside 1, 5 beside 4', () => {
    const at = (pin: number) => plugs['8-pin'].pins.find((p) => p.pin === pin)!;
    expect(at(8).column).toBe(at(1).column);
    expect(at(5).column).toBe(at(4).column);
    expect(at(8).row).not.toBe(at(1).row);
  });
  test.each(Object.keys(plugs))('%s: every place holds one pin, numbered without gaps', (id) => {
    const { pins, columns, rows } = plugs[id];
    expect(new Set(pins.map((p) => `${p.column} ${p.row}`)).size).toBe(pins.length);
    expect(pins.every((p) => p.column >= 0 && p.column < columns && p.row >= 0 && p.row < rows)).toBe(true);
    expect(pins.map((p) => p.pin)).toEqual(pins.map((_, i) => i + 1));
  });
  test.each(Object.keys(plugs))(
    '%s from the solder side is its mirror image, and that of it the plug again',
    (id) => {
      const back = mirrored(plugs[id]);
      back.pins.forEach((p, i) => {
        expect(p.column).toBe(plugs[id].columns - 1 - plugs[id].pins[i].column);
        expect(p.row).toBe(plugs[id].pins[i].row);
      });
      expect(mirrored(back)).toEqual(plugs[id]);
    },
  );
});
