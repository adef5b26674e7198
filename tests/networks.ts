import fc from 'fast-check';
import { emptyLayout } from '../core/document/empty-layout';
import { usualSupply } from '../core/document/usual-supply';
import { feedWireNames } from '../core/part/feed-wire';
import { change } from '../core/document/patch';
import type { Layout } from '../core/document/layout';
import type { NodePart, RunPart, RunRecord } from '../core/document/network-record';
import type { Draft } from 'immer';

/** A layout with a bus supply of so many volts and amperes, and nothing else. */
export const withBus = (volts: number, limitAmps: number): Layout =>
  change(emptyLayout('Saltmarsh Halt'), (draft) => {
    draft.supplies.bus = {
      ...usualSupply('layout-bus', 'H0', 1),
      kind: 'layout-bus',
      name: 'Lighting bus',
      volts,
      highestVolts: volts,
      limitAmps,
    } as never;
  }).layout;

export function addPlace(draft: Draft<Layout>, id: string, x: number, y: number, is: NodePart): void {
  draft.network.nodes[id] = {
    order: 1 + Object.keys(draft.network.nodes).length,
    name: id,
    xMillimetres: x,
    yMillimetres: y,
    is,
  };
}
export function addRun(
  draft: Draft<Layout>,
  from: string,
  to: string,
  of: Partial<RunRecord> & { readonly parts?: RunPart[] } = {},
): string {
  const id = `run-${1 + Object.keys(draft.network.runs).length}`;
  draft.network.runs[id] = {
    order: 1 + Object.keys(draft.network.runs).length,
    label: `Run ${from} to ${to}`,
    from,
    to,
    fromOutput: false,
    wire: '16-0.2',
    millimetres: null,
    plus: 'red',
    minus: 'black',
    bundled: false,
    ...of,
    parts: of.parts ?? [],
  };
  return id;
}

/** Lamps at once, each with its resistor. */
export const lampsOf = (count: number, ohms = 470): NodePart => ({
  kind: 'lamps',
  count,
  part: 'white-warm',
  ohms,
});

/** A bus with taps: so many, each with lamps on a dropper. */
export function busOf(taps: number, pitch = 250): Layout {
  return change(withBus(12, 20), (draft) => {
    addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
    let before = 'supply';
    for (let k = 1; k <= taps; k++) {
      addPlace(draft, `tap-${k}`, k * pitch, 0, { kind: 'tap' });
      addPlace(draft, `lamps-${k}`, k * pitch, 100, lampsOf(1));
      addRun(draft, before, `tap-${k}`, { wire: '50-0.25', millimetres: pitch });
      addRun(draft, `tap-${k}`, `lamps-${k}`, { wire: '7-0.2' });
      before = `tap-${k}`;
    }
  }).layout;
}

const runFigures = fc.record({
  wire: fc.constantFrom(...feedWireNames),
  millimetres: fc.integer({ min: 200, max: 6000 }),
  bundled: fc.boolean(),
});
const load: fc.Arbitrary<NodePart> = fc.oneof(
  fc.record({
    kind: fc.constant('lamps' as const),
    count: fc.integer({ min: 1, max: 12 }),
    part: fc.constantFrom('white-warm', 'red', 'strip-warm'),
    ohms: fc.constantFrom(330, 470, 1000),
  }),
  fc.record({
    kind: fc.constant('typed' as const),
    volts: fc.constant(12),
    amps: fc.constantFrom(0.02, 0.1, 0.25),
    behaves: fc.constantFrom('resistor' as const, 'current' as const, 'power' as const),
  }),
);

/** Tails, rings and stars, some behind a converter, some with fuses and plugs. */
export const generatedNetwork: fc.Arbitrary<Layout> = fc
  .record({
    volts: fc.constantFrom(12, 16, 24),
    loads: fc.array(fc.record({ is: load, run: runFigures, at: fc.nat() }), { minLength: 1, maxLength: 14 }),
    trunk: fc.array(runFigures, { minLength: 1, maxLength: 6 }),
    ring: fc.boolean(),
    fuse: fc.option(fc.constantFrom(0.5, 1, 2, 5)),
    plug: fc.option(fc.constantFrom(0.01, 0.05)),
    converter: fc.option(
      fc.record({ outVolts: fc.constantFrom(5, 9), at: fc.nat(), count: fc.integer({ min: 1, max: 5 }) }),
    ),
  })
  .map(
    ({ volts, loads, trunk, ring, fuse, plug, converter }) =>
      change(withBus(volts, 5), (draft) => {
        addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
        const stations = trunk.map((of, k) => {
          const id = `station-${k + 1}`;
          addPlace(
            draft,
            id,
            500 * (k + 1),
            0,
            k === 1 ? { kind: 'strip', ways: 6, ratedAmps: 8, contactOhms: 0.004 } : { kind: 'tap' },
          );
          const parts: RunPart[] = [];
          if (k === 0 && fuse !== null) parts.push({ kind: 'fuse', amps: fuse, speed: 'quick' });
          if (k > 0 && plug !== null) parts.push({ kind: 'plug', ratedAmps: 3, contactOhms: plug });
          addRun(draft, k === 0 ? 'supply' : `station-${k}`, id, { ...of, parts });
          return id;
        });
        if (ring && stations.length > 1)
          addRun(draft, 'supply', stations[stations.length - 1], { wire: '24-0.2', millimetres: 3000 });
        loads.forEach(({ is, run, at }, k) => {
          addPlace(draft, `load-${k + 1}`, 200 * k, 200, is);
          addRun(draft, stations[at % stations.length], `load-${k + 1}`, run);
        });
        if (converter) {
          addPlace(draft, 'converter', 900, 300, {
            kind: 'converter',
            outVolts: converter.outVolts,
            efficiency: 0.9,
            limitAmps: 3,
            headroomVolts: 1.5,
          });
          addRun(draft, stations[converter.at % stations.length], 'converter', { millimetres: 800 });
          for (let k = 1; k <= converter.count; k++) {
            addPlace(draft, `behind-${k}`, 900 + 100 * k, 400, {
              kind: 'lamps',
              count: k,
              part: 'white-warm',
              ohms: 150,
            });
            addRun(draft, 'converter', `behind-${k}`, {
              fromOutput: true,
              millimetres: 300 * k,
              wire: '7-0.2',
            });
          }
        }
      }).layout,
  );
