import { freeId } from '../document/usual-supply';
import { change } from '../document/patch';
import { SEEN_LIGHTNESS } from '../light/difference';
import { wantedDaylights } from '../light/daylight';
import { bySection } from '../part/feed-wire';
import { channels, overheadLamps, type OverheadLamp } from '../part/overhead-lamp';
import { areaOf, legsOf } from './area';
import { laidMillimetres } from './geometry';
import { feedRows } from './feed-rows';
import { fasciaFor, MOST_WARMER, unitAmps } from './limits';
import { eyeSteps, rigLight, type RigLight } from './light';
import { mountingOf } from './mounting';
import { dimRows, matchOf } from './match';
import { rigStudy } from './study';
import type { Layout } from '../document/layout';
import type { RigRecord, RigRowRecord } from '../document/rig-record';

/** The few questions a rig is begun with. */
export interface RigWish {
  readonly name: string;
  /** Boards it hangs over; of the typed measures where there are none. */
  readonly boards: readonly string[];
  readonly widthMillimetres: number;
  readonly depthMillimetres: number;
  readonly heightMillimetres: number;
  /** One of `wantedDaylights`. */
  readonly wanted: string;
}

/** From row to row, and rows begin so far before the backscene (common practice, no source). */
const APART = 100;
const LEAST_ROWS = 2;
const MOST_ROWS = 6;
/** What gives more than so many times the wanted light is taken only where nothing else reaches it. */
const MOST_OVER = 1.25;
/** Whites that lie no further apart are one to the eye here, in reciprocal megakelvin (mireds). */
const SAME_MIREDS = 1;
/** Places of the map while lamps are chosen. */
const STEP = 40;

/** A row of a lamp as it is sold, over the whole of a length. */
export function rowOf(
  lamp: OverheadLamp,
  order: number,
  place: Pick<RigRowRecord, 'lengthMillimetres' | 'depthMillimetres' | 'heightMillimetres'>,
): RigRowRecord {
  const { form, lumens, watts, volts, kelvin, duv, beamDegrees, cutMillimetres, copperOhms } = lamp;
  const row: RigRowRecord = {
    order,
    name: `Row ${order}`,
    form,
    lumens,
    watts,
    volts,
    kelvin,
    duv,
    beamDegrees,
    cutMillimetres,
    copperOhms,
    pieceMillimetres: lamp.pieceMillimetres,
    price: lamp.price,
    fromMillimetres: 0,
    tiltDegrees: 0,
    channel: form === 'strip' ? 'open' : 'none',
    level: 1,
    on: true,
    fed: 'one end',
    converter: false,
    ...place,
  };
  return {
    ...row,
    fromMillimetres: Math.max(
      0,
      (place.lengthMillimetres - laidMillimetres(row, place.lengthMillimetres)) / 2,
    ),
  };
}

/** A rig with nothing in it yet, over its boards. */
function bareRig(layout: Layout, wish: RigWish): RigRecord {
  const daylight = wantedDaylights.find((d) => d.id === wish.wanted) ?? wantedDaylights[0];
  return {
    order: 1 + Math.max(0, ...Object.values(layout.rigs).map((r) => r.order)),
    name: wish.name,
    note: '',
    boards: [...wish.boards],
    litWith: [],
    widthMillimetres: wish.widthMillimetres,
    depthMillimetres: wish.depthMillimetres,
    backsceneAt: legsOf(layout, wish.boards)[0]?.backsceneAt ?? 'far',
    moduleMillimetres: null,
    backscene: { heightMillimetres: 300, reflectance: 0.5 },
    fascia: { forwardMillimetres: 20, dropMillimetres: 60, reflectance: 0 },
    room: { lux: 0, kelvin: 3000 },
    eye: { heightMillimetres: 250, awayMillimetres: 500 },
    wanted: { lux: daylight.lux, leastKelvin: daylight.leastKelvin, mostKelvin: daylight.mostKelvin },
    supply: { volts: 24, amps: unitAmps[0], wire: '24-0.2', wireMillimetres: 1000, plugAmps: 5 },
    dimming: { kind: 'none' },
    rows: {},
  };
}

/**
 * A rig that gives what is wanted: of the strips as they are sold, and of one to six rows, the cheapest
 * whose mean on the boards reaches it and is not far over it, then the supply, the plugs and the fascia it needs.
 */
export function newRig(layout: Layout, wish: RigWish): { readonly layout: Layout; readonly rigId: string } {
  const rigId = freeId(layout.rigs, 'rig');
  const rig = bareRig(layout, wish);
  const area = areaOf(layout, rig);
  const kelvin = (rig.wanted.leastKelvin + rig.wanted.mostKelvin) / 2;
  // Strip is sold in some whites: of those that are within what is wanted; where none is, of the nearest.
  const usable = Object.values(overheadLamps).filter(
    (l) => l.form === 'strip' && l.volts === 24 && l.watts * channels.open.kelvinPerWatt <= MOST_WARMER,
  );
  const within = usable.filter(
    (l) => l.kelvin >= rig.wanted.leastKelvin && l.kelvin <= rig.wanted.mostKelvin,
  );
  const off = Math.min(...usable.map((l) => Math.abs(1e6 / l.kelvin - 1e6 / kelvin)));
  const strips =
    within.length > 0
      ? within
      : usable.filter((l) => Math.abs(1e6 / l.kelvin - 1e6 / kelvin) <= off + SAME_MIREDS);
  const withRows = (lamp: OverheadLamp, count: number): RigRecord => {
    const middle = area.depth * 0.55;
    return {
      ...rig,
      rows: Object.fromEntries(
        Array.from({ length: count }, (_, i): [string, RigRowRecord] => [
          `row-${i + 1}`,
          rowOf(lamp, i + 1, {
            lengthMillimetres: area.width,
            depthMillimetres: Math.max(
              20,
              Math.min(
                area.depth,
                Math.round(middle + (i - (count - 1) / 2) * Math.min(APART, area.depth / count)),
              ),
            ),
            heightMillimetres: wish.heightMillimetres,
          }),
        ]),
      ),
    };
  };
  const [first] = strips;
  const counts = Array.from({ length: MOST_ROWS - LEAST_ROWS + 1 }, (_, i) => i + LEAST_ROWS);
  const choices = counts
    .flatMap((count) => {
      // Light goes with lumens: what one strip gives tells what the others do.
      const { meanLux } = rigLight(layout, withRows(first, count), { stepMillimetres: STEP });
      return strips.map((lamp) => {
        const made = withRows(lamp, count);
        return {
          made,
          lux: (meanLux * lamp.lumens) / first.lumens,
          price: mountingOf(layout, made).price,
        };
      });
    })
    .sort((a, b) => a.price - b.price);
  const gives = choices.filter((c) => c.lux >= rig.wanted.lux * 1.03);
  const enough = gives.find((c) => c.lux <= rig.wanted.lux * MOST_OVER) ?? gives.at(0);
  const brightest = choices.reduce((best, c) => (c.lux > best.lux ? c : best));
  const chosen = (enough ?? brightest).made;
  chosen.supply.wire = bySection().find((w) => !w.id.startsWith('awg'))!.id;
  feedRows(layout, chosen);
  const { hidingMillimetres } = rigLight(layout, chosen, { stepMillimetres: STEP }).sight;
  if (chosen.fascia) chosen.fascia.dropMillimetres = Math.max(40, fasciaFor(hidingMillimetres));
  const made = change(layout, (draft) => void (draft.rigs[rigId] = chosen)).layout;
  return { layout: dimmed(made, [rigId]), rigId };
}

/** So often, as rigs that are lit together share what they give. */
const DIM_TURNS = 4;

/** Rigs that would be seen to give more than is wanted, dimmed to it. */
function dimmed(layout: Layout, rigIds: readonly string[]): Layout {
  const lightOf = (of: Layout, id: string): RigLight => rigStudy(of, id, STEP).light;
  const over = rigIds.filter(
    (id) => eyeSteps(lightOf(layout, id).meanLux, layout.rigs[id].wanted.lux) >= SEEN_LIGHTNESS,
  );
  let now = layout;
  for (let turn = 0; turn < DIM_TURNS; turn++)
    for (const id of over) {
      const rig = now.rigs[id];
      const { times } = matchOf(rig, lightOf(now, id), rig.wanted.lux);
      now = change(now, (draft) => dimRows(draft.rigs[id], times)).layout;
    }
  return now;
}

/** Rigs over all boards that are asked for: one, or for boards that lie around a corner one along each leg. */
export function newRigs(
  layout: Layout,
  wish: RigWish,
): { readonly layout: Layout; readonly rigIds: readonly string[] } {
  const legs = legsOf(layout, wish.boards);
  if (legs.length < 2) {
    const made = newRig(layout, wish);
    return { layout: made.layout, rigIds: [made.rigId] };
  }
  const all = legs.reduce<{ readonly layout: Layout; readonly rigIds: readonly string[] }>(
    (before, { boards }, k) => {
      const name = `${wish.name}, leg ${k + 1}`.slice(0, 60);
      const made = newRig(before.layout, { ...wish, name, boards });
      return { layout: made.layout, rigIds: [...before.rigIds, made.rigId] };
    },
    { layout, rigIds: [] },
  );
  // Legs are lit together: around the corner each has of the other's light.
  const together = change(all.layout, (draft) => {
    for (const id of all.rigIds) draft.rigs[id].litWith = all.rigIds.filter((other) => other !== id);
  });
  return { layout: dimmed(together.layout, all.rigIds), rigIds: all.rigIds };
}
