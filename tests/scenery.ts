import fc from 'fast-check';
import { emptyLayout } from '../core/document/empty-layout';
import { stageOf } from '../core/document/line-stages';
import { change } from '../core/document/patch';
import { hookUps, type HookUpName } from '../core/document/scenery-record';
import { usualSupply } from '../core/document/usual-supply';
import { buildingIn } from '../core/kinds/building/jobs';
import { newBuilding } from '../core/kinds/building/make';
import { curtains, shells, type CurtainName, type ShellName } from '../core/kinds/building/shell';
import { canopyIn } from '../core/kinds/canopy/jobs';
import { newCanopy } from '../core/kinds/canopy/make';
import { lampsIn } from '../core/kinds/lamp/jobs';
import { newLamps } from '../core/kinds/lamp/make';
import { fittingSorts, type FittingSortName } from '../core/part/lamp-fitting';
import { mastStock, type MastName } from '../core/part/lamp-kit';
import { plugPitches } from '../core/part/small-plug';
import type { Layout } from '../core/document/layout';

/** Ids of the jobs that are meant in the layouts made here. */
export const sceneryId = { lamp: 'lamps', canopy: 'canopy', building: 'building' } as const;

/** A quay with everything scenery is fed from. */
export function quayside(): Layout {
  return change(emptyLayout('Brackwater quayside'), (draft) => {
    const bus = (volts: number, order: number): void => {
      draft.supplies[`bus-${volts}`] = {
        ...usualSupply('layout-bus', 'H0', order),
        volts,
        highestVolts: volts * 1.05,
      } as never;
    };
    [5, 12, 16, 24].forEach((volts, i) => bus(volts, i + 1));
    draft.supplies.controller = usualSupply('lamp-controller', 'H0', 5);
    draft.supplies.accessory = usualSupply('accessory-output', 'H0', 6);
    draft.supplies.ac = usualSupply('ac-track', 'H0', 7);
    draft.supplies.dcc = usualSupply('dcc-track', 'H0', 8);
    draft.supplies.pack = { ...usualSupply('cell', 'H0', 9), cell: 'aa', inSeries: 3 } as never;
  }).layout;
}

export const quaySupplies = [
  'bus-5',
  'bus-12',
  'bus-16',
  'bus-24',
  'controller',
  'accessory',
  'ac',
  'dcc',
  'pack',
] as const;
const hookUpNames = Object.keys(hookUps) as HookUpName[];

/** What every piece of scenery may have wrong: how it is joined, limited, turned, plugged. */
export const mischief = fc.record({
  supply: fc.constantFrom(...quaySupplies),
  hookUp: fc.constantFrom(...hookUpNames),
  part: fc.constantFrom('white-warm', 'red', 'yellow', 'white-round', 'strip-warm', 'bulb-12v'),
  limit: fc.constantFrom('each' as const, 'shared' as const, 'none' as const, null, null, null),
  ohms: fc.option(fc.constantFrom(100, 330, 1000, 4700)),
  reversed: fc.boolean(),
  turn: fc.double({ min: 0, max: 1, noNaN: true }),
  leadPitch: fc.option(fc.constantFrom(...plugPitches)),
});
type Mischief = typeof mischief extends fc.Arbitrary<infer M> ? M : never;

/** Does to a job what was drawn. */
export function spoil(layout: Layout, jobId: string, m: Mischief): Layout {
  return change(layout, (draft) => {
    const job = draft.jobs[jobId] as unknown as ReturnType<typeof lampsIn<Layout['jobs'][string]>>;
    for (const circuit of Object.values(job.circuits)) {
      if (m.limit !== null) circuit.limit = m.limit;
      if (m.ohms !== null) circuit.ohms = m.ohms;
    }
    for (const line of Object.values(job.lines)) {
      const socket = stageOf(line, 'socket');
      if (socket) socket.turn = Number(m.turn.toFixed(2));
    }
    const first = Object.values(job.lamps)[0];
    if (m.reversed && first) first.reversed = true;
    job.plug.leadPitch = m.leadPitch;
  }).layout;
}

/** Rows of lamps of every sort, of any size, joined in every way to everything, some of them badly. */
export const generatedLamps: fc.Arbitrary<Layout> = fc
  .record({
    sort: fc.constantFrom(...(Object.keys(fittingSorts) as FittingSortName[])),
    lamps: fc.integer({ min: 1, max: 6 }),
    mast: fc.constantFrom(...(Object.keys(mastStock) as MastName[])),
    larger: fc.constantFrom(0.4, 1, 1, 2.4),
    m: mischief,
  })
  .map(({ sort, lamps, mast, larger, m }) => {
    const { layout, jobId } = newLamps(quayside(), {
      sort,
      name: 'Generated',
      lamps,
      part: m.part,
      supply: { id: m.supply },
      hookUp: m.hookUp,
    });
    return spoil(
      change(layout, (draft) => {
        const job = lampsIn(draft, jobId);
        job.kit.mast = mast;
        job.fitting.headMillimetres *= larger;
      }).layout,
      jobId,
      m,
    );
  });

/** Canopies of one side and of two, twisted or not, on everything. */
export const generatedCanopies: fc.Arbitrary<Layout> = fc
  .record({
    near: fc.integer({ min: 1, max: 6 }),
    far: fc.integer({ min: 0, max: 6 }),
    twisted: fc.boolean(),
    backsPainted: fc.boolean(),
    bright: fc.boolean(),
    m: mischief,
  })
  .map(({ near, far, twisted, backsPainted, bright, m }) => {
    const { layout, jobId } = newCanopy(quayside(), {
      name: 'Generated',
      lengthMillimetres: 300,
      near,
      far,
      part: m.part,
      supply: { id: m.supply },
      hookUp: m.hookUp,
    });
    return spoil(
      change(layout, (draft) => {
        const job = canopyIn(draft, jobId);
        Object.assign(job.roof, { twisted, backsPainted });
        if (bright) for (const c of Object.values(job.circuits)) c.ohms /= 5;
      }).layout,
      jobId,
      m,
    );
  });

/** Buildings of up to five rooms, some dark, some open, some leaking, on everything. */
export const generatedBuildings: fc.Arbitrary<Layout> = fc
  .record({
    rooms: fc.integer({ min: 1, max: 5 }),
    shell: fc.constantFrom(...(Object.keys(shells) as ShellName[])),
    curtain: fc.constantFrom(...(Object.keys(curtains) as CurtainName[])),
    blackened: fc.boolean(),
    closedOff: fc.boolean(),
    leftDark: fc.boolean(),
    low: fc.boolean(),
    gap: fc.constantFrom(0, 0, 0.5),
    bright: fc.constantFrom(1, 1, 8),
    m: mischief,
  })
  .map(({ rooms, shell, curtain, blackened, closedOff, leftDark, low, gap, bright, m }) => {
    const { layout, jobId } = newBuilding(quayside(), {
      name: 'Generated',
      lengthMillimetres: 150,
      rooms,
      shell,
      part: m.part,
      supply: { id: m.supply },
      hookUp: m.hookUp,
    });
    return spoil(
      change(layout, (draft) => {
        const job = buildingIn(draft, jobId);
        Object.assign(job.body, { blackened, baseGapMillimetres: gap });
        Object.assign(job.rooms['room-1'], { curtain, closedOff, leftDark });
        if (low) job.lamps['lamp-1'].heightMillimetres = 4;
        const first = Object.values(job.circuits)[0];
        first.ohms /= bright;
      }).layout,
      jobId,
      m,
    );
  });
