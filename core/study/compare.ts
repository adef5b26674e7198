import { nearestWord } from '../light/wanted';
import { checkLayout } from '../document/file';
import { patched, type Patch } from '../document/patch';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { benchOf } from './bench';
import { costOf, jointsOf } from './bill';
import { powerCutStudy } from './power-cut';
import { steadyStudy } from './steady';
import { coachLight } from './coach-light';

/** One way of building a job, as it compares with the others. */
export interface ComparedWay {
  /** Null for the job as it stands. */
  readonly variantId: string | null;
  readonly name: string;
  readonly lux: number;
  readonly word: string;
  /** Mean current from the supply, and its true RMS. */
  readonly supplyAmps: number;
  readonly supplyRmsAmps: number;
  readonly cost: number;
  readonly joints: number;
  /** Seconds until the light has fallen to half after the power goes; null when it does not within two minutes. */
  readonly holdSeconds: number | null;
  readonly lamps: number;
}

/** A way that could not be worked out, and why. */
export interface FailedWay {
  readonly variantId: string | null;
  readonly name: string;
  readonly failure: string;
}

/** The job as it stands and each of its variants, side by side. */
export function compareStudy(layout: Layout, jobId: string): (ComparedWay | FailedWay)[] {
  const job = coachIn(layout, jobId);
  const ways = [
    { variantId: null, name: 'As it stands', patches: [] as readonly Patch[] },
    ...inOrder(job.variants).map((v) => ({
      variantId: v.id,
      name: v.name,
      patches: v.patches as readonly Patch[],
    })),
  ];
  return ways.map(({ variantId, name, patches }) => {
    try {
      return { variantId, ...wayOf(laidOut(layout, patches), jobId), name };
    } catch (error) {
      return { variantId, name, failure: error instanceof Error ? error.message : String(error) };
    }
  });
}

/**
 * A layout with a variant's patches, checked like a file: a variant comes from one.
 * @throws Error naming the path when a patch has nowhere to go, or makes what no layout can hold
 */
function laidOut(layout: Layout, patches: readonly Patch[]): Layout {
  const laid = patched(layout, patches);
  if (patches.length === 0) return laid;
  const read = checkLayout(laid);
  if (!read.ok) throw new Error(`${read.complaints[0].path}: ${read.complaints[0].reason}`);
  return read.layout;
}

function wayOf(layout: Layout, jobId: string): Omit<ComparedWay, 'variantId' | 'name'> {
  const bench = benchOf(layout, jobId);
  const steady = steadyStudy(bench);
  const lux = coachLight(bench.job, steady).litLux;
  return {
    lux,
    word: lux > 0 ? nearestWord(lux).name : 'Dark',
    supplyAmps: steady.supplyAmps.mean,
    supplyRmsAmps: steady.supplyRmsAmps,
    cost: costOf(bench.assembly, layout, bench.supply),
    joints: jointsOf(bench.assembly),
    holdSeconds: powerCutStudy(bench, steady).moments[0],
    lamps: steady.lamps.length,
  };
}
