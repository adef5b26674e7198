import { lampBodies } from '../../part/lamp-body';
import { endNames } from '../../document/ends';
import { inOrder } from '../../document/in-order';
import { lampNames } from './lamp-name';
import { isHead, isTail, lampRoles } from '../../document/lamp-roles';
import { stageOf } from '../../document/line-stages';
import type { LocomotiveRecord } from './record';

/** A step of the fitting, with its figure and whether it can be undone. */
export interface FitStep {
  readonly id: string;
  readonly says: string;
  readonly undone: 'can' | 'cannot';
  /** A hole to be drilled, or what is to be taken off; null for what has no figure. */
  readonly millimetres: number | null;
  /** What is opened behind a hole for what sits there, across; left out where nothing is. */
  readonly pocketMillimetres?: number;
}

/** Something that does not go where it should. */
export interface FitClash {
  readonly id: string;
  readonly says: string;
  /** What it takes, and what there is, in millimetres. */
  readonly takesMillimetres: number;
  readonly hasMillimetres: number;
  readonly cure: string;
}

/** A place where light may get out where it should not. */
export interface DarkPlace {
  readonly id: string;
  readonly says: string;
  readonly tested: boolean;
}

export interface VehicleFit {
  readonly steps: readonly FitStep[];
  readonly clashes: readonly FitClash[];
  readonly darkPlaces: readonly DarkPlace[];
}

/** Room the leads of a lamp take to bend behind it, in millimetres (common practice, no source). */
const BEND = 1.5;
/** Air between a lamp and its light pipe. */
const AIR = 0.3;
/** Two lamps nearer than this, in lamp diameters, shine into one another’s lens (common practice, no source). */
const NEIGHBOUR = 2.5;
const DRILL_STEP = 0.1;

const upTo = (mm: number): number => Number((Math.ceil(mm / DRILL_STEP - 1e-9) * DRILL_STEP).toFixed(1));
const one = (mm: number): string => `${Number(mm.toFixed(1))} mm`;

/**
 * Whether lamps go where they should, what to drill, what to shorten and where light may leak; from
 * the dimensions alone. What leads go through is judged for every kind alike.
 */
export function vehicleFit(job: LocomotiveRecord): VehicleFit {
  const steps: FitStep[] = [];
  const clashes: FitClash[] = [];
  const { fit, body } = job;
  const names = lampNames(job);
  for (const lamp of inOrder(job.lamps)) {
    const shape = lampBodies[lamp.body];
    const name = names.get(lamp.id)!;
    if (lampRoles[lamp.role].inside) {
      steps.push({
        id: `inside ${lamp.id}`,
        undone: 'can',
        millimetres: null,
        says: `${name}: stick it under the roof or the floor, no hole.`,
      });
      continue;
    }
    if (lamp.way === 'drill') {
      const chip = lamp.body.startsWith('chip');
      const hole = upTo(chip ? lamp.lensMillimetres : shape.bodyMillimetres);
      steps.push({
        id: `drill ${lamp.id}`,
        undone: 'cannot',
        millimetres: hole,
        ...(chip ? { pocketMillimetres: upTo(shape.bodyMillimetres) } : {}),
        says: chip
          ? `${name}: drill ${one(hole)} for the lens, then from behind ${one(upTo(shape.bodyMillimetres))}, ${one(shape.depthMillimetres)} deep, for the chip to sit in.`
          : `${name}: drill ${one(hole)} for the ${shape.name.toLowerCase()}, through ${one(body.wallMillimetres)} of wall.`,
      });
      if (!chip && lamp.lensMillimetres < shape.lensMillimetres - 0.05)
        clashes.push({
          id: `lens ${lamp.id}`,
          says: `${name}: its ${shape.name.toLowerCase()} is ${one(shape.lensMillimetres)} across, the lens wanted ${one(lamp.lensMillimetres)}.`,
          takesMillimetres: shape.lensMillimetres,
          hasMillimetres: lamp.lensMillimetres,
          cure: 'A smaller body, or a chip behind a hole of the wanted size.',
        });
    } else
      steps.push({
        id: `sits ${lamp.id}`,
        undone: 'can',
        millimetres: null,
        says: `${name}: sits on what is there, nothing is drilled.`,
      });
    const behind = shape.depthMillimetres - (lamp.way === 'drill' ? body.wallMillimetres : 0) + BEND;
    if (behind > fit.clearanceMillimetres)
      clashes.push({
        id: `depth ${lamp.id}`,
        says: `${name} and the bend of its leads take ${one(behind)} behind the wall; motor, weight or glazing leave ${one(fit.clearanceMillimetres)}.`,
        takesMillimetres: behind,
        hasMillimetres: fit.clearanceMillimetres,
        cure: `File or move what is behind by ${one(behind - fit.clearanceMillimetres)}, or take a flatter lamp.`,
      });
    if (fit.pipeLengthMillimetres > 0) {
      const off = shape.depthMillimetres + AIR - (fit.clearanceMillimetres - fit.pipeLengthMillimetres);
      if (off > 0 && off < fit.pipeLengthMillimetres)
        steps.push({
          id: `pipe ${lamp.id}`,
          undone: 'cannot',
          millimetres: upTo(off),
          says: `${name}: shorten its light pipe by ${one(upTo(off))}, then the lamp sits behind it with ${one(AIR)} of air.`,
        });
    }
  }
  for (const line of inOrder(job.lines)) {
    const steering = stageOf(line, 'steering');
    if (steering?.left === 'bridged')
      steps.push({
        id: `bridge ${line.id}`,
        undone: 'can',
        millimetres: null,
        says: `${line.name}: a wire across the old diode.`,
      });
    if (steering?.left === 'removed')
      steps.push({
        id: `remove ${line.id}`,
        undone: 'cannot',
        millimetres: null,
        says: `${line.name}: the old diode comes out; keep it in the box.`,
      });
  }
  return { steps, clashes, darkPlaces: darkPlaces(job) };
}

/** Places to black out, each to be looked at in the dark with the body on. */
function darkPlaces(job: LocomotiveRecord): DarkPlace[] {
  const names = lampNames(job);
  const places: { id: string; says: string }[] = [];
  const lamps = inOrder(job.lamps);
  for (const end of endNames) {
    const own = lamps.filter((l) => l.end === end && !lampRoles[l.role].inside);
    if (own.length > 0 && job.body.shell === 'thin-plastic' && !job.body.blackedOut)
      places.push({
        id: `shell ${end}`,
        says: `The thin shell of end ${end} around ${own.length === 1 ? 'its lamp' : `its ${own.length} lamps`}: two coats of black inside, or black tape.`,
      });
    own.forEach((a, i) =>
      own.slice(i + 1).forEach((b) => {
        if (isHead(a.role) === isHead(b.role) && isTail(a.role) === isTail(b.role)) return;
        const apart = Math.hypot(
          a.acrossMillimetres - b.acrossMillimetres,
          a.heightMillimetres - b.heightMillimetres,
        );
        const size = Math.max(lampBodies[a.body].bodyMillimetres, lampBodies[b.body].bodyMillimetres);
        if (apart >= NEIGHBOUR * size) return;
        places.push({
          id: `neighbour ${a.id} ${b.id}`,
          says: `${names.get(a.id)} stands ${one(apart)} from ${names.get(b.id)}: a tube or a black wall between, so that one does not shine out of the other’s lens.`,
        });
      }),
    );
    if (own.length > 0)
      places.push({
        id: `cab ${end}`,
        says: `Cab floor and glazing behind end ${end}: light from the lamps’ backs shows through a translucent floor.`,
      });
  }
  return places.map((p) => ({ ...p, tested: job.fit.darkTested.includes(p.id) }));
}
