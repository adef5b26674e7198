import { expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { change } from '../document/patch';
import { coachIn } from '../kinds/coach/jobs';
import { lineSketch } from './line-sketch';

test('every vehicle in outline, its windows as bright as solved, its lamps where they sit', () => {
  const { vehicles } = lineSketch(boatTrain());
  // Locomotives and railcars head the line.
  const shapes = vehicles.map((v) => v.shape);
  expect(shapes.slice(0, 3)).not.toContain('coach');
  expect(shapes.slice(3)).toEqual([
    'coach',
    'coach',
    'coach',
    'coach',
    'stand',
    'posts',
    'posts',
    'house',
    'house',
    'roof',
    // Two signals and a crossing.
    'posts',
    'posts',
    'posts',
  ]);
  const coach = vehicles.filter((v) => v.shape === 'coach')[0];
  const { dimensions } = coachIn(boatTrain(), demoJob);
  expect(coach.length).toBe(dimensions.lengthMillimetres);
  expect(coach.lights).toHaveLength(dimensions.windowCount);
  for (const l of coach.lights) {
    expect(l.lightness).toBeGreaterThan(20);
    expect(l.x).toBeGreaterThan(0);
    expect(l.x + l.width).toBeLessThan(coach.length);
    expect(l.colour).toMatch(/^#|^rgb/);
  }
  // Every head of the line shows something at one of its ends.
  for (const v of vehicles.filter((x) => x.shape !== 'coach'))
    expect(v.lights.length, v.shape).toBeGreaterThan(0);
});

test('a coach that draws nothing is dark, one that cannot be solved no reason to fail', () => {
  const { layout } = change(boatTrain(), (d) => {
    for (const lamp of Object.values(coachIn(d, demoJob).lamps)) lamp.circuitId = null;
  });
  const coach = lineSketch(layout).vehicles.find((v) => v.shape === 'coach')!;
  expect(coach.lights.every((l) => l.lightness < 20)).toBe(true);
});
