import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { generatedJobs, generatedKinds, type Case } from '../../../tests/kinds';
import { netsOf, terminalKey, terminalsOf, type Assembly } from '../../assembly/assembly';
import { isOnBoard } from '../../assembly/on-board';
import { anyJobIn } from '../../document/jobs';
import { change } from '../../document/patch';
import { driverOf } from '../../document/aspect-record';
import { benchOf } from '../bench';
import { orderOf } from '../../build/order/order';
import { wiringTable } from '../../build/wiring-table';
import { coachIn } from '../../kinds/coach/jobs';
import { asWired } from '.';
import type { Layout } from '../../document/layout';

const cases: readonly Case[] = generatedKinds.flatMap((k) =>
  fc.sample(generatedJobs[k], { numRuns: 34, seed: 31 }),
);

/** Terminals of one net, each net once, as plain words. */
function netList(assembly: Assembly, of: Assembly): Set<string> {
  const nets = netsOf(assembly);
  const groups = new Map<string, string[]>();
  for (const part of of.parts)
    for (const terminal of terminalsOf[part.kind]) {
      const key = terminalKey({ part: part.id, terminal });
      const net = nets.get(key)!;
      groups.set(net, [...(groups.get(net) ?? []), key]);
    }
  return new Set([...groups.values()].filter((g) => g.length > 1).map((g) => g.sort().join(' ')));
}

describe('what is wired by hand, over 300 generated jobs of every kind', () => {
  test('conducts as what is solved: the same terminals lie together', () => {
    let laidOtherwise = 0;
    for (const { layout, jobId } of cases) {
      const bench = benchOf(layout, jobId);
      const wired = asWired(bench).assembly;
      // What feeds a driver by hand is inside it where it is solved.
      if (wired.parts.some((p) => p.id.startsWith('feed-'))) continue;
      expect(netList(wired, bench.assembly)).toEqual(netList(bench.assembly, bench.assembly));
      if (wired.leads.length !== bench.assembly.leads.length) laidOtherwise++;
    }
    expect(laidOtherwise).toBeGreaterThan(50);
  });
  test('no pin takes more wires than it holds: one on a pin or pad, two under a screw, on a tag or a lamp’s leg, three on a longer leg (common practice, no source)', () => {
    let pads = 0;
    for (const { layout, jobId } of cases) {
      const bench = benchOf(layout, jobId);
      const { parts, leads } = asWired(bench).assembly;
      const byId = new Map(parts.map((p) => [p.id, p]));
      const byHand = ['pins', 'matrix', 'flasher', 'timer'].includes(driverOf(bench.job)?.kind ?? '');
      for (const part of parts) {
        if (part.kind === 'junction') pads += part.form === 'pad' ? 1 : 0;
        if (part.kind === 'junction' || part.board !== null) continue;
        const pin = part.kind === 'decoder' || (part.kind === 'driver' && byHand);
        const most = pin ? 1 : /resistor|diode|bridge|electrolytic|regulator/.test(part.kind) ? 3 : 2;
        for (const terminal of terminalsOf[part.kind]) {
          const on = leads.filter(
            (l) =>
              !isOnBoard(byId, l) &&
              [l.from, l.to].some((t) => t.part === part.id && t.terminal === terminal),
          );
          expect(on.length, `${part.id} ${terminal}`).toBeLessThanOrEqual(most);
        }
      }
    }
    expect(pads).toBeGreaterThan(50);
  });
  test('wires to different ends that go through one passage have different colours, while the wire is sold in as many', () => {
    let together = 0;
    for (const { layout, jobId } of cases) {
      const bench = asWired(benchOf(layout, jobId));
      const { assembly, job } = bench;
      const nets = netsOf(assembly);
      const place = new Map(assembly.parts.map((p) => [p.id, p.place]));
      for (const [id, passage] of Object.entries(job.passages)) {
        const all = assembly.leads.filter((l) => l.through.includes(id));
        for (const at of new Set(all.map((l) => place.get(l.from.part) ?? place.get(l.to.part)))) {
          const own =
            passage.serves === 'each'
              ? all.filter((l) => (place.get(l.from.part) ?? place.get(l.to.part)) === at)
              : all;
          const sides = own.filter((l) => l.role === 'plus' || l.role === 'minus');
          const netsOfSides = new Set(sides.map((l) => nets.get(terminalKey(l.from))!));
          // Some lamps come on wires of their own, both lacquered.
          if (netsOfSides.size !== 2 || sides.some((l) => l.colour === 'lacquered')) continue;
          expect(new Set(sides.map((l) => l.colour)).size, `${jobId} ${id}`).toBe(2);
          together++;
        }
      }
    }
    expect(together).toBeGreaterThan(20);
  });
});

describe('a strip', () => {
  /** The saloon's four units of 50 mm, so far apart from middle to middle. */
  const saloon = (apart: number) => {
    const { layout } = change(boatTrain(), (draft) => {
      Object.values(coachIn(draft as Layout, 'open-saloon').lamps).forEach((lamp, i) => {
        (lamp as { placeMillimetres: number }).placeMillimetres = 30 + i * apart;
      });
    });
    return { layout, jobId: 'open-saloon' };
  };
  test('that is not cut is one piece: no wire goes from unit to unit, leads are soldered to its end alone', () => {
    const { layout, jobId } = saloon(50);
    const { assembly } = asWired(benchOf(layout, jobId));
    const units = new Set(assembly.parts.filter((p) => p.kind === 'lamp').map((p) => p.id));
    const between = assembly.leads.filter((l) => units.has(l.from.part) && units.has(l.to.part));
    expect(between).toHaveLength(6);
    expect(between.every((l) => l.uncut)).toBe(true);
    const made = orderOf(benchOf(layout, jobId));
    const leads = made.ok && made.order.tasks.find((t) => t.id.startsWith('leads '));
    expect(leads && leads.joins).toHaveLength(2);
  });
  test('that is cut has links of its gaps', () => {
    const { layout, jobId } = saloon(60);
    const rows = wiringTable(benchOf(layout, jobId)).filter(
      (r) => r.from.startsWith('Strip unit') && r.to.startsWith('Strip unit'),
    );
    expect(rows).toHaveLength(6);
    for (const r of rows) expect(r).toMatchObject({ runMillimetres: 10, cutMillimetres: 20 });
  });
});

describe('lengths', () => {
  const coach = 'compartment-coach';
  test('from lamp to long wire and from unit to unit it is the gap and what two joints take; no lead goes further than its coach', () => {
    const layout = boatTrain();
    for (const jobId of ['compartment-coach', 'open-saloon']) {
      const job = layout.jobs[jobId];
      if (job.kind !== 'coach') throw new Error('a coach');
      const { assembly } = asWired(benchOf(layout, jobId));
      const place = new Map(assembly.parts.map((p) => [p.id, p.place]));
      for (const row of wiringTable(benchOf(layout, jobId))) {
        const lead = assembly.leads.find((l) => l.id === row.lead)!;
        if (row.direct || row.onBoard) continue;
        const inside =
          place.get(lead.from.part) !== null && place.get(lead.from.part) === place.get(lead.to.part);
        if (inside) {
          expect(row.cutMillimetres - row.runMillimetres).toBeGreaterThanOrEqual(10 - 0.5);
          expect(row.cutMillimetres - row.runMillimetres).toBeLessThan(15.5);
        }
        expect(row.cutMillimetres).toBeLessThan(
          1.1 * (job.dimensions.lengthMillimetres + 2 * job.dimensions.bodyHeightMillimetres) + 45,
        );
      }
    }
  });
  test('follow where a thing sits: a switch put 120 mm further has that much more wire on both its sides, and it is no longer to suit', () => {
    const cut = (along: number | null): readonly { millimetres: number; assumed: boolean }[] => {
      const { layout } = change(tug(100), (draft) => {
        if (along !== null)
          anyJobIn(draft, displayId).seats = {
            switch: { alongMillimetres: along, acrossMillimetres: 0, heightMillimetres: 0 },
          };
      });
      return wiringTable(benchOf(layout, displayId))
        .filter((r) => /^Switch/.test(r.from) || /^Switch/.test(r.to))
        .map((r) => ({ millimetres: r.cutMillimetres, assumed: r.assumed }));
    };
    const [near, far, unsaid] = [cut(-100), cut(-220), cut(null)];
    expect(near).toHaveLength(2);
    far.forEach((f, i) => expect(f.millimetres - near[i].millimetres).toBeGreaterThanOrEqual(115));
    expect(far.every((f) => !f.assumed)).toBe(true);
    expect(unsaid.every((f) => f.assumed)).toBe(true);
  });
  test('a coach that collects at both bogies has the lead between them, as long as they are apart', () => {
    const rows = wiringTable(benchOf(boatTrain(), coach)).filter((r) => /Second bogie/.test(r.to));
    const { pickups } = boatTrain().jobs[coach] as unknown as { pickups: { baseMillimetres: number } };
    expect(rows.map((r) => r.sold)).toEqual(['red', 'black']);
    for (const r of rows) {
      expect(r.cutMillimetres).toBeGreaterThan(pickups.baseMillimetres);
      expect(r.cutMillimetres).toBeLessThan(1.1 * pickups.baseMillimetres + 50);
    }
  });
});
