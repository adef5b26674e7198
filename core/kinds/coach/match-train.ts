import { coachIn } from './jobs';
import type { Layout } from '../../document/layout';
import { inOrder } from '../../document/in-order';
import { lampType, lampTypes } from '../../document/lamp-type';
import { change, type Change } from '../../document/patch';
import { colourDifference, SEEN_COLOUR, type Chromaticity } from '../../light/difference';
import { tintedLight } from '../../light/tinted';
import { tints } from '../../part/tint';
import { fitLimit, proposeLimit } from './proposal';
import { solvedCoach } from './solved-coach';
import { matchBeside, trainStudy, type CarMatch } from '../../study/train';
import type { LedPart } from '../../part/led';

/** What matching a train to one of its coaches does. */
export interface TrainMatching extends Change {
  /** How every coach looked beside the one, and how it then looks. */
  readonly before: readonly CarMatch[];
  readonly after: readonly CarMatch[];
}

/** A lamp type and tint by their colour. */
interface Dress {
  readonly part: string;
  readonly tint: string;
}

/**
 * Changes the other coaches of a train so that they look like one of them: lamps of the same form in
 * the nearest colour, or behind the nearest tint, and then the resistor or limiter for its light.
 * Lamps that are right stay as they are.
 * @param onProgress told how much is done, 0 to 1
 */
export function matchTrain(
  layout: Layout,
  trainId: string,
  carId: string,
  onProgress?: (share: number) => boolean | undefined,
): TrainMatching {
  const study = trainStudy(layout, trainId);
  const model = study.cars.find((c) => c.carId === carId);
  const before = matchBeside(study, carId);
  const aim = model?.look?.xy;
  if (!model || !aim) return { ...change(layout, () => undefined), before, after: before };
  const others = [...new Set(study.cars.filter((c) => c.look).map((c) => c.id))].filter(
    (id) => id !== model.id,
  );
  let at = layout;
  others.forEach((jobId, i) => {
    at = dressed(at, jobId, aim);
    at = change(
      at,
      (draft) => void (coachIn(draft, jobId).wantedLux = Number(model.look!.lux.toPrecision(3))),
    ).layout;
    at = lit(at, jobId);
    onProgress?.((i + 1) / others.length);
  });
  const made = change(layout, (draft) => {
    for (const id of others) draft.jobs[id] = coachIn(at, id);
  });
  return { ...made, before, after: matchBeside(trainStudy(made.layout, trainId), carId) };
}

/** Room lamps in the colour nearest to one, by type or by tint; a coach that is near enough stays. */
function dressed(layout: Layout, jobId: string, aim: Chromaticity): Layout {
  const job = coachIn(layout, jobId);
  return change(layout, (draft) => {
    for (const [lampId, lamp] of Object.entries(job.lamps)) {
      if (lamp.role !== 'room') continue;
      const now = { part: lamp.part, tint: lamp.tint };
      if (off(layout, now, aim) < SEEN_COLOUR) continue;
      const best = nearestDress(layout, lampType(layout, lamp.part), now, aim);
      Object.assign(coachIn(draft, jobId).lamps[lampId], best);
    }
  }).layout;
}

function off(layout: Layout, { part, tint }: Dress, aim: Chromaticity): number {
  const light = tintedLight(lampType(layout, part).colour, tints[tint]);
  return light.share > 0 ? colourDifference(light, aim) : Infinity;
}

/** Bare lamps of the right colour go before tinted ones: a tint costs light. */
function nearestDress(layout: Layout, led: LedPart, now: Dress, aim: Chromaticity): Dress {
  const types = lampTypes(layout).filter(
    (t) => t.form === led.form && t.inSeries === led.inSeries && t.unitMillimetres === led.unitMillimetres,
  );
  const keep = { part: now.part, tint: now.tint };
  const choices: Dress[] = [keep];
  for (const t of types) for (const tint of Object.keys(tints)) choices.push({ part: t.id, tint });
  const cost = (d: Dress): number =>
    off(layout, d, aim) +
    (d.tint === 'none' || d.tint === now.tint ? 0 : TINT_COST) +
    // Soft light stays soft, and hard light hard.
    (tints[d.tint].spreadMillimetres === tints[now.tint].spreadMillimetres ? 0 : 1);
  return choices.reduce((best, d) => (cost(d) < cost(best) - 1e-9 ? d : best), keep);
}

/** Difference of colour that is borne to do without a tint. */
const TINT_COST = 0.003;

/** Fits a coach's first group of room lamps for the wanted light. */
function lit(layout: Layout, jobId: string): Layout {
  const job = coachIn(layout, jobId);
  const group = inOrder(job.circuits).find((g) =>
    Object.values(job.lamps).some((l) => l.circuitId === g.id && l.role === 'room'),
  );
  const proposal = group && proposeLimit(layout, jobId, group.id);
  if (!group || !proposal) return layout;
  const reached = solvedCoach(layout, jobId).light?.litLux ?? 0;
  const offNow = Math.abs(Math.log(Math.max(1e-9, reached) / job.wantedLux));
  if (offNow <= Math.abs(Math.log(proposal.lux / job.wantedLux))) return layout;
  return change(layout, (draft) => {
    fitLimit(coachIn(draft, jobId), group.id, proposal);
  }).layout;
}
