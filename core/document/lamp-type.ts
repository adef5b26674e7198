import { curveDoubt, fitReadings } from '../part/lamp-readings';
import { lampColours } from '../part/printed-lamp';
import { leds, type LedPart } from '../part/led';
import type { OwnLamp } from './drawer-record';
import type { Layout } from './layout';

/** Own lamps are kept apart from the generic ones by this in front of their id in the drawer. */
export const OWN_LAMP = 'own:';

/** Long life and reverse voltage of a lamp nobody gave figures for. */
const USUAL = leds['white-warm'];

/** What a lamp type of one's own is, from its readings. @throws RangeError when they cannot be fitted, or are no lamp's */
export function ownLampType(id: string, own: OwnLamp): LedPart {
  const curve = fitReadings(own.readings);
  const doubt = curveDoubt(curve);
  if (doubt !== null) throw new RangeError(`“${own.name}” in the drawer: ${doubt}`);
  return {
    ...USUAL,
    id: OWN_LAMP + id,
    name: own.name,
    forwardVolts: curve.forwardVolts,
    testAmps: curve.testAmps,
    emission: curve.emission,
    seriesOhms: curve.seriesOhms,
    greatestAmps: own.greatestAmps,
    lumens: own.lumens,
    colour: lampColours[own.colour].xy ?? { kelvin: own.kelvin },
    beamDegrees: own.beamDegrees,
    form: own.unitMillimetres === null ? 'led' : 'strip',
    unitMillimetres: own.unitMillimetres,
  };
}

const fitted = new WeakMap<OwnLamp, LedPart>();

/**
 * The lamp type a lamp's `part` names: a generic one, or one of the drawer's own.
 * @throws RangeError when there is none of that name
 */
export function lampType(layout: Pick<Layout, 'drawer'>, part: string): LedPart {
  if (Object.hasOwn(leds, part)) return leds[part];
  const id = part.slice(OWN_LAMP.length);
  if (!part.startsWith(OWN_LAMP) || !Object.hasOwn(layout.drawer.lamps, id))
    throw new RangeError(`there is no lamp type ${part}`);
  const own = layout.drawer.lamps[id];
  let type = fitted.get(own);
  if (!type) fitted.set(own, (type = ownLampType(id, own)));
  return type;
}

/** Every lamp type there is to choose from, the generic ones first; one whose readings are no lamp's is none. */
export function lampTypes(layout: Pick<Layout, 'drawer'>): LedPart[] {
  const own = Object.keys(layout.drawer.lamps).flatMap((id) => {
    try {
      return [lampType(layout, OWN_LAMP + id)];
    } catch {
      return [];
    }
  });
  return [...Object.values(leds), ...own];
}
