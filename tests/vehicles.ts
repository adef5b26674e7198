import { putStage, putSwitch } from '../core/document/line-stages';
import { wireBy } from '../core/document/presets';
import fc from 'fast-check';
import { change } from '../core/document/patch';
import { locomotiveIn } from '../core/kinds/locomotive/jobs';
import { usualSupply } from '../core/document/usual-supply';
import { newLocomotive, vehicleSorts } from '../core/kinds/locomotive/make';
import { lampSets } from '../core/kinds/locomotive/lamp-sets';
import { emptyLayout } from '../core/document/empty-layout';
import { usualRule } from '../core/supply/drivers/function-map';
import { ownFrom, type OwnDecoderRecord } from '../core/document/decoder-record';
import { decoderTypes, type OutputHold } from '../core/part/decoder-type';
import { layOnDecoder } from '../core/kinds/locomotive/lay-circuits';
import type { Layout } from '../core/document/layout';
import type { LocomotiveRecord } from '../core/kinds/locomotive/record';
import type { PresetName } from '../core/document/presets';
import type { Draft } from 'immer';

/** The one vehicle of the layouts made here. */
export const vehicleId = 'locomotive';

/** An empty layout with a DC and a DCC track. */
export function bareTracks(): Layout {
  return change(emptyLayout('Saltmarsh Halt'), (draft) => {
    draft.supplies.dc = usualSupply('dc-track', 'H0', 1);
    draft.supplies.dcc = usualSupply('dcc-track', 'H0', 2);
  }).layout;
}

/** A shunter with a set of lamps at both ends, on the rails. */
export function onRails(
  topology: PresetName,
  recipe: (job: Draft<LocomotiveRecord>) => void = () => undefined,
  set = 'two-and-two',
): Layout {
  const { layout } = newLocomotive(bareTracks(), {
    sort: 'shunter',
    name: 'Shunter',
    lengthMillimetres: 109,
    set,
    supply: { id: 'dc' },
    topology,
    decoder: null,
  });
  return altered(layout, recipe);
}

/** A diesel with a set of lamps on a decoder. */
export function onDecoder(
  recipe: (job: Draft<LocomotiveRecord>) => void = () => undefined,
  { set = 'two-and-two', type = 'usual', plug = '8-pin' } = {},
): Layout {
  const { layout } = newLocomotive(bareTracks(), {
    sort: 'diesel',
    name: 'Diesel',
    lengthMillimetres: 210,
    set,
    supply: { id: 'dcc' },
    topology: 'resistor-each',
    decoder: { type, plug },
  });
  return altered(layout, recipe);
}

/** The layout with its vehicle changed. */
export const altered = (layout: Layout, recipe: (job: Draft<LocomotiveRecord>) => void): Layout =>
  change(layout, (draft) => recipe(locomotiveIn(draft, vehicleId))).layout;

/** Vehicles of every sort, on the rails by any topology or on a decoder with any plug. */
export const generatedVehicle: fc.Arbitrary<Layout> = fc
  .record({
    sort: fc.constantFrom(...vehicleSorts.map((s) => s.id)),
    set: fc.constantFrom(...lampSets.map((s) => s.id).filter((id) => id !== 'bulb')),
    topology: fc.constantFrom<PresetName>(
      'shared-both-ways',
      'resistor-each',
      'two-colour',
      'regulated-board',
      'own-bridge',
      'back-to-back',
      'in-series',
    ),
    decoder: fc.constantFrom(
      null,
      null,
      { type: 'small', plug: '6-pin' },
      { type: 'usual', plug: '8-pin' },
      { type: 'many', plug: '21-pin' },
    ),
    ohms: fc.constantFrom(680, 1000, 2200, 4700),
    swapped: fc.boolean(),
    switched: fc.boolean(),
  })
  .map(({ sort, set, topology, decoder, ohms, swapped, switched }) => {
    const { layout } = newLocomotive(bareTracks(), {
      sort,
      name: 'Generated',
      lengthMillimetres: 200,
      set,
      supply: { id: decoder ? 'dcc' : 'dc' },
      topology,
      decoder,
    });
    return altered(layout, (job) => {
      for (const lamp of Object.values(job.lamps)) lamp.ohms = ohms * (lamp.part === 'red' ? 2 : 1);
      for (const circuit of Object.values(job.circuits)) circuit.ohms = ohms;
      const [first] = Object.values(job.circuits);
      if (swapped && !decoder) job.lines[first.lineId].swapped = true;
      if (switched) putSwitch(job, first.lineId, { name: 'Switch', on: true, lead: 'first' });
      if (job.decoder)
        job.decoder.outputs.out1 = { ...usualRule, ...job.decoder.outputs.out1, brightness: 0.8 } as never;
    });
  });

type Wired = Draft<LocomotiveRecord>;

/** The line a circuit of a vehicle hangs on. */
export const lineOfCircuit = (job: Wired, circuitId: string): Wired['lines'][string] =>
  job.lines[job.circuits[circuitId].lineId];

/** Every line of a vehicle. */
export const eachLine = (job: Wired, set: (line: Wired['lines'][string]) => void): void =>
  Object.values(job.lines).forEach(set);

/** Wires every circuit of a vehicle by a preset where it hangs. */
export const wireAll = (job: Wired, preset: PresetName): void => {
  for (const circuit of Object.values(job.circuits)) wireBy(job.lines[circuit.lineId], circuit, preset);
};

/** The steering diode an old bulb had, in a line whose lamps are at an end. */
export const steer = (
  line: Wired['lines'][string],
  left: 'kept' | 'bridged' | 'removed',
  end: 'A' | 'B',
): void => putStage(line, 'steering', { left, lets: end === 'A' ? 'first' : 'second' });

/** The locomotive on a lighting board of its owner's own, made from the usual decoder. */
export const onBoard = (
  figures: Partial<OwnDecoderRecord>,
  holds: OutputHold = { kind: 'nothing' },
  more: (job: Draft<LocomotiveRecord>) => void = () => undefined,
): Layout =>
  onDecoder((job) => {
    const own = ownFrom(decoderTypes.usual);
    layOnDecoder(
      job as LocomotiveRecord,
      { type: 'usual', own: { ...own, outputs: own.outputs.map((o) => ({ ...o, holds })), ...figures } },
      'wires',
    );
    if (holds.kind !== 'nothing') for (const c of Object.values(job.circuits)) c.limit = 'none';
    more(job);
  });
