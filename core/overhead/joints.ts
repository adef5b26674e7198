import { UPWARD } from '../light/illuminance';
import { directLux, type Source } from './sources';
import type { RigArea } from './area';
import type { RigRecord } from '../document/rig-record';

/** A joint of boards or modules, half way deep: where it is along, in millimetres, and its light in lux. */
export interface Joint {
  readonly at: number;
  readonly lux: number;
  /** Mean of a little way off at both sides. */
  readonly besideLux: number;
  /** What the module at each side gives there directly when it is lit alone; null where there are no modules. */
  readonly alone: { readonly left: number; readonly right: number } | null;
}

/** So far from a joint is beside it, in millimetres. */
const ASIDE = 200;

/** What one module of a rig gives directly at a place half way deep, in lux. */
const ofModule = (module: number, sources: readonly Source[], area: RigArea, x: number): number =>
  sources.reduce((sum, source) => {
    const own = {
      ...source,
      lines: source.lines.filter((l) => l.module === module),
      spots: source.spots.filter((s) => s.module === module),
    };
    return sum + directLux(own, x, area.depth / 2, 0, UPWARD);
  }, 0);

/** The joints of a rig's area. @param luxAt light half way deep, so far along */
export function jointsOf(
  { moduleMillimetres }: Pick<RigRecord, 'moduleMillimetres'>,
  area: RigArea,
  sources: readonly Source[],
  luxAt: (x: number) => number,
): Joint[] {
  const aside = Math.min(ASIDE, area.width / 4);
  return area.joints.map((at, k) => ({
    at,
    lux: luxAt(at),
    besideLux: (luxAt(at - aside) + luxAt(at + aside)) / 2,
    alone:
      moduleMillimetres === null
        ? null
        : { left: ofModule(k, sources, area, at), right: ofModule(k + 1, sources, area, at) },
  }));
}
