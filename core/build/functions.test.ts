import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { locomotiveIn } from '../kinds/locomotive/jobs';
import { decoderTypes } from '../part/decoder-type';
import { effects, type EffectName } from '../part/output-effect';
import { readFunctionCsv, writeFunctionCsv } from './function-csv';
import { functionSheet } from './function-sheet';
import { lampNames } from '../kinds/locomotive/lamp-name';
import type { OutputRule } from '../supply/drivers/decoder';

const sheetOf = (id: string) => {
  const job = locomotiveIn(boatTrain(), id);
  return functionSheet(job, lampNames(job));
};

describe('the sheet people want first', () => {
  const sheet = sheetOf('railcar-tern');
  test('function, pad, wire colour, lamps and brightness of every output', () => {
    expect(sheet.map((l) => [l.functions, l.pad, l.colour, l.brightness])).toEqual([
      ['F0 forward', 'pin 6', 'white', '100 %'],
      ['F0 reverse', 'pin 2', 'yellow', '100 %'],
      ['F1', 'pin 3', 'green', '40 %'],
      ['F2', 'loose wire', 'violet', '100 %'],
    ]);
    expect(sheet[0].lamps).toEqual([
      'Headlight A left',
      'Headlight A right',
      'Tail lamp B left',
      'Tail lamp B right',
    ]);
  });
  test('spare outputs are listed, steps named by their press', () => {
    const express = sheetOf('express-diesel');
    expect(express.filter((l) => l.spare).map((l) => l.output)).toEqual(['out8']);
    expect(express.find((l) => l.output === 'out6')!.functions).toBe('F6, press 2');
  });
  test('no decoder, no sheet', () => expect(sheetOf('diesel-shunter')).toEqual([]));
});

describe('a function table as CSV', () => {
  test('an output called by a formula does not come out as one', () => {
    const [rule] = Object.values(locomotiveIn(boatTrain(), 'railcar-tern').decoder!.outputs);
    const names = ['=cmd|calc!A0', '+1', '-1', '@sum', '\tx'];
    const text = writeFunctionCsv(Object.fromEntries(names.map((n) => [n, rule])));
    for (const line of text.split('\n').slice(1)) expect(line).not.toMatch(/^"?[=+@\t-]/);
  });
  const type = decoderTypes.many;
  const effect = fc.constantFrom(...(Object.keys(effects) as EffectName[]));
  const rule: fc.Arbitrary<OutputRule> = fc.record({
    keys: fc.uniqueArray(
      fc.record({
        function: fc.integer({ min: 0, max: 28 }),
        direction: fc.constantFrom('both', 'forward', 'reverse'),
      }),
      { maxLength: 4, selector: (k) => `${k.function} ${k.direction}` },
    ),
    moving: fc.constantFrom('any', 'moving', 'standing'),
    unless: fc.option(fc.integer({ min: 0, max: 28 })),
    brightness: fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000),
    effect,
    withKey: fc.option(fc.record({ function: fc.integer({ min: 0, max: 28 }), effect })),
  });
  test('out and in again is the same table', () => {
    const ids = type.outputs.map((o) => o.id);
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...ids), rule), (outputs) => {
        const read = readFunctionCsv(writeFunctionCsv(outputs), type);
        expect(read).toEqual({ ok: true, outputs: { ...outputs } });
      }),
      { numRuns: 150, seed: 2 },
    );
  });
  const head = 'output,functions,moving,unless,brightness,effect\n';
  test.each([
    ['out9,F0,any,,100 %,steady', /Line 2: this decoder has no output “out9”/],
    ['out1,F29,any,,100 %,steady', /“F29” is not F0 to F28/],
    ['out1,F1 sideways,any,,100 %,steady', /forward or reverse/],
    ['out1,F1,sometimes,,100 %,steady', /“sometimes” is not any, moving or standing/],
    ['out1,F1,any,F40,100 %,steady', /“F40” is not F0 to F28/],
    ['out1,F1,any,,140 %,steady', /“140 %” is not 0 to 100 %/],
    ['out1,F1,any,,100 %,sparkle', /“sparkle” is not one of/],
    ['out1,F1,any,,100 %,steady\nout1,F2,any,,100 %,steady', /Line 3: out1 comes twice/],
  ])('%s is refused with its line', (line, reason) => {
    const read = readFunctionCsv(head + line, type);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.complaints.join(' ')).toMatch(reason);
  });
  test('every bad line is named at once; a missing column too', () => {
    const read = readFunctionCsv(`${head}out9,,,,1,\nout1,F99,,,1,`, type);
    expect(read.ok ? [] : read.complaints).toHaveLength(2);
    const short = readFunctionCsv('output,functions\nout1,F0', type);
    expect(short.ok ? '' : short.complaints[0]).toMatch(/lacks moving, unless, brightness, effect/);
  });
});
