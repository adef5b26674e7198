import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { checkJob } from '../../core/finding/check';
import { stageOfPath, stages } from './stages';
import { vehicleStageOf, vehicleStages } from './vehicle-stages';

const at = (...path: string[]) => ['jobs', 'x', ...path];

describe('a finding is marked at the stage where it is put right', () => {
  test.each([
    [at('lines', 'roof', 'stages', 'reservoir', 'ratedVolts'), 'circuit', 'circuit'],
    [at('lines', 'roof', 'stages', 'charge'), 'circuit', 'circuit'],
    [at('lines', 'roof', 'stages', 'bridge'), 'power', 'circuit'],
    [at('lines', 'roof', 'swapped'), 'power', 'circuit'],
    [at('circuits', 'roof', 'ohms'), 'circuit', 'circuit'],
    [at('lamps', 'lamp-1'), 'lamps', 'lamps'],
    [at('supplyId'), 'power', 'power'],
    [['supplies', 'track', 'limitAmps'], 'power', 'power'],
    [at('decoder', 'outputs', 'out1'), 'brief', 'functions'],
    [at('fit', 'board'), 'fit', 'fit'],
    [at('name'), 'brief', 'brief'],
  ] as const)('%j', (path, coach, vehicle) => {
    expect(stageOfPath(path)).toBe(coach);
    expect(vehicleStageOf(path)).toBe(vehicle);
  });
  test('the demo’s findings are at no stage by default', () => {
    const layout = boatTrain();
    for (const [id, job] of Object.entries(layout.jobs))
      for (const { paths, rule } of checkJob(layout, id)) {
        const of = job.kind === 'coach' ? stageOfPath : vehicleStageOf;
        expect(paths.map(of), rule).not.toContain('brief');
      }
  });
  test('every stage has a name and says what it is for', () => {
    for (const s of [...stages, ...vehicleStages]) expect(s.says.length * s.name.length).toBeGreaterThan(0);
  });
});
