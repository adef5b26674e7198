import { nextPreferred } from '../part/preferred';
import { inOrder } from '../document/in-order';
import {
  chainOf,
  isWhole,
  mainLineId,
  putRectifier,
  putStage,
  reservoirLineId,
  stageOf,
} from '../document/line-stages';
import { supplyKind, type Supply } from '../supply';
import { wantedLimitOf } from '../kinds/wanted-limits';
import type { DocumentPath, Part } from '../assembly/assembly';
import type { Layout } from '../document/layout';
import type { Bench } from '../study/bench';
import type { Draft } from 'immer';
import type { Cure } from './finding';

/** Share of its supply's limit that one job's charging is kept to. */
const CHARGE_SHARE = 0.5;

/** Writes a figure of a part where the document decides it. */
export function setAt(draft: Draft<Layout>, path: DocumentPath, value: unknown): void {
  let at = draft as unknown as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path[path.length - 1]] = value;
}

/** Larger resistors by a factor each; false where none of the parts is one. */
export function largerResistors(
  parts: readonly Part[],
  factorOf: (part: Part) => number,
): (draft: Draft<Layout>) => boolean {
  return (draft) => {
    const wanted = new Map<string, { path: DocumentPath; ohms: number }>();
    for (const part of parts) {
      if (part.kind !== 'resistor' || !part.decides.ohms) continue;
      const ohms = nextPreferred(part.ohms * factorOf(part), 'E12');
      const key = part.decides.ohms.join();
      if (ohms > (wanted.get(key)?.ohms ?? 0)) wanted.set(key, { path: part.decides.ohms, ohms });
    }
    for (const { path, ohms } of wanted.values()) setAt(draft, path, ohms);
    return wanted.size > 0;
  };
}

/** Every lamp of a circuit gets a resistor of its own. */
export const resistorEach = (jobId: string, circuitId: string) => (draft: Draft<Layout>) => {
  Object.assign(draft.jobs[jobId].circuits[circuitId], { limit: 'each', inSeries: 1 });
};

/** The resistor, or limiter setting, for the light a kind wants of a circuit; none where it wants none. */
export function wantedLimit({ job, jobId }: Bench, circuitIds: readonly string[], label?: string): Cure[] {
  const of = wantedLimitOf(job.kind);
  if (!of) return [];
  const limiters = circuitIds.every((id) => job.circuits[id].limit === 'limiter');
  return [
    {
      label:
        label ??
        (limiters ? 'Set the limiter for the wanted light' : 'Fit the resistor for the wanted light'),
      recipe: (draft) => circuitIds.map((id) => of(draft, jobId, id)).some(Boolean),
    },
  ];
}

/** A bridge in the first line in place of the rectifier it has; none where it has one, or none begins at the supply. */
export function fitBridge({ job, jobId }: Bench): Cure[] {
  const lineId = mainLineId(job);
  if (lineId === null || isWhole(job.lines[lineId]) || job.lines[lineId].eachWay) return [];
  return [
    {
      label: 'Fit a silicon bridge',
      recipe: (draft) => {
        const own = draft.jobs[jobId];
        putRectifier(own.lines[lineId], 'silicon-bridge');
        // Behind a bridge plus stays plus: lamps that lay to and fro lie alike.
        for (const c of Object.values(own.circuits))
          if (chainOf(own, c.lineId).some((l) => l.id === lineId)) c.senses = 'alike';
      },
    },
  ];
}

/** Resistance that keeps the charging of one job within its share of the supply's limit, in ohms, as sold. */
export function chargeOhms(supply: Supply): number {
  const kind = supplyKind(supply);
  const highest =
    supply.kind === 'ac-track' ? supply.highestRmsVolts * Math.SQRT2 : kind.highestVolts(supply);
  return nextPreferred(highest / (CHARGE_SHARE * kind.limit(supply).amps), 'E12');
}

/** A charge resistor before every reservoir, at least as large as keeps the supply from tripping. */
export function chargeGently({ job, jobId, supply }: Bench) {
  const ohms = chargeOhms(supply);
  return (draft: Draft<Layout>): boolean => {
    let changed = false;
    for (const [id, line] of Object.entries(job.lines)) {
      if (!stageOf(line, 'reservoir')) continue;
      const old = stageOf(line, 'charge');
      if (old && old.ohms >= ohms) continue;
      putStage(draft.jobs[jobId].lines[id], 'charge', {
        ohms,
        ratedWatts: old?.ratedWatts ?? 0.25,
        beside: old?.beside ?? false,
      });
      changed = true;
    }
    return changed;
  };
}

/**
 * A reservoir where the job has its own or would have one, behind a bridge where the supply changes
 * sides; its rating and the charge resistor it asks for are mended after.
 * @returns null where none can stand
 */
export function fitReservoir({ job, jobId, supply }: Bench, farads: number, ratedVolts: number) {
  const { changesSides } = supplyKind(supply);
  const lineId = reservoirLineId(job, changesSides) ?? mainLineId(job);
  if (lineId === null || job.lines[lineId].from.kind !== 'supply') return null;
  return (draft: Draft<Layout>): void => {
    const own = draft.jobs[jobId];
    const line = own.lines[lineId];
    if (changesSides && !isWhole(line) && !line.eachWay) {
      putRectifier(line, 'silicon-bridge');
      for (const c of Object.values(own.circuits))
        if (chainOf(own, c.lineId).some((l) => l.id === lineId)) c.senses = 'alike';
    }
    putStage(line, 'reservoir', {
      farads,
      ratedVolts: Math.max(ratedVolts, stageOf(line, 'reservoir')?.ratedVolts ?? 0),
    });
  };
}

/**
 * What may put right lamps that shine at the wrong time or never, the nearest to hand first: the two
 * leads of their line, at its beginning or behind what stands in it, one lamp turned, a steering diode
 * bridged, two outputs exchanged, the body turned end for end.
 */
export function wrongWayCures({ job, jobId, assembly }: Bench, lampIds: readonly string[]): Cure[] {
  const own = assembly.parts.filter(
    (p) =>
      p.lamp !== null &&
      lampIds.includes(p.lamp) &&
      p.circuit !== null &&
      (p.kind === 'lamp' || p.kind === 'bulb'),
  );
  const circuits = [...new Set(own.map((p) => p.circuit!))].map((id) => ({ ...job.circuits[id], id }));
  const roots = new Map(circuits.map((c) => chainOf(job, c.lineId)[0]).map((l) => [l.id, l]));
  const lines = [...roots.values()];
  const at = { pickups: 'at the pickups', 'motor-tags': 'at the motor tags', board: 'at the board' };
  return [
    ...lines.map((line): Cure => ({
      label: `Swap the two leads of ${line.name}`,
      says:
        line.from.kind === 'supply'
          ? `All of ${line.name} is the wrong way round, so its two leads change places, ${at[line.from.tap]}, where they are easiest to reach.`
          : 'Its two wires changed places at the plug: the blue one is the common positive and goes to the resistors.',
      recipe: (draft) => void (draft.jobs[jobId].lines[line.id].swapped = !line.swapped),
    })),
    ...circuits
      .filter((c) => Object.keys(job.lines[c.lineId].stages).length > 0)
      .map((c): Cure => ({
        label: `Swap the two leads of ${c.name} at the lamp board`,
        says: `What stands in the lead lies the right way; behind it the two leads of ${c.name} change places, at the lamp board.`,
        recipe: (draft) => void (draft.jobs[jobId].circuits[c.id].swapped = !c.swapped),
      })),
    ...own.flatMap((part): Cure[] => {
      const path = part.decides.reversed;
      if (!path) return [];
      return [
        {
          label: `Turn ${part.label}`,
          says: `Swapping leads would turn the others too: only ${part.label} is the wrong way round, at its own two joints.`,
          recipe: (draft) => setAt(draft, path, !job.lamps[part.lamp!].reversed),
        },
      ];
    }),
    ...lines.flatMap((line): Cure[] => {
      const stage = inOrder(line.stages).find((s) => s.kind === 'steering');
      if (stage?.left !== 'kept') return [];
      return [
        {
          label: `Bridge the steering diode of ${line.name}`,
          says: 'The old bulb’s diode lets current through one way only; a wire across it can be taken out again.',
          recipe: (draft) =>
            setAt(draft, ['jobs', jobId, 'lines', line.id, 'stages', stage.id, 'left'], 'bridged'),
        },
      ];
    }),
    ...exchanges(job.lines, jobId, lines),
    {
      label: 'Turn the body end for end',
      says: 'Everything shows at the wrong end: the body sits the other way round on its chassis.',
      recipe: (draft) => {
        let turned = false;
        for (const line of Object.values(draft.jobs[jobId].lines)) {
          if (line.from.kind !== 'supply') continue;
          line.swapped = !line.swapped;
          turned = true;
        }
        return turned;
      },
    },
  ];
}

/** Two outputs whose wires, white and yellow for instance, were taken for one another. */
function exchanges(
  all: Bench['job']['lines'],
  jobId: string,
  lines: readonly Bench['job']['lines'][string][],
): Cure[] {
  const outputs = [
    ...new Set(Object.values(all).flatMap((l) => (l.from.kind === 'output' ? [l.from.output] : []))),
  ];
  const own = [...new Set(lines.flatMap((l) => (l.from.kind === 'output' ? [l.from.output] : [])))];
  return own.flatMap((one) =>
    outputs
      .filter((two) => two !== one)
      .map((two): Cure => ({
        label: `Exchange outputs ${one.slice(3)} and ${two.slice(3)}`,
        says: `What hangs on output ${one.slice(3)} belongs on output ${two.slice(3)}: their two wires change places at the plug.`,
        recipe: (draft) => {
          for (const { from } of Object.values(draft.jobs[jobId].lines)) {
            if (from.kind !== 'output') continue;
            if (from.output === one) from.output = two;
            else if (from.output === two) from.output = one;
          }
        },
      })),
  );
}
