import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { generatedJobs, generatedKinds, type Case } from '../../tests/kinds';
import { netsOf } from '../assembly/assembly';
import { CircuitError } from '../circuit/error';
import { isDriven } from '../document/aspect-record';
import { checkLayout } from '../document/file';
import { anyJobIn } from '../document/jobs';
import { inOrder } from '../document/in-order';
import { mainLineId, putOnSupply, supplyBeside, supplyIdsOf } from '../document/line-stages';
import { change } from '../document/patch';
import { usualSupply } from '../document/usual-supply';
import { checkJob } from '../finding/check';
import { jobCurve } from '../feed/load-curve';
import { wiringTable } from '../build/wiring-table';
import { putPlace, putRun } from '../feed/begin';
import { judgeNetwork } from '../finding/feed/judge-network';
import { benchOf } from './bench';
import { costOfJob } from './job-cost';
import { cellLifeStudy } from './cell-life';
import { shouldShine } from './drive';
import { Solver, usualReadings } from './solver';
import { deliveredBy, sourcesOf } from './sources';
import { solvedJob } from './solved-job';
import { supplySums } from '../feed/supply-sums';
import { usualState } from './states';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { Readings } from './readings';

const OWN = 'own-cell';

/** The layout with one circuit of a job hung on a cell of its own, or a bus. */
const beside = (
  layout: Layout,
  jobId: string,
  circuitId: string,
  kind: 'cell' | 'layout-bus' = 'cell',
  then: (draft: Draft<Layout>) => void = () => undefined,
): Layout =>
  change(layout, (draft) => {
    draft.supplies[OWN] = usualSupply(kind, layout.scale, 99);
    putOnSupply(anyJobIn(draft, jobId), circuitId, OWN);
    then(draft);
  }).layout;

const ofCircuit = ({ dies }: Readings, circuitId: string, own: boolean) =>
  new Map(
    dies
      .filter((d) => (d.circuitId === circuitId) === own)
      .map((d) => [`${d.part} ${d.second}`, { amps: d.amps.mean, lumens: d.lumens }]),
  );

function expectAlike(
  is: ReturnType<typeof ofCircuit>,
  wanted: ReturnType<typeof ofCircuit>,
  what: string,
): void {
  expect([...is.keys()].sort(), what).toEqual([...wanted.keys()].sort());
  for (const [key, { amps }] of is) {
    const other = wanted.get(key)!.amps;
    expect(Math.abs(amps - other), `${what}: ${key}, ${amps} and ${other}`).toBeLessThan(
      2e-3 * Math.abs(other) + 2e-6,
    );
  }
}

/** Lamps of one circuit of a job taken off their wires, or of all others. */
const without = (layout: Layout, { jobId }: Case, isOut: (circuitId: string) => boolean): Layout =>
  change(layout, (draft) => {
    for (const lamp of Object.values(anyJobIn(draft, jobId).lamps))
      if (lamp.circuitId !== null && isOut(lamp.circuitId)) lamp.circuitId = null;
  }).layout;

describe('a circuit on a supply beside that of its job', () => {
  const plain = generatedKinds.filter((k) => !['signal', 'crossing', 'scene'].includes(k));
  test.each(plain)('of a %s it is what it is alone, and so is the rest', (kind) => {
    let solved = 0;
    fc.assert(
      fc.property(
        generatedJobs[kind],
        fc.constantFrom('cell' as const, 'layout-bus' as const),
        (of, sort) => {
          const { layout, jobId } = of;
          const job = layout.jobs[jobId];
          const circuit = inOrder(job.circuits).find(
            (c) => c.limit !== 'none' && Object.values(job.lamps).some((l) => l.circuitId === c.id),
          );
          if (!circuit || isDriven(job)) return;
          const both = beside(layout, jobId, circuit.id, sort);
          expect(checkLayout(both)).toMatchObject({ ok: true });
          const alone = beside(
            without(layout, of, (c) => c !== circuit.id),
            jobId,
            circuit.id,
            sort,
            (draft) => {
              const own = anyJobIn(draft, jobId);
              own.supplyId = OWN;
              own.decoder = null;
              const { lineId } = own.circuits[circuit.id];
              own.lines = {
                [lineId]: { ...own.lines[lineId], from: { kind: 'supply', tap: 'board', supplyId: null } },
              };
              own.circuits = {
                [circuit.id]: {
                  ...own.circuits[circuit.id],
                  senses: circuit.senses === 'in-turn' ? 'in-turn' : 'alike',
                },
              };
            },
          );
          const rest = without(both, of, (c) => c === circuit.id);
          let readings: Readings[];
          try {
            readings = [both, alone, rest].map((l) => usualReadings(benchOf(l, jobId)));
          } catch (error) {
            // What cannot be solved by itself cannot be solved beside something.
            if (error instanceof CircuitError) return;
            throw error;
          }
          solved++;
          const [together, itself, others] = readings;
          expectAlike(ofCircuit(together, circuit.id, true), ofCircuit(itself, circuit.id, true), 'beside');
          expectAlike(
            ofCircuit(together, circuit.id, false),
            ofCircuit(others, circuit.id, false),
            'the rest',
          );
          const source = sourcesOf(benchOf(both, jobId)).find((s) => s.beside)!;
          const gives = deliveredBy(together, source).amps.mean;
          expect(Math.abs(gives - itself.supplyAmps.mean)).toBeLessThan(2e-3 * itself.supplyAmps.mean + 2e-6);
        },
      ),
      { numRuns: 20, seed: 11 },
    );
    expect(solved).toBeGreaterThan(5);
  });
});

describe('the tail lamps of a coach on a cell', () => {
  const train = boatTrain();
  const job = train.jobs[demoJob];
  const [first] = inOrder(job.circuits);
  const layout = beside(train, demoJob, first.id);
  const bench = benchOf(layout, demoJob);

  test('shine whatever the track does, and with no power on it', () => {
    const lamp = Object.keys(job.lamps).find((id) => job.lamps[id].circuitId === first.id)!;
    const state = usualState(bench);
    for (const direction of ['forward', 'reverse'])
      expect(
        shouldShine(bench.job, lamp, false, { ...state, direction }, { id: 'on', seconds: 1, slices: [] }),
      ).toBe(true);
    const dark = change(layout, (draft) => {
      const supply = draft.supplies[job.supplyId];
      if (supply.kind === 'dcc-track') Object.assign(supply, { amplitudeVolts: 7, trackOhms: 100 });
    }).layout;
    const litAmps = (of: Layout) =>
      usualReadings(benchOf(of, demoJob))
        .dies.filter((d) => d.circuitId === first.id)
        .map((d) => d.litAmps);
    litAmps(dark).forEach((amps, i) => expect(amps).toBeCloseTo(litAmps(layout)[i], 6));
  });
  test('draw from the cell, not from the booster; nothing joins the two', () => {
    const readings = usualReadings(bench);
    const [main, cell] = sourcesOf(bench);
    const sum = (own: boolean) =>
      readings.dies
        .filter((d) => (d.circuitId === first.id) === own)
        .reduce((all, d) => all + d.amps.mean, 0);
    // Lamps of a cell stand behind no regulator: what it gives is what they take.
    expect(deliveredBy(readings, cell).amps.mean).toBeCloseTo(sum(true), 6);
    expect(deliveredBy(readings, main).amps.mean).toBe(readings.supplyAmps.mean);
    const nets = netsOf(bench.assembly);
    expect(nets.get('rails.left')).not.toBe(nets.get(`${cell.part}.left`));
  });
  test('the cell is judged, the booster by what is left on it; the loads, the evening and the feeds tell them apart', () => {
    const heavy = change(layout, (draft) => {
      Object.assign(draft.jobs[demoJob].circuits[first.id], { limit: 'each', inSeries: 1, ohms: 1 });
      for (const lamp of Object.values(draft.jobs[demoJob].lamps))
        if (lamp.circuitId === first.id) lamp.part = 'red';
    }).layout;
    const findings = checkJob(heavy, demoJob);
    const cell = findings.filter((f) => f.paths.some((p) => p.join('.') === `supplies.${OWN}`));
    expect(cell.map((f) => f.id)).toContain('cell-hours');
    const solved = solvedJob(heavy, demoJob);
    const alone = { ...heavy, jobs: { [demoJob]: heavy.jobs[demoJob] } } as Layout;
    const loads = supplySums(alone, null);
    expect(loads.map((l) => l.supplyId)).toEqual([job.supplyId, OWN]);
    expect(loads[1].limitAmps).toBeNull();
    expect(loads.map((l) => l.amps)).toEqual(
      sourcesOf(solved.bench!).map((s) => expect.closeTo(deliveredBy(solved.readings!, s).amps.mean, 6)),
    );
    const bus = beside(train, demoJob, first.id, 'layout-bus');
    const curve = jobCurve(bus, demoJob, OWN)!;
    const own = deliveredBy(usualReadings(benchOf(bus, demoJob)), sourcesOf(benchOf(bus, demoJob))[1]);
    expect(curve.amps[curve.volts.indexOf(12)] / own.amps.mean).toBeCloseTo(1, 1);
  });
  test('where the job’s own is set to the one beside it, all of it draws from that one, on the plan too', () => {
    const both = beside(train, demoJob, first.id, 'layout-bus', (draft) => {
      draft.jobs[demoJob].supplyId = OWN;
    });
    const alone = change(both, (draft) => putOnSupply(anyJobIn(draft, demoJob), first.id, null)).layout;
    const [two, one] = [both, alone].map((of) => jobCurve(of, demoJob, OWN)!);
    const drawn = sourcesOf(benchOf(both, demoJob)).map(
      (s) => deliveredBy(usualReadings(benchOf(both, demoJob)), s).amps.mean,
    );
    expect(drawn).toHaveLength(2);
    const at = two.volts.indexOf(12);
    expect(two.amps[at] / (drawn[0] + drawn[1])).toBeCloseTo(1, 1);
    // Not half of its lamps only.
    expect(two.lumens[at]).toBeGreaterThan(0.9 * one.lumens[at]);
  });
  test('empties the cell and leaves the rest as it is', () => {
    const life = cellLifeStudy(bench)!;
    expect(life.source.supplyId).toBe(OWN);
    expect(life.light[0]).toBeCloseTo(1, 9);
    expect(life.amps.at(-1)!).toBeLessThan(life.amps[0]);
  });
  test('a fresh cell is taken at its highest, a spent one as it is', () => {
    const spent = change(layout, (draft) => {
      const supply = draft.supplies[OWN];
      if (supply.kind === 'cell') supply.spent = 0.9;
    }).layout;
    const solver = new Solver(benchOf(spent, demoJob));
    const state = usualState(solver.bench);
    const amps = (stress: 'usual' | 'highest') =>
      solver.at(state, { stress }).beside.get(`rails-${OWN}`)!.amps.mean;
    expect(amps('highest')).toBeGreaterThan(amps('usual'));
    expect(amps('highest')).toBeCloseTo(
      new Solver(bench).at(state, { stress: 'highest' }).beside.get(`rails-${OWN}`)!.amps.mean,
      9,
    );
  });
});

describe('lines and their supplies in the document', () => {
  const train = boatTrain();
  const [first] = inOrder(train.jobs[demoJob].circuits);
  test('there and back again is what it was', () => {
    const there = beside(train, demoJob, first.id);
    expect(supplyBeside(there.jobs[demoJob], there.jobs[demoJob].circuits[first.id].lineId)).toBe(OWN);
    expect(supplyIdsOf(there.jobs[demoJob])).toEqual([train.jobs[demoJob].supplyId, OWN]);
    const back = change(there, (draft) => putOnSupply(anyJobIn(draft, demoJob), first.id, null)).layout;
    expect(back.jobs[demoJob].circuits[first.id].lineId).toBe(mainLineId(train.jobs[demoJob]));
    expect(supplyIdsOf(back.jobs[demoJob])).toEqual([train.jobs[demoJob].supplyId]);
  });
  test('a second circuit shares the line, and the cell', () => {
    const ids = inOrder(train.jobs['railcar-tern'].circuits).map((c) => c.id);
    const both = beside(train, 'railcar-tern', ids[0], 'cell', (draft) =>
      putOnSupply(anyJobIn(draft, 'railcar-tern'), ids[1], OWN),
    );
    const { circuits } = both.jobs['railcar-tern'];
    expect(circuits[ids[1]].lineId).toBe(circuits[ids[0]].lineId);
    expect(sourcesOf(benchOf(both, 'railcar-tern'))).toHaveLength(2);
  });
  test.each([
    ['a supply there is not', 'nobody', /there is no supply/],
    ['one that changes its sides', train.jobs[demoJob].supplyId, /does not keep its sides/],
  ])('a line on %s is refused with the reason', (_, supplyId, why) => {
    const broken = structuredClone(beside(train, demoJob, first.id)) as Layout;
    const { lineId } = broken.jobs[demoJob].circuits[first.id];
    Object.assign(broken.jobs[demoJob].lines[lineId].from, { supplyId });
    const read = checkLayout(broken);
    if (read.ok) throw new Error('it was taken');
    expect(read.complaints[0].path).toBe(`jobs.${demoJob}.lines.${lineId}.from.supplyId`);
    expect(read.complaints[0].reason).toMatch(why);
  });
});

describe('a job on two supplies beside its like', () => {
  const train = boatTrain();
  const [first] = inOrder(train.jobs['harbour-office'].circuits);
  const layout = beside(train, 'harbour-office', first.id, 'layout-bus');
  test('its wires say which supply they come from, and keep their sides', () => {
    const rows = wiringTable(benchOf(layout, 'harbour-office'));
    const own = rows.filter((r) => r.from.startsWith('Lighting bus') || r.to.startsWith('Lighting bus'));
    expect(own.map((r) => r.fromPolarity).sort()).toEqual(expect.arrayContaining(['+', '−']));
    expect(own.every((r) => r.colour !== 'lacquered')).toBe(true);
  });
  test('on the plan either supply may feed it, and a third may not', () => {
    const fedBy = (supplyId: string): string[] => {
      const { layout: laid } = change(layout, (draft) => {
        draft.network = { nodes: {}, runs: {} };
        draft.supplies.third = usualSupply('layout-bus', layout.scale, 100);
        const from = putPlace(draft, 'Feed', { x: 0, y: 0 }, { kind: 'supply', supplyId });
        putRun(
          draft,
          from,
          putPlace(draft, 'Office', { x: 300, y: 0 }, { kind: 'job', jobId: 'harbour-office' }),
        );
      });
      return judgeNetwork(laid).map((f) => f.rule);
    };
    expect(fedBy(OWN)).not.toContain('not-fed');
    expect(fedBy(layout.jobs['harbour-office'].supplyId)).not.toContain('not-fed');
    expect(fedBy('third')).toContain('not-fed');
  });
  test('its price counts the cells of each', () => {
    const cost = (of: Layout): number => costOfJob(benchOf(of, 'quay-lamps'));
    const [circuit] = inOrder(train.jobs['quay-lamps'].circuits);
    const bus = beside(train, 'quay-lamps', circuit.id, 'layout-bus');
    const cell = beside(train, 'quay-lamps', circuit.id, 'cell');
    // A cell and its switch more than a bus.
    expect(cost(cell)).toBeGreaterThan(cost(bus));
  });
});
