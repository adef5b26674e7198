import { describe, expect, test } from 'vitest';
import { everyPair } from '../../tests/pairs';
import { emptyLayout } from '../document/empty-layout';
import { checkLayout } from '../document/file';
import { putStage, stageOf } from '../document/line-stages';
import { change } from '../document/patch';
import { checkJob } from '../finding/check';
import { benchOf } from '../study/bench';
import { usualReadings } from '../study/solver';
import { scales, type ScaleName } from '../quantity/scale';
import { freshDoubts } from './fresh-doubts';
import { freshJob, freshKinds, type Chosen, type Fresh } from './fresh';
import type { JobKindName } from './records';
import type { Layout } from '../document/layout';

const scaleNames = Object.keys(scales) as ScaleName[];
const kinds = Object.entries(freshKinds) as [JobKindName, Fresh][];
const empty = (scale: ScaleName): Layout => ({ ...emptyLayout('Fresh'), scale });

/** Jobs of a kind in which every two answers of its first page, scales and supplies with them, stand together. */
function begun(kind: JobKindName): { layout: Layout; jobId: string; said: string }[] {
  const fresh = freshKinds[kind];
  const counts = fresh.choices.map((c) => c.values(empty('H0')).length);
  return everyPair([scaleNames.length, fresh.supplies.length, ...counts]).map(([scale, supply, ...rest]) => {
    const layout = empty(scaleNames[scale]);
    const chosen: Chosen = Object.fromEntries(
      fresh.choices.map((c, i) => [c.id, c.values(layout)[rest[i]].id]),
    );
    const said = `${scaleNames[scale]}, ${fresh.supplies[supply].id}, ${JSON.stringify(chosen)}`;
    return { ...freshJob(layout, kind, fresh.supplies[supply].wish as never, chosen), said };
  });
}

describe.each(kinds.map(([kind]) => kind))('a fresh %s', (kind) => {
  test('needs nothing mended, whichever two answers stand together, or it was said why it cannot be had', () => {
    const wrong: string[] = [];
    for (const { layout, jobId, said } of begun(kind)) {
      const found = checkJob(layout, jobId).filter((f) => f.severity !== 'note');
      const doubts = freshDoubts(layout, jobId);
      const explained = new Set(doubts.flatMap((d) => d.explains));
      for (const f of found)
        // What the kernel has no answer for is its own matter.
        if (!explained.has(f.rule) && f.rule !== 'no-answer' && f.rule !== 'not-judged')
          wrong.push(`${said}: ${f.severity} ${f.id}: ${f.sentence}`);
      for (const d of doubts)
        if (!found.some((f) => d.explains.includes(f.rule))) wrong.push(`${said}: said in vain: ${d.says}`);
    }
    expect(wrong).toEqual([]);
  });
  test('is a layout that opens, and as usual nothing is doubted', () => {
    const { layout, jobId } = freshJob(empty('H0'), kind, freshKinds[kind].supplies[0].wish as never);
    expect(checkLayout(layout).ok).toBe(true);
    expect(freshDoubts(layout, jobId)).toEqual([]);
  });
});

describe('a fresh coach', () => {
  const wishes = (['dcc-track', 'dc-track', 'ac-track'] as const).flatMap((kind) =>
    (['open', 'short', 'sleeping'] as const).map((sort) => [kind, sort] as const),
  );
  test.each(wishes)(
    'on %s, %s: its charge resistor loses under 1 V in service and stays under half its rating',
    (kind, sort) => {
      const { layout, jobId } = freshJob(empty('H0'), 'coach', { kind }, { sort });
      const bench = benchOf(layout, jobId);
      const readings = usualReadings(bench);
      const charge = bench.assembly.parts.find((p) => p.kind === 'resistor' && p.role === 'charge')!;
      const { across, watts } = readings.parts.get(charge.id)!;
      expect(Math.abs(across.mean)).toBeLessThan(1);
      expect(watts).toBeLessThan(0.5 * (charge.kind === 'resistor' ? charge.ratedWatts : 0));
    },
  );
  test('with its charge resistor in the way of the lamps it would need mending: the property can fail', () => {
    const { layout, jobId } = freshJob(empty('0'), 'coach', { kind: 'ac-track' }, { sort: 'sleeping' });
    const before = change(layout, (draft) => {
      for (const line of Object.values(draft.jobs[jobId].lines))
        if (stageOf(line, 'charge')) putStage(line, 'charge', { ohms: 100, ratedWatts: 0.25, beside: false });
    }).layout;
    expect(checkJob(before, jobId).map((f) => f.rule)).toContain('resistor-heat');
  });
});
