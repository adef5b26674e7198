import { change, type Patch } from '../../document/patch';
import { coachIn } from './jobs';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';
import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { usualCircuit } from '../../document/usual-circuit';
import {
  lineFrom,
  mainLineId,
  putRectifier,
  putStage,
  rectifierOf,
  stageOf,
  takeStage,
} from '../../document/line-stages';
import { usualLamp } from './usual-lamp';
import { leds } from '../../part/led';
import { supplyKind } from '../../supply';
import { benchOf } from '../../study/bench';
import { refusedCombination } from '../../study/combination';
import { noLoadStudy } from '../../study/no-load';
import { fitLimit, proposeLimit } from './proposal';
import { reservoirRatingFor } from '../../study/ride';
import { spreadPlaces } from './places';
import type { Draft } from 'immer';

/** A way of lighting a coach that people follow. */
export interface School {
  readonly id: string;
  readonly name: string;
  /** What speaks for it, in a few words. */
  readonly says: string;
  readonly lay: (job: Draft<Job>, layout: Layout) => void;
}

const UNIT_GAP_MILLIMETRES = 4;

/** Replaces the lamps of the rooms by so many of another type, evenly spread on the centre line, all in the first group. */
export function layLamps(job: Draft<Job>, part: string, count: number): void {
  const circuitId = firstCircuit(job);
  const places = spreadPlaces(count, job.dimensions.lengthMillimetres);
  const tint = Object.values(job.lamps).find((l) => l.role === 'room')?.tint ?? 'none';
  const others = Object.entries(job.lamps).filter(([, l]) => l.role !== 'room');
  job.lamps = Object.fromEntries([
    ...places.map((placeMillimetres, i): [string, Job['lamps'][string]] => [
      `lamp-${i + 1}`,
      usualLamp({ order: i + 1, part, placeMillimetres, circuitId, tint }),
    ]),
    ...others,
  ]);
}

/** The line all lamps of a coach hang on; made when there is none. */
export function mainLine(job: Pick<Draft<Job>, 'lines'>): string {
  const id = mainLineId(job);
  if (id !== null) return id;
  job.lines.roof = lineFrom({ kind: 'supply', tap: 'pickups', supplyId: null }, 1, 'Roof');
  return 'roof';
}

/** The first circuit of a job; made when there is none. */
export function firstCircuit(job: Draft<Job>): string {
  const first = inOrder(job.circuits)[0];
  if (first) return first.id;
  job.circuits.roof = usualCircuit(1, 'Roof', mainLine(job));
  return 'roof';
}

const lampFormed = (job: Job, layout: Layout, form: string): boolean =>
  Object.values(job.lamps).some((l) => lampType(layout, l.part).form === form);

/** Bare lamps where the coach has none: as many as it has windows. */
function bareLamps(job: Draft<Job>, layout: Layout): void {
  if (!lampFormed(job as Job, layout, 'led')) layLamps(job, 'white-warm', job.dimensions.windowCount);
}

/** Strip units as many as the roof has room for. */
function strip(job: Draft<Job>): void {
  const unit = leds['strip-warm'].unitMillimetres! + UNIT_GAP_MILLIMETRES;
  layLamps(job, 'strip-warm', Math.max(1, Math.floor(job.dimensions.lengthMillimetres / unit)));
}

const limit = (job: Draft<Job>, figures: Partial<Job['circuits'][string]>): void => {
  const id = firstCircuit(job);
  Object.assign(job.circuits[id], { inSeries: 1, ...figures });
  for (const lamp of Object.values(job.lamps))
    if (lamp.circuitId === id) Object.assign(lamp, { builtIn: { kind: 'nothing' }, ohms: null });
};

export const schools: readonly School[] = [
  {
    id: 'each',
    name: 'A resistor each',
    says: 'even, and each lamp can be set by itself',
    lay: (job, layout) => {
      bareLamps(job, layout);
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'each' });
    },
  },
  {
    id: 'shared',
    name: 'One resistor for all',
    says: 'fewest parts; as even as the lamps are alike',
    lay: (job, layout) => {
      bareLamps(job, layout);
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'shared' });
    },
  },
  {
    id: 'strings',
    name: 'Lamps in strings',
    says: 'the same current lights two or three lamps',
    lay: (job, layout) => {
      bareLamps(job, layout);
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'each', inSeries: 2 });
    },
  },
  {
    id: 'limiter',
    name: 'Strip on a current limiter',
    says: 'steady light whatever the track does',
    lay: (job) => {
      strip(job);
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'limiter', limiterAmps: 0.01 });
    },
  },
  {
    id: 'strip',
    name: 'Strip behind a resistor',
    says: 'quick to lay, cut to length',
    lay: (job) => {
      strip(job);
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'shared' });
    },
  },
  {
    id: 'regulator',
    name: 'Regulator board, 5 V',
    says: 'the lamps never see what the track does',
    lay: (job, layout) => {
      bareLamps(job, layout);
      putStage(job.lines[mainLine(job)], 'regulator', {
        outVolts: 5,
        dropoutVolts: 1.2,
        quiescentAmps: 0.003,
      });
      limit(job, { limit: 'each' });
    },
  },
  {
    id: 'bar',
    name: 'One lamp in a light bar',
    says: 'one lamp, two joints, soft light',
    lay: (job) => {
      layLamps(job, 'bar-warm', 1);
      for (const lamp of Object.values(job.lamps)) lamp.placeMillimetres = 6;
      takeStage(job.lines[mainLine(job)], 'regulator');
      limit(job, { limit: 'each' });
    },
  },
];

/** What speaks against a school for a job, or the change it makes. */
export type SchoolOffer =
  | { readonly school: School; readonly patches: readonly Patch[]; readonly refused: null }
  | { readonly school: School; readonly patches: null; readonly refused: string };

/**
 * The same coach by another school, on a supply: laid out, rectified where the supply changes sides,
 * rated for what it sees, and sized for the wanted light.
 * @param supplyId the supply to hang it on; its own when left out
 */
export function offerSchool(layout: Layout, jobId: string, school: School, supplyId?: string): SchoolOffer {
  let laid = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    if (supplyId !== undefined) job.supplyId = supplyId;
    const kind = supplyKind(layout.supplies[job.supplyId]);
    const line = job.lines[mainLine(job)];
    if (kind.changesSides && rectifierOf(line) === 'none') putRectifier(line, 'silicon-bridge');
    school.lay(job, layout);
  }).layout;
  const refused = refusedCombination(laid, jobId);
  if (refused !== null) return { school, patches: null, refused };
  const lineId = mainLineId(coachIn(laid, jobId))!;
  const reservoir = stageOf(coachIn(laid, jobId).lines[lineId], 'reservoir');
  if (reservoir) {
    const bench = benchOf(laid, jobId);
    const sees = Math.max(0, ...noLoadStudy(bench).map((n) => n.volts.greatest));
    const rating = reservoirRatingFor(bench);
    if (rating !== null && sees > 0 && reservoir.ratedVolts < rating) {
      const { farads } = reservoir;
      laid = change(laid, (draft) =>
        putStage(coachIn(draft, jobId).lines[lineId], 'reservoir', { farads, ratedVolts: rating }),
      ).layout;
    }
  }
  for (const circuitId of Object.keys(coachIn(laid, jobId).circuits)) {
    const proposal = proposeLimit(laid, jobId, circuitId);
    if (proposal) laid = change(laid, (draft) => fitLimit(coachIn(draft, jobId), circuitId, proposal)).layout;
  }
  const final = coachIn(laid, jobId);
  const { patches } = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    for (const key of ['supplyId', 'lines', 'circuits', 'lamps'] as const) {
      if (job[key] !== final[key]) Object.assign(job, { [key]: final[key] });
    }
  });
  return { school, patches, refused: null };
}
