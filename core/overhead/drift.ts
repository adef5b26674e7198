import { uniformChromaticity, type Chromaticity } from '../light/difference';
import { tristimulus, type Tristimulus } from '../light/white';

/** A light of one chromaticity, by place of a grid, in lux. */
interface LitPlaces {
  readonly xy: Chromaticity;
  readonly lux: Float64Array;
}

/** Colour moves slowly: so many places are enough to find the most. */
const LOOKED_AT = 600;

/**
 * The most that the colour of lights together differs over places from their mean, in u', v' (CIE 1976).
 * Written out, without objects: it is asked for in every frame of a row that is moved.
 * @param there what is everywhere alike
 * @param places of the grid, in its order
 */
export function driftOf(
  lights: readonly LitPlaces[],
  there: Tristimulus,
  places: Uint32Array,
  mean: Chromaticity,
): number {
  const at = uniformChromaticity(mean);
  const each = lights.map((l) => ({ ...tristimulus(l.xy, 1), lux: l.lux }));
  const every = Math.max(1, Math.floor(places.length / LOOKED_AT));
  let most = 0;
  for (let n = 0; n < places.length; n += every) {
    let { X, Y, Z } = there;
    for (const light of each) {
      const lux = light.lux[places[n]];
      X += lux * light.X;
      Y += lux;
      Z += lux * light.Z;
    }
    const sum = X + 15 * Y + 3 * Z;
    if (sum > 0) most = Math.max(most, Math.hypot((4 * X) / sum - at.u, (9 * Y) / sum - at.v));
  }
  return most;
}
