import { expect, test } from 'vitest';
import { solvingFirst, type Held } from './cure-order';

const found = [
  { id: 'hot', severity: 'stop' },
  { id: 'over', severity: 'stop' },
  { id: 'dim', severity: 'mind' },
  { id: 'glare', severity: 'mind' },
  { id: 'dear', severity: 'note' },
] as const;
const cure = (label: string, clears: string[], brings = 0): Held => ({
  remedy: { label, patches: [] },
  clears: new Set(clears),
  brings,
});
const order = (...held: Held[]): string[] => solvingFirst(held, found).map((h) => h.remedy.label);

test('a cure that puts two stops right stands before one that puts right one, whatever else goes with it', () => {
  expect(order(cure('fatter', ['hot', 'dim', 'glare', 'dear']), cure('smaller', ['hot', 'over']))).toEqual([
    'smaller',
    'fatter',
  ]);
});

test('of alike ones the one that brings no new worry is first, then by what is minded and by what is noted', () => {
  expect(
    order(
      cure('noted', ['hot', 'dear']),
      cure('plain', ['hot']),
      cure('minded', ['hot', 'dim']),
      cure('worrying', ['hot', 'dim', 'glare'], 1),
    ),
  ).toEqual(['minded', 'noted', 'plain', 'worrying']);
});

test('what solves alike stays as the rule names it; what was never found counts for nothing', () => {
  expect(order(cure('first', ['hot']), cure('second', ['hot', 'gone']), cure('third', ['hot']))).toEqual([
    'first',
    'second',
    'third',
  ]);
});
