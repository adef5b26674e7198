import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { generatedJobs, generatedKinds } from '../../../tests/kinds';
import { shines } from '../../assembly/assembly';
import { benchOf } from '../../study/bench';
import { costOfJob } from '../../study/job-cost';
import { change } from '../../document/patch';
import { orderOf } from '../order/order';
import { tick } from '../progress';
import { missingParts } from './missing-parts';
import { needsOf } from './needs';
import { packSizeOf, priceFor, shoppingList } from './shopping';
import { ownedOf } from '../../study/stock';
import type { Layout } from '../../document/layout';

const counted = (layout: Layout, id: string, count: number): Layout =>
  change(layout, (draft) => void (draft.jobs[id].progress.count = count)).layout;

describe('what jobs need', () => {
  const ids = Object.keys(boatTrain().jobs);
  test('counts and prices add up across jobs', () => {
    const sum = new Map<string, { count: number; worth: number }>();
    for (const id of ids)
      for (const n of needsOf(boatTrain(), [id])) {
        const known = sum.get(n.key) ?? { count: 0, worth: 0 };
        sum.set(n.key, { count: known.count + n.count, worth: known.worth + n.count * n.priceEach });
      }
    const all = needsOf(boatTrain(), ids);
    expect(all.map((n) => n.key)).toEqual([...sum.keys()].sort());
    for (const n of all) expect(n.count, n.key).toBeCloseTo(sum.get(n.key)!.count, 9);
  });
  test('strip and heat-shrink have their lengths: a unit of 12 V strip is 50 mm, a sleeve goes over every joint but those on the lamp itself, one where a leg meets a leg', () => {
    const needs = needsOf(boatTrain(), ['luggage-van']);
    expect(needs.find((n) => n.key.startsWith('lamp:strip'))!.pieces).toEqual([50]);
    const { leads, parts } = benchOf(boatTrain(), 'luggage-van').assembly;
    const onLamps = leads
      .flatMap((l) => [l.from, l.to])
      .filter((end) => parts.some((p) => p.id === end.part && shines(p)));
    const legged = new Set(
      parts.filter((p) => /bridge|resistor|electrolytic|limiter/.test(p.kind)).map((p) => p.id),
    );
    const legOnLeg = leads.filter((l) => legged.has(l.from.part) && legged.has(l.to.part));
    expect(legOnLeg.length).toBeGreaterThan(2);
    const ends = 2 * leads.length - onLamps.length - legOnLeg.length;
    const sleeves = needs.find((n) => n.key === 'shrink')!;
    expect(sleeves.pieces).toHaveLength(ends);
    expect(sleeves.pieces.reduce((a, b) => a + b, 0) / 1000).toBeCloseTo(sleeves.count, 9);
  });
  test('five of a job need five times as much', () => {
    fc.assert(
      fc.property(
        fc.oneof(...generatedKinds.map((k) => generatedJobs[k])),
        fc.integer({ min: 2, max: 7 }),
        ({ layout, jobId }, times) => {
          const one = needsOf(counted(layout, jobId, 1), [jobId]);
          const many = needsOf(counted(layout, jobId, times), [jobId]);
          expect(many.map((n) => n.key)).toEqual(one.map((n) => n.key));
          many.forEach((n, i) => {
            expect(n.count).toBeCloseTo(times * one[i].count, 9);
            expect(n.pieces).toHaveLength(times * one[i].pieces.length);
          });
        },
      ),
      { numRuns: 60, seed: 8 },
    );
  });
  test('its parts cost what the bill of the job says', () => {
    for (const id of ids) {
      const bench = benchOf(boatTrain(), id);
      const parts = needsOf(bench.layout, [id])
        .filter((n) => !n.key.startsWith('wire:') && n.key !== 'shrink')
        .reduce((sum, n) => sum + n.count * n.priceEach, 0);
      expect(parts, id).toBeCloseTo(costOfJob(bench), 6);
    }
  });
  test('a price in the drawer goes before a typical one, of lamps and of wire', () => {
    const priced = change(boatTrain(), (draft) => {
      draft.drawer.sundries.warm.price = 9;
      draft.drawer.sundries['wire-red'].price = 7;
    }).layout;
    const each = (key: string): number =>
      needsOf(priced, ['diesel-shunter']).find((n) => n.key === key)!.priceEach;
    expect(each('lamp:white-warm')).toBe(9);
    expect(each('wire:decoder:red')).toBe(7);
  });
  test('the smaller the lamp the more spares: a fifth of 0402 chips, a twentieth of 3 mm ones (common practice, no source)', () => {
    const of = (body: string): number => {
      const layout = change(counted(boatTrain(), 'diesel-shunter', 10), (draft) => {
        for (const l of Object.values(draft.jobs['diesel-shunter'].lamps)) Object.assign(l, { body });
      }).layout;
      const red = needsOf(layout, ['diesel-shunter']).find((n) => n.key === 'lamp:red')!;
      return red.spares / red.count;
    };
    expect(of('chip-0402')).toBeCloseTo(0.2, 2);
    expect(of('round-3')).toBeCloseTo(0.05, 2);
  });
});

describe('a shopping list', () => {
  const ids = Object.keys(boatTrain().jobs);
  test('is short of nothing: owned and bought cover needed and spares, and one pack less would not', () => {
    for (const chosen of [ids, ids.slice(0, 3), [ids[4]]]) {
      for (const l of shoppingList(boatTrain(), chosen).lines) {
        const wanted = l.count + l.spares;
        expect(l.owned + l.packs * l.packSize, l.key).toBeGreaterThanOrEqual(wanted - 1e-9);
        if (l.packs > 0) expect(l.owned + (l.packs - 1) * l.packSize, l.key).toBeLessThan(wanted);
        expect(l.packSize).toBe(packSizeOf(l.key));
        expect(l.owned).toBe(ownedOf(boatTrain(), l.key));
      }
    }
  });
  test('its total is its lines and the post; what is all in the drawer costs nothing', () => {
    const list = shoppingList(boatTrain(), ids);
    expect(list.partsPrice).toBeCloseTo(
      list.lines.reduce((s, l) => s + l.price, 0),
      6,
    );
    expect(list.total).toBeCloseTo(list.partsPrice + list.deliveryPrice, 6);
    const stocked = change(tug(100), (draft) => {
      needsOf(tug(100), [displayId]).forEach((n, i) => {
        const [sort, a, b] = n.key.split(':');
        if (sort === 'resistor')
          draft.drawer.resistors[n.key] = {
            order: i,
            ohms: Number(a),
            ratedWatts: Number(b),
            count: 99,
            price: 0.1,
            kept: 'tin',
          };
        else
          draft.drawer.sundries[n.key] = {
            order: i,
            key: n.key,
            name: n.name,
            count: 99,
            price: 0.1,
            kept: 'tin',
          };
      });
    }).layout;
    const none = shoppingList(stocked, [displayId]);
    expect(none.total).toBe(0);
    expect(none.lines.every((l) => l.kept === 'tin')).toBe(true);
    expect(none.perLamp).toBeGreaterThan(0);
  });
  test('what ticked tasks have taken is not bought again, and the job does not lack it', () => {
    const id = 'diesel-shunter';
    const made = orderOf(benchOf(boatTrain(), id));
    const uses = made.ok
      ? made.order.tasks.filter((t) => t.uses.some((u) => u.key === 'lamp:white-warm'))
      : [];
    expect(uses).toHaveLength(1);
    const exact = change(boatTrain(), (draft) => void (draft.drawer.sundries.warm.count = 4)).layout;
    const line = (layout: Layout) =>
      shoppingList(layout, [id]).lines.find((l) => l.key === 'lamp:white-warm')!;
    const built = change(exact, (draft) => tick(draft, id, uses[0], true)).layout;
    expect(built.drawer.sundries.warm.count).toBe(0);
    expect(line(built)).toMatchObject({ owned: 0, taken: 4, short: line(exact).short });
    const lamps = (layout: Layout): string[] =>
      [...missingParts(layout, benchOf(layout, id))].filter((p) => p.startsWith('lamp-headlight'));
    expect(lamps(built)).toEqual([]);
    // Nobody took them: they are missing.
    const empty = change(exact, (draft) => void (draft.drawer.sundries.warm.count = 0)).layout;
    expect(lamps(empty)).toHaveLength(4);
  });
  test('a larger quantity never costs less than a smaller one and each never more', () => {
    for (let n = 1; n < 150; n++) {
      expect(priceFor(1, n + 1)).toBeGreaterThanOrEqual(priceFor(1, n) - 1e-12);
      expect(priceFor(1, n) / n).toBeLessThanOrEqual(1);
    }
    expect(priceFor(1, 100)).toBeCloseTo(75, 9);
  });
});
