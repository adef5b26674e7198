import { inOrder } from '../document/in-order';
import { isDriven, type AspectRecord } from '../document/aspect-record';
import { colourDifference, type Chromaticity } from '../light/difference';
import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { tintedLight } from '../light/tinted';
import { shinesOf } from '../kinds/shines';
import { wiringOf } from '../kinds/wirings';
import { tints } from '../part/tint';
import { ASPECT, type Phase } from '../supply/state';
import { Solver } from './solver';
import { usualState } from './states';
import type { Spot } from '../assembly/spot';
import type { DieReading } from './readings';
import type { Bench } from './bench';

/** A lamp as an eye sees it in an aspect. */
export interface SeenLamp {
  readonly lampId: string;
  readonly spot: Spot;
  /** Lit all the time, or on and off. */
  readonly shows: 'steady' | 'flash';
  /** While it is lit, behind the glass of the aspect. */
  readonly lightness: number;
  readonly litAmps: number;
  readonly xy: Chromaticity;
}

/** An aspect as an eye sees it by night. */
export interface AspectLook {
  readonly id: string;
  readonly aspect: AspectRecord;
  readonly seen: readonly SeenLamp[];
}

/** What the glass of an aspect leaves of a lamp. */
export function behindGlass(
  { job }: Pick<Bench, 'job'>,
  die: DieReading,
  glass: string | null,
): { readonly lightness: number; readonly xy: Chromaticity } {
  if (glass === null) return { lightness: die.lightness, xy: die.xy };
  const { share, x, y } = tintedLight(die.xy, tints[glass]);
  return {
    lightness: shinesOf(job.kind).lightness(job, { ...die, lumens: die.lumens * share }),
    xy: { x, y },
  };
}

/**
 * Every aspect of a job as its lamps, solved, show it: lamps an eye sees in the dark, in which colour,
 * steady or flashing. None for what shows no aspects.
 * @throws CircuitError when an aspect cannot be solved
 */
export function aspectLooks(bench: Bench, solver = new Solver(bench)): AspectLook[] {
  const { job } = bench;
  if (!isDriven(job)) return [];
  const wiring = wiringOf(job.kind);
  return inOrder(job.aspects).map((aspect) => {
    const state = usualState(bench, { [ASPECT]: aspect.id });
    const phases = solver.phases(state);
    const seen = new Map<string, { phases: Phase[]; best: SeenLamp }>();
    for (const phase of phases)
      for (const die of solver.at(state, { phase }).dies) {
        const { lightness, xy } = behindGlass(bench, die, aspect.glass);
        if (lightness < FAINT_LIGHTNESS) continue;
        const known = seen.get(die.lampId);
        const best: SeenLamp = {
          lampId: die.lampId,
          spot: wiring.spotOf(job, die.lampId),
          shows: 'steady',
          lightness,
          litAmps: die.litAmps,
          xy,
        };
        if (!known) seen.set(die.lampId, { phases: [phase], best });
        else {
          if (!known.phases.includes(phase)) known.phases.push(phase);
          if (lightness > known.best.lightness) known.best = best;
        }
      }
    return {
      id: aspect.id,
      aspect,
      seen: [...seen.values()].map((s) => ({
        ...s.best,
        shows: s.phases.length < phases.length ? ('flash' as const) : ('steady' as const),
      })),
    };
  });
}

/**
 * Colours of two aspects that are seen one after the other, not side by side, are told apart from this
 * distance in u', v' on (common practice, no source): a yellow and a warm white are 0.07 apart.
 */
export const TOLD_COLOUR = 0.05;
/** An eye tells two lights apart from one minute of arc on. */
const EYE_RADIANS = Math.PI / 180 / 60;

/**
 * Whether two aspects look alike by night: as many lights, of colours that are not told apart, in the
 * same places against one another, flashing alike. Of a single light the place is not seen.
 * @param viewMetres from where it is looked at
 * @returns null where they are told apart, else the greatest difference of colour, in u', v'
 */
export function lookAlike(a: AspectLook, b: AspectLook, viewMetres: number): number | null {
  if (a.seen.length !== b.seen.length || a.seen.length === 0) return null;
  const told = 1000 * viewMetres * EYE_RADIANS;
  const ordered = (look: AspectLook): SeenLamp[] =>
    [...look.seen].sort((p, q) => p.spot.height - q.spot.height || p.spot.along - q.spot.along);
  const [own, other] = [ordered(a), ordered(b)];
  let most = 0;
  for (let i = 0; i < own.length; i++) {
    if (own[i].shows !== other[i].shows) return null;
    const apart = Math.hypot(
      own[i].spot.along - own[0].spot.along - (other[i].spot.along - other[0].spot.along),
      own[i].spot.height - own[0].spot.height - (other[i].spot.height - other[0].spot.height),
    );
    if (apart > told) return null;
    most = Math.max(most, colourDifference(own[i].xy, other[i].xy));
  }
  return most < TOLD_COLOUR ? most : null;
}
