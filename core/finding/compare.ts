import { CircuitError } from '../circuit/error';
import { patched } from '../document/patch';
import { checkLayout } from '../document/file';
import { inOrder } from '../document/in-order';
import { anyJobIn } from '../document/jobs';
import { kindOf } from '../kinds';
import { benchOf, type Bench } from '../study/bench';
import { jointsOf } from '../study/bill';
import { cellLifeStudy } from '../study/cell-life';
import { costOfJob } from '../study/job-cost';
import { lampNamesOf } from '../study/lamp-names';
import { totalLumens } from '../study/meter';
import { powerCutStudy } from '../study/power-cut';
import { usualReadings } from '../study/solver';
import { stateWords } from '../study/state-words';
import { usualState } from '../study/states';
import { throttleSweep } from '../study/throttle-sweep';
import { truthTable } from '../study/truth-table';
import { checkBench } from './check';
import { causes } from './follows';
import { StudyDesk } from './studies';
import type { Severity } from './finding';
import type { Layout } from '../document/layout';
import type { Patch } from '../document/patch';

/** A state in which something shows that should not, or does not that should. */
export interface WrongState {
  /** The state in words, and the lamps that show wrongly in it. */
  readonly says: string;
  readonly lamps: readonly string[];
}

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
  /** Hours until its cell gives half the light of a fresh one; null for what hangs on no cell. */
  readonly lastsHours: number | null;
  readonly lamps: number;
  /** What its figures stand at: direction, throttle, keys. */
  readonly setting: string;
  /** Share of full throttle from which on the first lamp shows, and the last; null where a throttle has no say. */
  readonly showsFrom: { readonly first: number; readonly all: number } | null;
  /** States in which something shows wrongly, of so many that can be reached. */
  readonly wrong: readonly WrongState[];
  readonly states: number;
  /** How many findings it has, by how grave they are; what follows from one is not counted again. */
  readonly findings: Readonly<Record<Severity, number>>;
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
  const desk = new StudyDesk(bench);
  const findings = { stop: 0, mind: 0, note: 0 };
  for (const { severity } of causes(checkBench(desk))) findings[severity]++;
  return {
    lumens: totalLumens(readings),
    lux: kind.look(layout, jobId)?.lux ?? null,
    word: kind.words(layout, jobId),
    supplyAmps: readings.supplyAmps.mean,
    supplyRmsAmps: readings.supplyRmsAmps,
    cost: costOfJob(bench),
    joints: jointsOf(bench.assembly),
    holdSeconds: powerCutStudy(bench, readings).moments[0],
    lastsHours: lastsOf(bench),
    lamps: Object.keys(bench.job.lamps).length,
    setting: settingOf(bench),
    showsFrom: showsFrom(bench),
    ...wrongStates(bench),
    findings,
  };
}

/** What feeds it, and the state its figures stand at. */
function settingOf(bench: Bench): string {
  const state = stateWords(bench, usualState(bench), { throttle: true, otherwise: '' });
  return [bench.layout.supplies[bench.job.supplyId].name, state].filter((w) => w !== '').join(', ');
}

function lastsOf(bench: Bench): number | null {
  const life = cellLifeStudy(bench);
  return life && (life.moments[0] ?? life.lastHours);
}

function showsFrom(bench: Bench): ComparedWay['showsFrom'] {
  try {
    const shown = (throttleSweep(bench)?.lamps ?? []).flatMap((l) => (l.showsAt === null ? [] : [l.showsAt]));
    return shown.length > 0 ? { first: Math.min(...shown), all: Math.max(...shown) } : null;
  } catch (error) {
    // A way that stands has figures, though its throttle cannot be swept.
    if (!(error instanceof CircuitError)) throw error;
    return null;
  }
}

/** States in which a lamp is dark, or faint, that should shine, or shines that should not. */
function wrongStates(bench: Bench): Pick<ComparedWay, 'wrong' | 'states'> {
  const { rows } = truthTable(bench);
  const names = lampNamesOf(bench.layout, bench.jobId);
  const wrong = rows.flatMap(({ state, phase, dies }): WrongState[] => {
    const lamps = dies
      .filter((d) => d.should !== (d.does === 'lit'))
      .map((d) => names.get(d.lampId) ?? d.lampId);
    return lamps.length > 0
      ? [{ says: stateWords(bench, state, { phase }), lamps: [...new Set(lamps)] }]
      : [];
  });
  return { wrong, states: rows.length };
}
