import { coachIn } from '../kinds/coach/jobs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { laddersOf } from '../../app/drawings/circuit/ladder';
import { demo, demoJob, generatedLayout } from '../../tests/generated';
import { change } from '../document/patch';
import { looseTerminals, terminalKey, terminalsOf } from './assembly';
import { assemble } from './assemble';
import { withFault } from './fault';
import { lower } from './lower';

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
    const room = { width: 1200, height: 360 };
    const columns = laddersOf(assemble(layout, demoJob), room).flatMap((l) => l.columns);
    expect(columns.map((c) => c.parts.filter((p) => p.part.kind === 'lamp').length)).toEqual([3, 3, 1]);
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
