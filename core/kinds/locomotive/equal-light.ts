import { nearestPreferred } from '../../part/preferred';
import { change } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { lampRoles } from '../../document/lamp-roles';
import { resistorsOf } from '../../document/presets';
import { lightness, shareOfLightness } from '../../light/lightness';
import { benchIn, type Bench } from '../../study/bench';
import { driveKey, shouldShine } from '../../study/drive';
import { Solver } from '../../study/solver';
import { statesOf } from '../../study/states';
import { locomotiveIn } from './jobs';
import type { Patch } from '../../document/patch';
import type { Phase, State } from '../../supply/state';

/** The resistor one lamp wants so that it looks as bright as its role should. */
export interface RoleProposal {
  readonly lampId: string;
  readonly ohms: number;
  /** The nearest value that is sold. */
  readonly preferredOhms: number;
  /** Its light to the eye, 0 to 100, now and with the preferred resistor; and as wanted. */
  readonly now: number;
  readonly then: number;
  readonly wanted: number;
}

export interface EqualLightStudy {
  readonly proposals: readonly RoleProposal[];
  readonly patches: readonly Patch[];
}

const TURNS = 12;
const LEAST_OHMS = 47;
const MOST_OHMS = 220_000;
/** A turn moves a resistor by this factor at most. */
const BOLDEST = 8;

/**
 * Resistors that put every lamp with one of its own at the light its role should have beside a lamp
 * that looks right as it is: headlight over marker over number board, by the shares in the table of
 * roles. Luminous data, lens, tint and aim are in what is solved.
 * @param referenceId the lamp that looks right
 * @throws CircuitError when the circuit cannot be solved
 */
export function equalLight(bench: Bench, referenceId: string): EqualLightStudy {
  const { layout, jobId } = bench;
  const job = locomotiveIn(layout, jobId);
  const ohmsOf = (l: (typeof job.lamps)[string]): number => l.ohms ?? job.circuits[l.circuitId!].ohms;
  const own = inOrder(job.lamps).filter(
    (l) =>
      l.circuitId !== null &&
      resistorsOf(job.circuits[l.circuitId]) === 'each' &&
      job.circuits[l.circuitId].inSeries === 1,
  );
  const states = distinctStates(bench);
  const whenFor = (lampId: string) =>
    states.find(({ state, phase }) => shouldShine(job, lampId, false, state, phase));
  const none = { proposals: [], patches: [] };
  if (!whenFor(referenceId)) return none;
  /** Lightness of each lamp in the first state it is meant to shine in. */
  const measured = (b: Bench): Map<string, number> => {
    const solver = new Solver(b);
    const lights = new Map<string, number>();
    for (const l of [...own, { ...job.lamps[referenceId], id: referenceId }]) {
      const when = whenFor(l.id);
      if (!when) continue;
      const { dies } = solver.at(when.state, { phase: when.phase });
      lights.set(l.id, dies.find((d) => d.lampId === l.id)?.lightness ?? 0);
    }
    return lights;
  };
  const now = measured(bench);
  const right = shareOfLightness(now.get(referenceId) ?? 0);
  const rightShare = lampRoles[job.lamps[referenceId].role].share;
  const targets = new Map(own.map((l) => [l.id, (right * lampRoles[l.role].share) / rightShare]));
  const ohms = new Map(own.map((l) => [l.id, ohmsOf(l)]));
  const withOhms = (values: ReadonlyMap<string, number>) =>
    change(layout, (draft) => {
      const lamps = locomotiveIn(draft, jobId).lamps;
      for (const [id, value] of values) lamps[id].ohms = value;
    });
  if (!(right > 0)) return none;
  for (let turn = 0; turn < TURNS; turn++) {
    const lights = turn === 0 ? now : measured(benchIn(bench, withOhms(ohms).layout));
    for (const l of own) {
      if (l.id === referenceId) continue;
      const is = shareOfLightness(lights.get(l.id) ?? 0);
      const factor = is > 0 ? is / targets.get(l.id)! : 1 / BOLDEST;
      const bounded = Math.min(BOLDEST, Math.max(1 / BOLDEST, factor));
      ohms.set(l.id, Math.min(MOST_OHMS, Math.max(LEAST_OHMS, ohms.get(l.id)! * bounded)));
    }
  }
  const preferred = new Map([...ohms].map(([id, value]) => [id, nearestPreferred(value, 'E12')]));
  if (preferred.has(referenceId)) preferred.set(referenceId, ohmsOf(job.lamps[referenceId]));
  const made = withOhms(preferred);
  const then = measured(benchIn(bench, made.layout));
  return {
    patches: made.patches,
    proposals: own.map((l) => ({
      lampId: l.id,
      ohms: l.id === referenceId ? ohmsOf(l) : ohms.get(l.id)!,
      preferredOhms: preferred.get(l.id)!,
      now: now.get(l.id) ?? 0,
      then: then.get(l.id) ?? 0,
      wanted: lightness(targets.get(l.id)!),
    })),
  };
}

/** Phases of states in which something differs, one of each. */
function distinctStates(bench: Bench): { state: State; phase: Phase }[] {
  const solver = new Solver(bench);
  const seen = new Map<string, { state: State; phase: Phase }>();
  for (const state of statesOf(bench).states)
    for (const phase of solver.phases(state))
      seen.set(`${driveKey(bench, state, phase)} ${String(state.direction)}`, { state, phase });
  return [...seen.values()];
}
