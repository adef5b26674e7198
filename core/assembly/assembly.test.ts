import { coachIn } from '../kinds/coach/jobs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { drawCircuit, drawnConnections } from '../../app/drawings/circuit/geometry';
import { demo, demoJob, generatedLayout } from '../../tests/generated';
import { change } from '../document/patch';
import { looseTerminals, netsOf, terminalKey, terminalsOf, type Assembly } from './assembly';
import { assemble } from './assemble';
import { withFault } from './fault';
import { lower } from './lower';

/** Whether two ways of grouping the same terminals say the same. */
function sameGroups(a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): string | null {
  const keys = [...a.keys()].filter((k) => b.has(k));
  for (const x of keys) {
    for (const y of keys) {
      if ((a.get(x) === a.get(y)) !== (b.get(x) === b.get(y))) return `${x} and ${y}`;
    }
  }
  return null;
}

const drawingAgrees = (assembly: Assembly, layout = demo()): void => {
  const drawing = drawnConnections(drawCircuit(assembly));
  const { nodeOf } = lower(assembly, layout.supplies.track);
  // What hangs on nothing yet is drawn, and is no part of the circuit.
  const wired = new Set(assembly.leads.flatMap(({ from, to }) => [terminalKey(from), terminalKey(to)]));
  const drawn = [...drawing.keys()].filter((key) => wired.has(key) || nodeOf.has(key));
  expect(drawn.sort()).toEqual([...nodeOf.keys()].sort());
  expect(sameGroups(drawing, nodeOf)).toBeNull();
};

describe('the circuit drawing connects what the netlist connects', () => {
  test('for the demo', () => drawingAgrees(assemble(demo(), demoJob)));
  test('for 100 generated jobs', () => {
    fc.assert(
      fc.property(generatedLayout, (layout) => drawingAgrees(assemble(layout, demoJob), layout)),
      { numRuns: 100 },
    );
  });
  test('and the check can fail: a lead left out shows', () => {
    const whole = assemble(demo(), demoJob);
    const cut = withFault(whole, { kind: 'open', lead: whole.leads[3].id });
    expect(sameGroups(drawnConnections(drawCircuit(cut)), netsOf(whole))).not.toBeNull();
  });
  test('no two parts lie on one another', () => {
    const { symbols, width } = drawCircuit(assemble(demo(), demoJob));
    const places = symbols.flatMap((s) => Object.values(s.at).map((p) => `${p.x},${p.y}`));
    expect(new Set(places).size).toBe(places.length);
    for (const s of symbols) for (const p of Object.values(s.at)) expect(p.x).toBeLessThan(width);
  });
});

describe('the assembly', () => {
  test('every lead ends on a terminal that is there, and every sound job has no loose end', () => {
    fc.assert(
      fc.property(generatedLayout, (layout) => {
        const assembly = assemble(layout, demoJob);
        const known = new Set(
          assembly.parts.flatMap((p) =>
            terminalsOf[p.kind].map((terminal) => terminalKey({ part: p.id, terminal })),
          ),
        );
        for (const l of assembly.leads)
          for (const t of [l.from, l.to]) expect(known).toContain(terminalKey(t));
        const unjoined = Object.values(coachIn(layout, demoJob).lamps).filter(
          (l) => l.circuitId === null,
        ).length;
        const joined = Object.keys(coachIn(layout, demoJob).lamps).length - unjoined;
        if (joined > 0) expect(looseTerminals(assembly)).toHaveLength(2 * unjoined);
      }),
      { numRuns: 100 },
    );
  });
  test('every element knows its part and, through it, a path in the document', () => {
    const layout = demo();
    const { netlist } = lower(assemble(layout, demoJob), layout.supplies.track);
    for (const e of netlist.elements) {
      let at: unknown = layout;
      for (const step of e.of!.path!) at = (at as Record<string, unknown>)[step];
      expect(at).toBeDefined();
    }
  });
  test('a job that is not there is refused by name', () => {
    expect(() => assemble(demo(), 'ghost')).toThrow(/no job ghost/);
  });
});

describe('strings, limiters and the rest are drawn and solved from one truth', () => {
  test('a string is one column, each lamp under the one before it', () => {
    const layout = change(demo(), (draft) => {
      coachIn(draft, demoJob).circuits.roof.inSeries = 3;
    }).layout;
    const { symbols } = drawCircuit(assemble(layout, demoJob));
    const xs = symbols.filter((s) => s.part.kind === 'lamp').map((s) => s.at.anode.x);
    expect(new Set(xs).size).toBe(3);
    drawingAgrees(assemble(layout, demoJob), layout);
  });
});

describe('faults are edits of the assembly', () => {
  const whole = assemble(demo(), demoJob);
  const layout = demo();
  test('reversed twice is as before', () => {
    const once = withFault(whole, { kind: 'reversed', part: 'reservoir-roof' });
    expect(once).not.toEqual(whole);
    expect(withFault(once, { kind: 'reversed', part: 'reservoir-roof' })).toEqual(whole);
  });
  test('a cold joint puts its resistance between two nets', () => {
    const lead = whole.leads.find((l) => l.to.part === 'charge-roof')!;
    const { netlist } = lower(
      withFault(whole, { kind: 'cold-joint', lead: lead.id, ohms: 50 }),
      layout.supplies.track,
    );
    expect(netlist.elements.filter((e) => e.kind === 'resistor' && e.ohms === 50)).toHaveLength(1);
  });
  test('what an open lead cuts off from the supply is left out, not guessed', () => {
    const lonely = whole.leads
      .filter(
        (l) =>
          [l.from.part, l.to.part].includes('lamp-lamp-7') ||
          [l.from.part, l.to.part].includes('resistor-lamp-7'),
      )
      .reduce((a, l) => withFault(a, { kind: 'open', lead: l.id }), whole);
    expect(lower(lonely, layout.supplies.track).leftOut).toEqual(['resistor-lamp-7', 'lamp-lamp-7']);
  });
  test('a wrong value is the value in the netlist', () => {
    const { netlist } = lower(
      withFault(whole, { kind: 'wrong-value', part: 'charge-roof', ohms: 10 }),
      layout.supplies.track,
    );
    expect(netlist.elements.find((e) => e.id === 'r_charge_roof')).toMatchObject({ ohms: 10 });
  });
});
