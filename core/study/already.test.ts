import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { needsOf } from '../build/lists/needs';
import { shoppingList } from '../build/lists/shopping';
import { orderOf } from '../build/order/order';
import { anyJobIn } from '../document/jobs';
import { change } from '../document/patch';
import { complaintsOf } from '../document/sound';
import { benchOf } from './bench';
import type { AlreadyRecord } from '../document/already-record';
import type { Layout } from '../document/layout';

const jobId = 'railcar-tern';
const having = (...of: readonly Partial<AlreadyRecord>[]): Layout =>
  change(boatTrain(), (draft) => {
    anyJobIn(draft, jobId).already = Object.fromEntries(
      of.map((a, i) => [
        `thing-${i + 1}`,
        { order: i, what: 'lamps', count: 1, fate: 'stays', note: '', ...a } as AlreadyRecord,
      ]),
    );
  }).layout;
const tasks = (layout: Layout) => {
  const made = orderOf(benchOf(layout, jobId));
  if (!made.ok) throw new Error('no order');
  return made.order.tasks;
};

describe('what is in the model already', () => {
  test('is sound to keep, and costs nothing where it stays', () => {
    const layout = having({ what: 'seats' }, { what: 'weight' });
    expect(complaintsOf(layout)).toEqual([]);
    expect(tasks(layout).map((t) => t.id)).toEqual(tasks(boatTrain()).map((t) => t.id));
    expect(needsOf(layout, [jobId])).toEqual(needsOf(boatTrain(), [jobId]));
  });
  test('comes out by a step of its own, after the body is open and before anything is threaded', () => {
    const order = tasks(having({ what: 'lamps', count: 4, fate: 'goes' }, { what: 'seats', fate: 'goes' }));
    const at = (id: string): number => order.findIndex((t) => t.id === id);
    for (const id of ['work already thing-1', 'work already thing-2']) {
      expect(at(id)).toBeGreaterThan(at('open'));
      expect(at(id)).toBeLessThan(order.findIndex((t) => t.threads.length > 0));
    }
    expect(order[at('work already thing-1')].does).toBe('Take 4 old lamps out');
  });
  test('is never bought where it is used again: a decoder that came with it is read out first, and taken from no stock', () => {
    const bought = (layout: Layout) =>
      shoppingList(layout, [jobId]).lines.find((l) => l.key.startsWith('decoder:'))!;
    expect(bought(boatTrain()).packs + bought(boatTrain()).owned).toBeGreaterThan(0);
    const layout = having({ what: 'decoder', fate: 'reused', note: 'Address 3' });
    expect(bought(layout)).toMatchObject({ count: 1, there: 1, short: 0, packs: 0 });
    const order = tasks(layout);
    expect(order.flatMap((t) => t.uses).some((u) => u.key.startsWith('decoder:'))).toBe(false);
    const read = order.find((t) => t.id === 'work already thing-1')!;
    expect(read.says).toMatch(/Address 3\.$/);
    expect(order.indexOf(read)).toBeLessThan(order.findIndex((t) => t.id === 'connect decoder'));
    const cost = (l: Layout): number => shoppingList(l, [jobId]).perJob;
    expect(cost(layout)).toBeLessThan(cost(boatTrain()));
  });
  test('an old steering diode is joined where it is, and on no list', () => {
    const { layout } = change(boatTrain(), (draft) => {
      const [line] = Object.values(anyJobIn(draft, jobId).lines);
      line.stages.old = { order: 0, kind: 'steering', left: 'fitted', lets: 'first' } as never;
    });
    const { parts } = benchOf(layout, jobId).assembly;
    expect(parts.some((p) => p.kind === 'diode' && p.role === 'steering')).toBe(true);
    expect(needsOf(layout, [jobId]).some((n) => n.key.startsWith('diode:'))).toBe(false);
  });
});
