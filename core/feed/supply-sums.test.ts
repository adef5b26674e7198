import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { change } from '../document/patch';
import { eveningStudy } from '../study/evening';
import { feltAmps } from '../study/shared-supply';
import { solvedJob } from '../study/solved-job';
import { sourcesOf } from '../study/sources';
import { trainDraws } from '../study/train';
import { feedStudy } from './study';
import { sumWhere } from './supply-sum';
import { supplySums } from './supply-sums';

const layout = boatTrain();
const { reading } = feedStudy(layout);
const sums = supplySums(layout, reading);

describe('one sum for each supply', () => {
  test('what all stands on the plan is what its network is solved as, wires and converters with it', () => {
    for (const [id, { amps }] of reading!.supplies) {
      const sum = sums.find((s) => s.supplyId === id)!;
      const loose = Object.entries(sum.jobAmps)
        .filter(
          ([job]) =>
            !Object.values(layout.network.nodes).some(({ is }) => is.kind === 'job' && is.jobId === job),
        )
        .reduce((all, [, a]) => all + a, 0);
      expect(sum.amps - loose).toBeCloseTo(amps, 6);
    }
  });
  test('what stands on no plan is what it is by itself, less by what all together drop', () => {
    const bare = change(layout, (draft) => {
      draft.network.nodes = {};
      draft.network.runs = {};
    }).layout;
    for (const sum of supplySums(bare, null)) {
      const alone = Object.keys(sum.jobAmps).reduce((all, id) => {
        const { bench, readings } = solvedJob(bare, id);
        const source = sourcesOf(bench!).find((s) => s.supplyId === sum.supplyId)!;
        return all + feltAmps(readings!, source);
      }, 0);
      expect(sum.planThings).toBe(0);
      expect(sum.amps).toBeLessThanOrEqual(alone * (1 + 1e-6));
      expect(sum.amps).toBeGreaterThan(0.9 * alone);
    }
  });
  test('the evening with everything lit tells the same, and so does a moment of it', () => {
    const always = change(layout, (draft) => void (draft.evening.lit = {})).layout;
    for (const supply of eveningStudy(always, sums)) {
      const sum = sums.find((s) => s.supplyId === supply.supplyId)!;
      expect(supply.greatestAmps).toBeCloseTo(sum.amps, 9);
      expect(sumWhere(sum, () => true)).toBeCloseTo(sum.amps, 9);
      expect(sumWhere(sum, () => false)).toBeCloseTo(sum.planAmps, 9);
    }
  });
  test('a train that is all its track feeds draws what the track gives', () => {
    const { cars } = layout.trains['boat-train'];
    const ids = Object.values(cars).map((c) => c.jobId);
    const alone = change(layout, (draft) => {
      draft.jobs = Object.fromEntries(Object.entries(draft.jobs).filter(([id]) => ids.includes(id)));
      draft.network.nodes = {};
      draft.network.runs = {};
    }).layout;
    const track = trainDraws(alone, 'boat-train').find((d) => d.supplyId === 'track')!;
    expect(supplySums(alone, null).find((s) => s.supplyId === 'track')!.amps).toBeCloseTo(track.amps, 9);
  });
});
