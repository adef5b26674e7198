import { lampTypes } from '../document/lamp-type';
import { hookUps, type HookUpName } from '../document/scenery-record';
import { presets, type PresetName } from '../document/presets';
import { wantedWords } from '../light/wanted';
import { addressableStrings, type AddressableName } from '../part/addressable';
import { decoderTypes } from '../part/decoder-type';
import { fittingSorts, type FittingSortName } from '../part/lamp-fitting';
import { plugs } from '../part/plug';
import { usbFigures, type SupplyWish } from '../study/begin-scenery';
import { supplyKinds, type SupplyKindName } from '../supply';
import { scales } from '../quantity/scale';
import { driverKinds } from '../supply/drivers';
import { newBuilding } from './building/make';
import { shells, type ShellName } from './building/shell';
import { newCanopy } from './canopy/make';
import { coachSorts, newCoach, usualLength, type CoachSort } from './coach/make';
import { newCrossing } from './crossing/make';
import { displaySorts, newDisplayModel } from './display-model/make';
import { newLamps } from './lamp/make';
import { setsOf } from './locomotive/lamp-sets';
import { newLocomotive, usualVehicleLength, vehicleSorts, type VehicleSort } from './locomotive/make';
import { newScene } from './scene/make';
import { shapes } from './scene/shapes';
import { newSignal } from './signal/make';
import { practices, type PracticeName } from './signal/practices';
import type { DisplayShape } from './display-model/record';
import type { DriverRecord } from '../document/driver-record';
import type { SceneShape } from './scene/record';
import type { Change } from '../document/patch';
import type { Layout } from '../document/layout';
import type { JobKindName } from './records';

/** What was chosen, by the id of the choice. */
export type Chosen = Readonly<Record<string, string>>;

/** One question a job is begun with, and what may be answered. */
export interface FreshChoice {
  readonly id: string;
  readonly name: string;
  /** What may be chosen; of a figure some that are usual, from the least to the most. */
  readonly values: (layout: Layout) => readonly { readonly id: string; readonly name: string }[];
  /** It is a figure: anything from the least of its values to the greatest. */
  readonly isFigure?: boolean;
  /** What stands where nothing is said; null for the one that follows from the others. */
  readonly usual: string | null;
}

/** A supply a job may be begun on. */
export interface FreshSupply {
  readonly id: string;
  readonly name: string;
  readonly wish: { readonly kind: SupplyKindName; readonly figures?: object };
}

/** How a kind of job is begun: what may feed it, what is asked, and the job that comes of it. */
export interface Fresh {
  readonly supplies: readonly FreshSupply[];
  readonly choices: readonly FreshChoice[];
  /** @throws RangeError for what cannot be had */
  make(
    layout: Layout,
    of: { readonly name: string; readonly supply: SupplyWish; readonly chosen: Chosen },
  ): Change & { readonly jobId: string };
}

const plain = (kind: SupplyKindName): FreshSupply => ({
  id: kind,
  name: supplyKinds[kind].name,
  wish: { kind },
});
const bus = (volts: number): FreshSupply => ({
  id: `bus-${volts}`,
  name: `Bus ${volts} V`,
  wish: {
    kind: 'layout-bus',
    figures: { name: `Lighting bus ${volts} V`, volts, highestVolts: Number((volts * 1.05).toFixed(1)) },
  },
});
const usb: FreshSupply = { id: 'usb', name: 'USB', wish: { kind: 'layout-bus', figures: usbFigures } };
const pack: FreshSupply = {
  id: 'pack',
  name: 'Battery pack, three AA',
  wish: { kind: 'cell', figures: { name: 'Battery pack', cell: 'aa', inSeries: 3, spent: 0 } },
};
const variants = [bus(12), bus(16), bus(24), usb, pack];
const scenerySupplies = [
  ...variants,
  ...(['lamp-controller', 'accessory-output', 'ac-track', 'dcc-track', 'dc-track'] as const).map(plain),
];
const drivenSupplies = [...variants, ...(['dcc-track', 'ac-track', 'lamp-controller'] as const).map(plain)];

const named = (of: object): { id: string; name: string }[] =>
  Object.entries(of as Record<string, { readonly name: string }>).map(([id, { name }]) => ({ id, name }));
const figures = (...of: number[]) => of.map((n) => ({ id: String(n), name: String(n) }));
const yesNo = [
  { id: 'no', name: 'no' },
  { id: 'yes', name: 'yes' },
];
const fixed = (
  id: string,
  name: string,
  values: readonly { id: string; name: string }[],
  usual: string | null,
): FreshChoice => ({
  id,
  name,
  values: () => values,
  usual,
});
const counted = (id: string, name: string, usual: string | null, ...of: number[]): FreshChoice => ({
  id,
  name,
  values: () => figures(...of),
  isFigure: true,
  usual,
});
/** Lengths of the prototype, in metres, in the scale of the layout. */
const lengthChoice = (...metres: number[]): FreshChoice => ({
  id: 'length',
  name: 'Length of the body, mm',
  values: ({ scale }) => figures(...metres.map((m) => Math.round((1000 * m) / scales[scale]))),
  isFigure: true,
  usual: null,
});
const lampChoice = (usual: string | null): FreshChoice => ({
  id: 'part',
  name: 'LED type',
  values: (layout) => lampTypes(layout).map((l) => ({ id: l.id, name: l.name })),
  usual,
});
const hookUpChoice = fixed('wiring', 'How it is joined', named(hookUps), null);
const driverChoice = (usual: string): FreshChoice =>
  fixed('driver', 'What switches it', named(driverKinds), usual);
const commonChoice = fixed(
  'common',
  'Common of the lamps',
  [
    { id: 'anode', name: 'common plus' },
    { id: 'cathode', name: 'common minus' },
  ],
  'anode',
);
/** The lamp a sort of fitting commonly has. */
const usualPart = (sort: FittingSortName): string => (sort === 'buffer-stop' ? 'red' : 'white-warm');
const kindOfSupply = (layout: Layout, wish: SupplyWish): SupplyKindName =>
  'id' in wish ? layout.supplies[wish.id].kind : wish.kind;
const hookUpOn = (layout: Layout, supply: SupplyWish, wiring: string, usual: HookUpName): HookUpName =>
  (wiring || (kindOfSupply(layout, supply) === 'accessory-output' ? 'output' : usual)) as HookUpName;

/** The decoder that comes with each sort of plug. */
const plugOf: Readonly<Record<string, string>> = {
  '8-pin': 'usual',
  '6-pin': 'small',
  '21-pin': 'many',
  wires: 'usual',
};
/** Ways of wiring that are offered on the rails. */
const railWirings: readonly PresetName[] = ['shared-both-ways', 'resistor-each', 'regulated-board'];

/** How each kind of job is begun. A new kind is an entry here. */
export const freshKinds: Readonly<Record<JobKindName, Fresh>> = {
  coach: {
    supplies: (['dcc-track', 'dc-track', 'ac-track', 'layout-bus', 'cell'] as const).map(plain),
    choices: [
      fixed(
        'sort',
        'Sort',
        coachSorts.map(({ id, name }) => ({ id, name })),
        'open',
      ),
      counted('wanted', 'Illuminance, lux', '110', ...wantedWords.map((w) => w.lux)),
      lengthChoice(9, 19, 26),
    ],
    make: (layout, { name, supply, chosen }) =>
      newCoach(layout, {
        sort: chosen.sort as CoachSort,
        name,
        lengthMillimetres: Number(chosen.length || usualLength(chosen.sort as CoachSort, layout)),
        wantedLux: Number(chosen.wanted),
        supply,
      }),
  },
  locomotive: {
    supplies: (['dc-track', 'dcc-track', 'ac-track'] as const).map(plain),
    choices: [
      fixed(
        'sort',
        'Sort',
        vehicleSorts.map(({ id, name }) => ({ id, name })),
        'shunter',
      ),
      {
        id: 'set',
        name: 'Lamps at each end',
        values: (layout) => setsOf(layout).map(({ id, name }) => ({ id, name })),
        usual: null,
      },
      fixed(
        'decoder',
        'Decoder',
        [
          { id: 'none', name: 'none: by direction' },
          ...Object.entries(plugOf).map(([plug, type]) => ({
            id: plug,
            name: `${plugs[plug].name}, ${decoderTypes[type].name.toLowerCase()}`,
          })),
        ],
        null,
      ),
      fixed(
        'wiring',
        'How it is wired on the rails',
        railWirings.map((id) => ({ id, name: presets.find((p) => p.id === id)!.name })),
        'shared-both-ways',
      ),
      lengthChoice(9, 17, 24),
    ],
    make: (layout, { name, supply, chosen }) => {
      const sort = chosen.sort as VehicleSort;
      const usual = kindOfSupply(layout, supply) === 'dc-track' ? 'none' : '8-pin';
      const decoder = chosen.decoder || usual;
      return newLocomotive(layout, {
        sort,
        name,
        lengthMillimetres: Number(chosen.length || usualVehicleLength(sort, layout.scale)),
        set: chosen.set || vehicleSorts.find((s) => s.id === sort)!.set,
        supply,
        topology: chosen.wiring as PresetName,
        decoder: decoder === 'none' ? null : { type: plugOf[decoder], plug: decoder },
      });
    },
  },
  'display-model': {
    supplies: [
      { id: 'cell', name: 'Cells in the stand', wish: { kind: 'cell' } },
      { id: 'usb', name: 'USB', wish: { kind: 'layout-bus' } },
    ],
    choices: [
      fixed(
        'sort',
        'Sort',
        displaySorts.map(({ id, name }) => ({ id, name })),
        'ship',
      ),
      lampChoice('white-warm'),
      counted('lamps', 'Lamps', '2', 1, 2, 5, 13),
      counted('length', 'Length, mm', null, 80, 300, 900),
    ],
    make: (layout, { name, supply, chosen }) =>
      newDisplayModel(layout, {
        shape: chosen.sort as DisplayShape,
        name,
        lengthMillimetres: Number(
          chosen.length || displaySorts.find((s) => s.id === chosen.sort)!.millimetres,
        ),
        part: chosen.part,
        lamps: Number(chosen.lamps),
        supply,
      }),
  },
  lamp: {
    supplies: scenerySupplies,
    choices: [
      fixed('sort', 'Sort', named(fittingSorts), 'mast'),
      counted('lamps', 'Lamps', null, 1, 6, 13),
      lampChoice(null),
      hookUpChoice,
    ],
    make: (layout, { name, supply, chosen }) => {
      const sort = chosen.sort as FittingSortName;
      return newLamps(layout, {
        sort,
        name,
        lamps: Number(chosen.lamps || (fittingSorts[sort].toBeSeen ? 1 : 6)),
        part: chosen.part || usualPart(sort),
        supply,
        hookUp: hookUpOn(layout, supply, chosen.wiring, 'rail'),
      });
    },
  },
  canopy: {
    supplies: scenerySupplies,
    choices: [
      fixed(
        'sides',
        'Lit from',
        [
          { id: 'both', name: 'both sides' },
          { id: 'one', name: 'one side' },
        ],
        'both',
      ),
      counted('lamps', 'Lamps on a side', '8', 1, 8, 13),
      lampChoice('white-warm'),
      counted('length', 'Length of the roof, mm', '400', 120, 400, 1200),
    ],
    make: (layout, { name, supply, chosen }) =>
      newCanopy(layout, {
        name,
        lengthMillimetres: Number(chosen.length),
        near: Number(chosen.lamps),
        far: chosen.sides === 'both' ? Number(chosen.lamps) : 0,
        part: chosen.part,
        supply,
        hookUp: hookUpOn(layout, supply, '', 'strip'),
      }),
  },
  building: {
    supplies: scenerySupplies,
    choices: [
      counted('rooms', 'Rooms to light', '3', 1, 3, 13),
      fixed('walls', 'Walls', named(shells), 'thin-plastic'),
      lampChoice('white-warm'),
      hookUpChoice,
      counted('length', 'Length, mm', '140', 60, 140, 400),
    ],
    make: (layout, { name, supply, chosen }) =>
      newBuilding(layout, {
        name,
        lengthMillimetres: Number(chosen.length),
        rooms: Number(chosen.rooms),
        shell: chosen.walls as ShellName,
        part: chosen.part,
        supply,
        hookUp: hookUpOn(layout, supply, chosen.wiring, 'hub'),
      }),
  },
  signal: {
    supplies: drivenSupplies,
    choices: [
      fixed('practice', 'Practice', named(practices), 'two-aspect'),
      driverChoice('contacts'),
      commonChoice,
    ],
    make: (layout, { name, supply, chosen }) =>
      newSignal(layout, {
        practice: chosen.practice as PracticeName,
        name,
        supply,
        driver: chosen.driver as DriverRecord['kind'],
        common: chosen.common as 'anode' | 'cathode',
      }),
  },
  crossing: {
    supplies: drivenSupplies,
    choices: [
      counted('posts', 'Posts, two lamps each', '1', 1, 2, 4),
      fixed('barriers', 'Barriers', yesNo, 'no'),
      fixed('bell', 'Tell-tale for the bell', yesNo, 'no'),
      driverChoice('alternating'),
      commonChoice,
    ],
    make: (layout, { name, supply, chosen }) =>
      newCrossing(layout, {
        name,
        posts: Number(chosen.posts),
        barriers: chosen.barriers === 'yes',
        bell: chosen.bell === 'yes',
        part: 'red',
        supply,
        driver: chosen.driver as DriverRecord['kind'],
        common: chosen.common as 'anode' | 'cathode',
      }),
  },
  scene: {
    supplies: drivenSupplies,
    choices: [
      fixed('shape', 'Sort', named(shapes), 'ride'),
      fixed(
        'string',
        'Addressable string',
        [{ id: 'none', name: 'none' }, ...named(addressableStrings)],
        'none',
      ),
      counted('count', 'Lamps on the string', '24', 8, 24, 60),
      fixed(
        'motor',
        'Motor on the same supply, V',
        [{ id: 'none', name: 'none' }, ...figures(3, 6, 12)],
        'none',
      ),
    ],
    make: (layout, { name, supply, chosen }) =>
      newScene(layout, {
        name,
        shape: chosen.shape as SceneShape,
        string:
          chosen.string === 'none'
            ? null
            : { sort: chosen.string as AddressableName, count: Number(chosen.count) },
        motorVolts: chosen.motor === 'none' ? null : Number(chosen.motor),
        supply,
      }),
  },
};

/** The choices of a kind where nothing is said; what follows from others is empty. */
export const usualChosen = ({ choices }: Fresh): Chosen =>
  Object.fromEntries(choices.map((c) => [c.id, c.usual ?? '']));

/** A job begun with what was chosen, the rest as usual. */
export const freshJob = (
  layout: Layout,
  kind: JobKindName,
  supply: SupplyWish,
  chosen: Chosen = {},
  name = 'Fresh',
): Change & { readonly jobId: string } => {
  const fresh = freshKinds[kind];
  return fresh.make(layout, { name, supply, chosen: { ...usualChosen(fresh), ...chosen } });
};
