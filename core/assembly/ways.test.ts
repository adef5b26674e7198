import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { drawnConnections } from '../../app/drawings/circuit/connections';
import { laddersOf } from '../../app/drawings/circuit/ladder';
import { demo, demoJob } from '../../tests/generated';
import { change } from '../document/patch';
import { rectifierNames } from '../document/rectifier-names';
import { usualSupply } from '../document/usual-supply';
import { supplyKinds, type SupplyKindName } from '../supply';
import { schools } from '../kinds/coach/schools';
import { looseTerminals, netsOf, terminalsOf } from './assembly';
import { assemble } from './assemble';
import { lower } from './lower';
import { coachIn } from '../kinds/coach/jobs';
import type { Layout } from '../document/layout';

const kinds = Object.keys(supplyKinds) as SupplyKindName[];
const laid = (kind: SupplyKindName, recipe: Parameters<typeof change>[1]): Layout =>
  change(demo(), (draft) => {
    draft.supplies.track = usualSupply(kind, 'H0', 1) as Layout['supplies'][string];
    recipe(draft);
  }).layout;

/** Whether drawing, leads and netlist connect the same terminals. */
function connectsAlike(layout: Layout): void {
  const assembly = assemble(layout, demoJob);
  const drawn = drawnConnections(laddersOf(assembly, { width: 640, height: 360 }));
  const nets = netsOf(assembly);
  const { nodeOf } = lower(assembly, layout.supplies.track);
  const keys = [...nets.keys()];
  for (const a of keys) {
    for (const b of keys) {
      const joined = nets.get(a) === nets.get(b);
      expect(drawn.get(a) === drawn.get(b), `drawn: ${a} and ${b}`).toBe(joined);
      expect(nodeOf.get(a) === nodeOf.get(b), `solved: ${a} and ${b}`).toBe(joined);
    }
  }
  expect(looseTerminals(assembly)).toEqual([]);
}

describe('drawn, laid and solved connect alike', () => {
  test.each(kinds.flatMap((k) => schools.map((s) => [k, s.id] as const)))('%s, %s', (kind, id) => {
    const school = schools.find((s) => s.id === id)!;
    connectsAlike(laid(kind, (draft) => school.lay(coachIn(draft, demoJob), demo())));
  });
  test.each(rectifierNames.flatMap((r) => [false, true].map((d) => [r, d] as const)))(
    'rectifier %s, diode round the charge resistor: %s',
    (rectifier, chargeDiode) => {
      connectsAlike(
        laid('ac-track', (draft) => {
          condition(coachIn(draft, demoJob), { rectifier, chargeDiode });
        }),
      );
    },
  );
});

describe('the legend is kept all the way', () => {
  test('every lead has the colour its role has in the job’s legend', () => {
    const layout = laid('dcc-track', (draft) => {
      Object.assign(coachIn(draft, demoJob).legend, {
        right: 'green',
        left: 'white',
        plus: 'orange',
        minus: 'violet',
        lamp: 'grey',
      });
    });
    const { legend } = coachIn(layout, demoJob);
    const { leads } = assemble(layout, demoJob);
    for (const lead of leads) expect(lead.colour).toBe(legend[lead.role]);
    const fromRails = leads.filter((l) => l.from.part === 'rails');
    expect(fromRails.map((l) => [l.from.terminal, l.role])).toEqual([
      ['right', 'right'],
      ['left', 'left'],
    ]);
  });
  test('fairy lamps hang on lacquered wire', () => {
    const { leads } = assemble(demo(), 'heritage-coach');
    const lampLeads = leads.filter((l) => l.to.part.startsWith('lamp-'));
    expect(new Set(lampLeads.map((l) => l.colour))).toEqual(new Set(['lacquered']));
  });
  test('a cell has its switch in the plus line', () => {
    const { parts } = assemble(demo(), 'heritage-coach');
    expect(parts.map((p) => p.kind).slice(0, 2)).toEqual(['rails', 'switch']);
    expect(terminalsOf.switch).toEqual(['one', 'two']);
  });
});
