import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { generatedJobs, generatedKinds, type Case } from '../../../tests/kinds';
import { onRails, vehicleId } from '../../../tests/vehicles';
import { shines } from '../../assembly/assembly';
import { isOnBoard } from '../../assembly/on-board';
import { resistorDiameter } from '../../assembly/passages';
import { anyJobIn } from '../../document/jobs';
import { isOnRails } from '../../document/job-record';
import { bulbs } from '../../part/bulb';
import { lampBodies } from '../../part/lamp-body';
import { cellsOf } from '../../study/cell-life';
import { change } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { driverOf } from '../../document/aspect-record';
import { supplyKind } from '../../supply';
import { wiresToLay } from '../string-wiring';
import { benchOf } from '../../study/bench';
import { asSolved, asWired } from '../../study/wired';
import { needsOf } from '../lists/needs';
import { orderOf, ordered, type BuildOrder } from './order';
import { collides, constrained } from './constraints';
import { searchedInSteps } from './search';
import { freshJob, freshKinds } from '../../kinds/fresh';
import { sheetOf } from '../sheet/sheet';
import { possibleWithout } from './possible';
import { assemblyAt, replay } from './replay';
import { act, type Task } from './task';
import { formatQuantity } from '../../quantity/format';
import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../../document/layout';

/** Jobs of every kind with ways of any width, and several to a sheet. */
const jobs: fc.Arbitrary<Case> = fc
  .record({
    of: fc.oneof(...generatedKinds.map((k) => generatedJobs[k])),
    bore: fc.constantFrom(1, 1.9, 2.5, 4, 8),
    count: fc.constantFrom(1, 1, 2, 5),
  })
  .map(({ of: { layout, jobId }, bore, count }) => ({
    jobId,
    layout: change(layout, (draft) => {
      const job = anyJobIn(draft, jobId);
      for (const p of Object.values(job.passages)) p.boreMillimetres = bore;
      job.progress.count = count;
    }).layout,
  }));

const orderIn = ({ layout, jobId }: Case): BuildOrder | null => {
  const made = orderOf(benchOf(layout, jobId));
  return made.ok ? made.order : null;
};
const hasCells = (bench: ReturnType<typeof benchOf>): boolean => cellsOf(bench).length > 0;
const place = (order: BuildOrder, id: string): number =>
  order.tasks.findIndex((t) => t.id === id || t.formerly.includes(id));

describe('over 500 generated jobs of all kinds', () => {
  const cases = fc.sample(jobs, { numRuns: 500, seed: 40 });
  const built = cases.map((c) => ({ ...c, order: orderIn(c) }));
  const orders = built.filter((b): b is Case & { order: BuildOrder } => b.order !== null);

  test('what its tasks use is what is on its lists: parts, every metre of wire, and sleeves for joints made', () => {
    for (const { layout, jobId, order } of orders.slice(0, 150)) {
      const used = new Map<string, number>();
      for (const { key, count } of order.tasks.flatMap((t) => t.uses))
        used.set(key, (used.get(key) ?? 0) + count);
      const needs = needsOf(layout, [jobId]);
      expect([...used.keys()].sort()).toEqual(needs.map((n) => n.key).sort());
      for (const n of needs) expect(used.get(n.key), n.key).toBeCloseTo(n.count, 9);
    }
  });
  test('an order is missing only where something does not pass, which is found as well', () => {
    expect(orders.length).toBeGreaterThan(250);
    const without = built.filter((b) => b.order === null);
    expect(without.length).toBeGreaterThan(20);
    for (const { layout, jobId } of without.slice(0, 20))
      expect(checkJob(layout, jobId).some((f) => f.rule === 'does-not-pass')).toBe(true);
  });
  test('played step by step on an empty bench each finds what it asks for, and the assembly that is solved comes out', () => {
    for (const { layout, jobId, order } of orders) {
      const { assembly } = asWired(benchOf(layout, jobId));
      const { facts, missteps } = replay(order.tasks);
      expect(missteps).toEqual([]);
      const joined = assemblyAt(assembly, facts);
      expect(joined.leads).toEqual(assembly.leads);
      const solved = benchOf(layout, jobId).assembly;
      expect(asSolved(solved, assembly, joined)).toEqual(solved);
      const byId = new Map(assembly.parts.map((p) => [p.id, p]));
      expect(assemblyAt(assembly, new Set()).leads.every((l) => isOnBoard(byId, l))).toBe(true);
    }
  });
  test('whatever is threaded goes through a hole that was made for it, as wide, unless it was there', () => {
    let drilled = 0;
    for (const { layout, jobId, order } of orders) {
      const { passages } = layout.jobs[jobId];
      for (const [i, t] of order.tasks.entries()) {
        for (const id of t.threads) {
          if (!['hole', 'bore', 'slot'].includes(passages[id].kind)) continue;
          const hole = order.tasks.findIndex((d) => d.makes.includes(`hole ${id}`));
          expect(hole, t.id).toBeGreaterThanOrEqual(0);
          expect(hole).toBeLessThan(i);
          const { boreMillimetres, lengthMillimetres } = passages[id];
          const mm = (f: number): string => formatQuantity(f, 'millimetre', { significant: 3 });
          expect(order.tasks[hole].does).toContain(mm(boreMillimetres));
          expect(t.says).toContain(mm(boreMillimetres));
          expect(order.tasks[hole].says).toContain(
            `${mm(lengthMillimetres)} ${passages[id].kind === 'slot' ? 'long' : 'deep'}`,
          );
          drilled++;
        }
      }
    }
    expect(drilled).toBeGreaterThan(200);
  });
  test('no board is fed with more than it bears, and plus goes to plus: marks at both ends of a lead agree', () => {
    const seen = { converters: 0, bridges: 0, leads: 0 };
    for (const { layout, jobId } of orders) {
      const bench = benchOf(layout, jobId);
      const { assembly } = asWired(bench);
      const driver = assembly.parts.find((p) => p.kind === 'driver');
      const record = driverOf(bench.job);
      if (driver && record && ['pins', 'matrix'].includes(record.kind)) {
        const kind = supplyKind(bench.supply);
        const fed = assembly.leads.find((l) => l.to.part === driver.id && l.to.terminal === 'right')!;
        const from = assembly.parts.find((p) => p.id === fed.from.part)!;
        if (kind.highestVolts(bench.supply) > 5.5) {
          expect(from).toMatchObject({ kind: 'regulator', outVolts: 5 });
          seen.converters++;
        }
        if (record.feed.bridge) {
          expect(assembly.parts.some((p) => p.id === 'feed-bridge')).toBe(true);
          seen.bridges++;
        }
      }
      // A lamp that lies the wrong way round is told as it lies, and found.
      const lamps = new Set(assembly.parts.filter(shines).map((p) => p.id));
      const onLamps = new Set(
        assembly.leads.flatMap((l) => (lamps.has(l.from.part) || lamps.has(l.to.part) ? [l.id] : [])),
      );
      for (const row of wiresToLay(bench)) {
        if (onLamps.has(row.lead)) continue;
        const wrong = row.means === 'plus' ? '−' : row.means === 'return' ? '+' : null;
        if (wrong === null) continue;
        expect([row.fromPolarity, row.toPolarity], `${row.from} to ${row.to}`).not.toContain(wrong);
        seen.leads++;
      }
    }
    expect(seen.converters).toBeGreaterThan(10);
    expect(seen.bridges).toBeGreaterThan(5);
    expect(seen.leads).toBeGreaterThan(1000);
  });
  test('no iron at a cell; a motor is parted and a proof made before a decoder is soldered; programmed before it is tried', () => {
    const seen = { cells: 0, motors: 0, proofs: 0, programs: 0 };
    for (const { layout, jobId, order } of orders) {
      const cells = place(order, 'cells');
      if (cells >= 0) {
        expect(order.tasks.slice(cells).some((t) => t.tool === 'iron')).toBe(false);
        seen.cells++;
      }
      const { decoder, kind } = layout.jobs[jobId];
      const first = ['connect decoder', 'socket'].map((id) => place(order, id)).filter((i) => i >= 0);
      if (kind === 'locomotive' && decoder) {
        expect(place(order, 'motor')).toBeGreaterThanOrEqual(0);
        for (const i of first) expect(place(order, 'motor')).toBeLessThan(i);
        seen.motors++;
      }
      for (const id of ['connect decoder', 'connect driver'])
        if (place(order, id) >= 0) {
          expect(place(order, 'prove')).toBeLessThan(place(order, id));
          seen.proofs++;
        }
      if (decoder) {
        expect(place(order, 'program')).toBeGreaterThanOrEqual(0);
        expect(place(order, 'program')).toBeLessThan(place(order, 'try'));
        seen.programs++;
      }
    }
    for (const [what, times] of Object.entries(seen)) expect(times, what).toBeGreaterThan(10);
  });
  test('cut, sleeve, join, shrink, test, place, dark test, glue, tie, close, label; painted before it is threaded', () => {
    for (const { order } of orders) {
      const at = (id: RegExp): number[] => order.tasks.flatMap((t, i) => (id.test(t.id) ? [i] : []));
      const all = (early: RegExp, late: RegExp): void => {
        for (const a of at(early)) for (const b of at(late)) expect(a, `${early} ${late}`).toBeLessThan(b);
      };
      // A leg of a part that is soldered to a pad is no wire.
      const cut = order.tasks.find((t) => t.id === 'cut');
      const wired = new Set(cut?.makes.map((m) => m.replace(/^cut /, '')));
      order.tasks.forEach((t, i) => {
        if (t.joins.some((e) => wired.has(e.lead))) expect(i).toBeGreaterThan(order.tasks.indexOf(cut!));
      });
      all(/^shrink/, /^(prove|try)$/);
      all(/^try$/, /^place /);
      all(/^place /, /^dark$/);
      all(/^dark$/, /^tie$/);
      all(/^fix /, /^tie$/);
      all(/^tie$/, /^(close|label)$/);
      all(/^close$/, /^label$/);
      const brushes = order.tasks.filter((t) => t.id.startsWith('work ') && t.tool === 'brush');
      for (const brush of brushes)
        for (const t of order.tasks)
          if (
            t.threads.length > 0 &&
            (brush.lamps.length === 0 || brush.lamps.some((l) => t.lamps.includes(l)))
          )
            if (!/backs/.test(brush.id)) expect(place(order, brush.id)).toBeLessThan(place(order, t.id));
    }
  });
  test('sentences hang on facts: none speaks of what the job does not have', () => {
    const seen = new Map<string, number>();
    for (const { layout, jobId, order } of orders) {
      const bench = benchOf(layout, jobId);
      const { parts } = asWired(bench).assembly;
      const has = (kind: string, form?: string): boolean =>
        parts.some((p) => p.kind === kind && (form === undefined || ('form' in p && p.form === form)));
      const { job } = bench;
      const string = 'string' in job && job.string !== null && job.string !== undefined;
      const facts: readonly (readonly [RegExp, boolean])[] = [
        [/pickups/, isOnRails(job) && supplyKind(bench.supply).onTrack],
        [/\bin its holder|tags of its holder/, parts.some((p) => p.kind === 'rails') && hasCells(bench)],
        [/stripe to minus/, has('electrolytic') || string],
        [/terminal strip/, has('junction', 'strip')],
        [/long wires?\b/, has('junction', 'wire')],
        [/copper rails/, has('junction', 'rail')],
        [/common pads?\b/, has('junction', 'pad')],
        [/converter/, has('regulator')],
        [/small computer/, has('driver') || string],
        [/\bthe switch\b/, has('switch')],
        [/plug or decoder|Rails to the decoder/, has('decoder')],
        [/\bmasts?\b/i, job.kind === 'lamp'],
        [/the resistor between/, has('resistor') || has('limiter')],
      ];
      for (const t of order.tasks)
        for (const [words, so] of facts) {
          if (!words.test(`${t.does} ${t.says}`)) continue;
          expect(so, `${jobId}: ${t.does}: ${t.says}`).toBe(true);
          seen.set(words.source, (seen.get(words.source) ?? 0) + 1);
        }
      const electrolytic = has('electrolytic') || string;
      expect(order.tasks.some((t) => t.caution === 'polarity') && !electrolytic).toBe(false);
    }
    expect(seen.size).toBe(13);
  });
  test('the body a lamp comes in is part of what it is: no lot, test or list mixes two', () => {
    let told = 0;
    for (const { layout, jobId, order } of orders) {
      const { job } = benchOf(layout, jobId);
      if (job.kind !== 'locomotive') continue;
      for (const t of order.tasks.filter((of) => of.id.startsWith('test '))) {
        const bodies = new Set(t.lamps.map((l) => job.lamps[l].body));
        expect(bodies.size).toBe(1);
        expect(t.does.toLowerCase()).toContain(lampBodies[[...bodies][0]].name.toLowerCase());
        told++;
      }
      const names = needsOf(layout, [jobId]).map((n) => n.name.toLowerCase());
      for (const lamp of Object.values(job.lamps).filter((l) => !Object.hasOwn(bulbs, l.part)))
        expect(names.some((n) => n.includes(lampBodies[lamp.body].name.toLowerCase()))).toBe(true);
    }
    expect(told).toBeGreaterThan(50);
  });
  test('no task comes before what it needs', () => {
    for (const { order } of orders)
      order.tasks.forEach((t, i) => {
        for (const n of t.needs) {
          expect(place(order, n.task), `${t.id} needs ${n.task}`).toBeGreaterThanOrEqual(0);
          expect(place(order, n.task), `${t.id} needs ${n.task}`).toBeLessThan(i);
        }
      });
  });
  test('every end of every lead is joined once, by what is in the hand for it', () => {
    for (const { layout, jobId, order } of orders) {
      const { parts, leads: all } = asWired(benchOf(layout, jobId)).assembly;
      const byId = new Map(parts.map((part) => [part.id, part]));
      // What comes on a board is joined there.
      const leads = all.filter((l) => !isOnBoard(byId, l));
      const joined = order.tasks.flatMap((t) => t.joins.map((e) => `${e.lead} ${e.part}`)).sort();
      expect(joined).toEqual(leads.flatMap((l) => [`${l.id} ${l.from.part}`, `${l.id} ${l.to.part}`]).sort());
      for (const t of order.tasks)
        if (t.joins.length > 0) expect(t.tool).toBe(t.id === 'strip' ? 'screwdriver' : 'iron');
    }
  });
  test('every passage is respected for every part on every lead: one end is bare when it is threaded', () => {
    let threaded = 0;
    for (const { layout, jobId, order } of orders) {
      const { assembly } = asWired(benchOf(layout, jobId));
      for (const lead of assembly.leads) {
        for (const passage of lead.through) {
          const when = order.tasks.findIndex((t) => t.threads.includes(passage));
          expect(when, `${lead.id} through ${passage}`).toBeGreaterThanOrEqual(0);
          const joinedBefore = [lead.from.part, lead.to.part].filter(
            (part) =>
              order.tasks.findIndex((t) => t.joins.some((e) => e.lead === lead.id && e.part === part)) < when,
          );
          expect(joinedBefore.length, `${lead.id} through ${passage}`).toBeLessThan(2);
          threaded++;
        }
      }
    }
    expect(threaded).toBeGreaterThan(500);
  });
  test('a sleeve is slid on before every joint that a sleeve goes over', () => {
    for (const { layout, jobId, order } of orders) {
      const { parts, leads } = asWired(benchOf(layout, jobId)).assembly;
      const junctions = new Set(parts.filter((p) => p.kind === 'junction').map((p) => p.id));
      const onJunction = new Set(
        leads.flatMap((l) => ([l.from, l.to].some((e) => junctions.has(e.part)) ? [l.id] : [])),
      );
      order.tasks.forEach((t, i) => {
        // On the lamp itself, in plugs, under screws and on copper that is laid for it there is none.
        if (t.joins.every((e) => onJunction.has(e.lead))) return;
        if (/^(leads|along|plug|connect driver|connect decoder|socket|strip|rail)/.test(t.id)) return;
        const sleeve = t.needs.find((n) => n.task.startsWith('sleeve '));
        expect(sleeve, t.id).toBeDefined();
        expect(place(order, sleeve!.task)).toBeLessThan(i);
      });
    }
  });
  test('every lamp is tested before it is soldered, and again before it is fixed', () => {
    for (const { layout, jobId, order } of orders) {
      for (const part of asWired(benchOf(layout, jobId)).assembly.parts.filter(shines)) {
        const about = (t: Task): boolean => t.lamps.includes(part.lamp!);
        const iron = order.tasks.findIndex((t) => about(t) && t.tool === 'iron');
        const first = order.tasks.findIndex((t) => about(t) && t.tests);
        const fixed = order.tasks.findIndex((t) => about(t) && t.id.startsWith('fix '));
        expect(first, part.id).toBeGreaterThanOrEqual(0);
        if (iron >= 0) expect(first).toBeLessThan(iron);
        const tests = order.tasks.filter(
          (t, i) => i < fixed && t.tests && (about(t) || t.lamps.length === 0),
        );
        expect(tests.length, part.id).toBeGreaterThanOrEqual(3);
      }
    }
  });
  test('nothing that cannot be undone comes before a test that could still fail and does not wait for it', () => {
    let held = 0;
    for (const { order } of orders) {
      const waits = (late: string, early: string, seen = new Set<string>()): boolean => {
        const of = order.tasks[place(order, late)];
        return of.needs.some((n) => {
          if (n.task === early) return true;
          if (seen.has(n.task)) return false;
          seen.add(n.task);
          return waits(n.task, early, seen);
        });
      };
      order.tasks.forEach((final, i) => {
        if (final.undone === 'can') return;
        order.tasks.forEach((t, k) => {
          const same =
            t.lamps.length === 0 || final.lamps.length === 0 || t.lamps.some((l) => final.lamps.includes(l));
          if (!t.tests || !same || k < i) return;
          expect(waits(t.id, final.id), `${final.id} before ${t.id}`).toBe(true);
          held++;
        });
      });
    }
    expect(held).toBeGreaterThan(100);
  });
  test('never with more changes of tool than the tasks as they were written down, and seldom with as many', () => {
    for (const { order } of orders)
      expect(order.cost.toolChanges).toBeLessThanOrEqual(order.plain.toolChanges);
    const sum = (of: (o: BuildOrder) => number): number => orders.reduce((n, o) => n + of(o.order), 0);
    expect(sum((o) => o.cost.toolChanges)).toBeLessThan(0.9 * sum((o) => o.plain.toolChanges));
    // What has roof, body and chassis to be worked on can nearly always be done in fewer; what stands on a post seldom.
    const bodied = orders.filter((o) =>
      ['coach', 'locomotive', 'canopy', 'building'].includes(o.layout.jobs[o.jobId].kind),
    );
    // A change more is worth it where the body stays closed until the bench work is done.
    const benchWork = /^(leads|at-lamp|along|make-up) /;
    const opensLate = ({ tasks }: BuildOrder): boolean => {
      const open = tasks.findIndex((t) => t.id === 'open');
      return open >= 0 && !tasks.slice(open).some((t) => benchWork.test(t.id));
    };
    const better = bodied.filter(
      ({ order }) => order.cost.toolChanges < order.plain.toolChanges || opensLate(order),
    );
    expect(better.length / bodied.length).toBeGreaterThan(0.95);
  });
  test('a resistor too wide for its lamp’s way is joined after the lead is through', () => {
    let late = 0;
    for (const { layout, jobId, order } of orders) {
      const { assembly, job } = asWired(benchOf(layout, jobId));
      for (const part of assembly.parts) {
        if (part.kind !== 'resistor' || part.lamp === null) continue;
        const lead = assembly.leads.find(
          (l) => l.through.length > 0 && [l.from.part, l.to.part].includes(part.id) && part.place === null,
        );
        if (!lead) continue;
        const bores = Object.entries(job.passages).map(([id, p]) => [id, p.boreMillimetres] as const);
        for (const [id, bore] of bores) {
          if (!lead.through.includes(id) || resistorDiameter(part.ratedWatts) <= bore) continue;
          const thread = order.tasks.findIndex((t) => t.threads.includes(id));
          const joint = order.tasks.findIndex((t) =>
            t.joins.some((e) => e.lead === lead.id && e.part === part.id),
          );
          expect(joint, part.id).toBeGreaterThan(thread);
          late++;
        }
      }
    }
    expect(late).toBeGreaterThan(20);
  });
});

describe('worked cases, common practice, no source', () => {
  const withJob = (layout: Layout, jobId: string, recipe: (job: Draft<AnyJob>) => void): Case => ({
    jobId,
    layout: change(layout, (draft) => recipe(anyJobIn(draft, jobId))).layout,
  });
  const before = (order: BuildOrder, a: string, b: string): void => {
    expect(place(order, a), a).toBeGreaterThanOrEqual(0);
    expect(place(order, b), b).toBeGreaterThan(place(order, a));
  };

  test('plug wider than the lamp hole: wires are threaded first, the plug is soldered after', () => {
    const order = orderIn({ layout: boatTrain(), jobId: 'railcar-tern' })!;
    before(order, 'thread end-A', 'connect decoder');
    before(order, 'thread end-B', 'connect decoder');
  });
  test('a plug that is on already and wider than the hole: no order, both facts and what frees them', () => {
    const of = withJob(boatTrain(), 'railcar-tern', (j) => {
      j.passages['end-A'].carriesMillimetres = 5.1;
    });
    const made = orderOf(benchOf(of.layout, of.jobId));
    expect(made.ok).toBe(false);
    if (made.ok) return;
    expect(made.collisions[0].facts.join(' ')).toMatch(/3 mm.*5\.1 mm/);
    expect(made.collisions[0].frees.join(' ')).toMatch(/Open bore of end A to 5\.1 mm.*join it after/);
  });
  test('resistor wider than the bracket hole: it is fitted at the far end; where it passes, at the lamp', () => {
    const at = (bore: number): BuildOrder =>
      orderIn(
        withJob(onRails('resistor-each'), vehicleId, (j) => {
          for (const p of Object.values(j.passages)) p.boreMillimetres = bore;
        }),
      )!;
    // A 1/4 W body is 2.4 mm across.
    const circuit = at(2.3).tasks.find((t) => t.id.startsWith('resistors '))!.id;
    before(at(2.3), 'thread end-A', circuit);
    expect(at(2.5).tasks.some((t) => t.id.startsWith('resistors '))).toBe(false);
    before(at(2.5), circuit.replace('resistors', 'at-lamp'), 'thread end-A');
  });
  test('where the person wants the resistors at the far ends they are joined after the leads are through', () => {
    const far = withJob(onRails('resistor-each'), vehicleId, (j) => {
      for (const p of Object.values(j.passages)) p.boreMillimetres = 8;
      for (const c of Object.values(j.circuits)) c.resistorsFar = true;
    });
    const order = orderIn(far)!;
    const circuit = order.tasks.find((t) => t.id.startsWith('resistors '))!.id;
    before(order, 'thread end-A', circuit);
    expect(order.tasks.some((t) => t.id.startsWith('at-lamp '))).toBe(false);
    // Nothing is said of bodies that would go through.
    expect(order.tasks.some((t) => t.says.includes('not go through'))).toBe(false);
  });
  test('a hub with no lamp on its sockets yet has an order and a sheet, and is bought', () => {
    for (const spoil of ['no lamp', 'no circuit'] as const) {
      const made = freshJob(boatTrain(), 'building', freshKinds.building.supplies[0].wish, { wiring: 'hub' });
      const { layout } = change(made.layout, (d) => {
        const job = d.jobs[made.jobId];
        if (spoil === 'no lamp') job.lamps = {};
        else
          for (const lamp of Object.values(job.lamps) as { circuitId: string | null }[])
            lamp.circuitId = null;
      });
      const sheet = sheetOf(layout, made.jobId, { findings: [] });
      expect(sheet.ordered.ok && sheet.ordered.order.tasks.map((t) => t.does)).toContain(
        'Join the feed to the hub',
      );
      expect(needsOf(layout, [made.jobId]).some((n) => /hub/i.test(n.name))).toBe(true);
    }
  });
  test('a switch of its own gets a slot where it sits, masts and hoods are bought for the work that uses them', () => {
    const seated = orderIn(
      withJob(tug(100), displayId, (j) => {
        j.seats = { switch: { alongMillimetres: 20, acrossMillimetres: 0, heightMillimetres: 12 } };
      }),
    )!;
    const slot = seated.tasks.find((t) => t.id === 'work opening switch')!;
    expect(slot.says).toContain('20 mm from the left end, 12 mm up');
    before(seated, 'open', 'work opening switch');
    const lamps = orderIn({ layout: boatTrain(), jobId: 'quay-lamps' })!;
    const masts = lamps.tasks.find((t) => t.id === 'work masts')!;
    expect(masts.uses.map((u) => u.key).some((k) => k.startsWith('mast:'))).toBe(true);
  });
  test('a lamp in a lantern whose bore passes the wire alone: leads are soldered to it first, then go down', () => {
    const order = orderIn(withJob(tug(100), displayId, (j) => void (j.passages.tube.boreMillimetres = 1.3)))!;
    before(order, 'leads lamp-1', 'thread tube');
    before(order, 'thread tube', 'join model');
  });
  test('shrink before the joint', () => {
    const coach = orderIn({ layout: boatTrain(), jobId: 'heritage-coach' })!;
    before(coach, 'sleeve join roof', 'join roof');
    const model = orderIn({ layout: tug(100), jobId: displayId })!;
    before(model, 'sleeve join model', 'join model');
    before(model, 'thread tube', 'sleeve join model');
  });
  test('tube threaded before the base', () => {
    const order = orderIn({ layout: tug(100), jobId: displayId })!;
    before(order, 'thread tube', 'base tube');
    before(order, 'base tube', 'join model');
  });
  test('two leads of 0.5 mm through a drilled post take 1 mm, side by side', () => {
    const one = (bore: number) => {
      const of = withJob(tug(100), displayId, (j) => {
        Reflect.deleteProperty(j.lamps, 'lamp-2');
        j.passages.tube.boreMillimetres = bore;
      });
      return orderOf(benchOf(of.layout, of.jobId));
    };
    expect(one(1).ok).toBe(true);
    expect(one(0.99).ok).toBe(false);
  });
  test('drilled before it is blackened, blackened and dry before lamps are glued, dark test before glue', () => {
    const order = orderIn({ layout: boatTrain(), jobId: 'diesel-shunter' })!;
    const black = order.tasks.find((t) => t.id.startsWith('work black'))!;
    const drill = order.tasks.find((t) => t.id.startsWith('work drill'))!;
    before(order, drill.id, black.id);
    before(order, black.id, 'dark');
    before(order, 'dark', 'fix A');
    expect(black.dryMinutes).toBeGreaterThan(0);
  });
  test('five of it on one sheet: the counts are in it', () => {
    const order = orderIn(withJob(tug(100), displayId, (j) => void (j.progress.count = 5)))!;
    expect(order.tasks.find((t) => t.id === 'test lamp-1')!.does).toMatch(/^Test 10 ×/);
    expect(order.tasks.flatMap((t) => t.uses).filter((u) => u.key !== 'switch')).toEqual(
      expect.arrayContaining([
        { key: 'lamp:red', count: 10 },
        { key: expect.stringMatching(/^resistor:100:/) as string, count: 5 },
      ]),
    );
  });
  test('while the resistors are in the post, lamps are tested and holes drilled, and nothing that waits for them is done', () => {
    const { layout } = { layout: boatTrain() };
    const order = orderIn({ layout, jobId: 'diesel-shunter' })!;
    const missing = new Set(
      benchOf(layout, 'diesel-shunter')
        .assembly.parts.filter((p) => p.kind === 'resistor')
        .map((p) => p.id),
    );
    const can = possibleWithout(order, missing).flatMap((t) => [t.id, ...t.formerly]);
    expect(can).toContain('test headlight-a');
    expect(can).toContain('thread end-A');
    expect(can).not.toContain('prove');
    expect(can).not.toContain('try');
  });
});

describe('tasks that wait for one another', () => {
  const of = (id: string, ...needs: [string, string][]): Task => ({
    ...act({ id, does: `Do ${id}`, says: '', tool: 'hands', minutes: 1 }),
    needs: needs.map(([on, because]) => ({ task: on, because })),
  });
  test('in a ring are told by two of their reasons, and what would free them', () => {
    const made = ordered([
      of('a', ['c', 'the plug is on first']),
      of('b', ['a', 'the hole is narrow']),
      of('c', ['b', 'it hangs on it']),
      of('d'),
    ]);
    expect(made.ok).toBe(false);
    if (made.ok) return;
    const [collision] = made.collisions;
    expect(collision.facts).toHaveLength(2);
    expect(new Set(collision.facts).size).toBe(2);
    expect(collision.frees[0]).toMatch(/wait/);
  });
  test('one that needs what is no task is an error', () => {
    expect(() => ordered([of('a', ['nothing', 'x'])])).toThrow(/needs “nothing”/);
  });
  test('four hundred of them are still put in order, none before what it needs', () => {
    const many = Array.from({ length: 400 }, (_, i) => ({
      ...of(`t${i}`, ...(i > 4 ? ([[`t${i - 5}`, 'so']] as [string, string][]) : [])),
      tool: i % 2 === 0 ? ('iron' as const) : ('hands' as const),
    }));
    const made = ordered(many);
    expect(made.ok).toBe(true);
    if (!made.ok) return;
    const at = new Map(made.order.tasks.map((t, i) => [t.id, i]));
    for (const t of many) for (const n of t.needs) expect(at.get(n.task)!).toBeLessThan(at.get(t.id)!);
    expect(made.order.cost.toolChanges).toBeLessThanOrEqual(made.order.plain.toolChanges);
  });
  test('tell on the way how far the search is, and can be left at any step', () => {
    const acts = Array.from({ length: 30 }, (_, i) => of(`t${i}`));
    const graph = constrained(acts);
    if (collides(graph)) throw new Error('they do not collide');
    const shares: number[] = [];
    const steps = searchedInSteps(graph);
    for (let step = steps.next(); !step.done; step = steps.next()) shares.push(step.value!);
    expect(shares).toHaveLength(30);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shares.every((s) => s >= 0 && s < 1)).toBe(true);
  });
  test('one that needs three hundred others comes after every one of them', () => {
    const many = Array.from({ length: 300 }, (_, i) => of(`t${i}`));
    const last = of('last', ...many.map((t): [string, string] => [t.id, 'it is whole only with it']));
    const made = ordered([last, ...many]);
    expect(made.ok && made.order.tasks.at(-1)!.id).toBe('last');
  });
  test('drying runs while other work goes on', () => {
    const paint = { ...of('paint'), tool: 'brush' as const, dryMinutes: 30 };
    const glue = { ...of('glue', ['paint', 'dry']), tool: 'glue' as const };
    const solder = { ...of('solder'), tool: 'iron' as const, minutes: 25 };
    const made = ordered([glue, solder, paint]);
    expect(made.ok && made.order.tasks.map((t) => t.id)).toEqual(['paint', 'solder', 'glue']);
    expect(made.ok && made.order.cost.waitMinutes).toBe(5);
  });
});
