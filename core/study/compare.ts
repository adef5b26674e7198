import { patched } from '../document/patch';
import { checkLayout } from '../document/file';
import { inOrder } from '../document/in-order';
import { anyJobIn } from '../document/jobs';
import { kindOf } from '../kinds';
import { benchOf } from './bench';
import { jointsOf } from './bill';
import { costOfJob } from './job-cost';
import { totalLumens } from './meter';
import { powerCutStudy } from './power-cut';
import { usualReadings } from './solver';
import type { Layout } from '../document/layout';
import type { Patch } from '../document/patch';

/** One way of building a job, as it compares with the others. */
export interface ComparedWay {
  /** Null for the job as it stands. */
  readonly variantId: string | null;
  readonly name: string;
  /** Light of all its lamps together, in lumens, and how its kind says it looks. */
  readonly lumens: number;
  readonly word: string;
  /** At the seats of a coach, in lux; null for what has none. */
  readonly lux: number | null;
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
  const job = anyJobIn(layout, jobId);
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
  const readings = usualReadings(bench);
  const kind = kindOf(bench.job.kind);
  return {
    lumens: totalLumens(readings),
    lux: kind.look(layout, jobId)?.lux ?? null,
    word: kind.words(layout, jobId),
    supplyAmps: readings.supplyAmps.mean,
    supplyRmsAmps: readings.supplyRmsAmps,
    cost: costOfJob(bench),
    joints: jointsOf(bench.assembly),
    holdSeconds: powerCutStudy(bench, readings).moments[0],
    lamps: Object.keys(bench.job.lamps).length,
  };
}
