import { change, type Patch } from '../document/patch';
import { coachIn } from '../document/jobs';
import type { Job, Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { usualGroup, usualLamp } from '../document/usual-lamp';
import { leds } from '../part/led';
import { supplyKind } from '../supply';
import { benchOf } from './bench';
import { refusedCombination } from './combination';
import { noLoadStudy } from './no-load';
import { proposeDrive } from './proposal';
import { reservoirRatingFor } from './ride';
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
  const groupId = firstGroup(job);
  const places = spreadPlaces(count, job.dimensions.lengthMillimetres);
  const tint = Object.values(job.lamps).find((l) => l.role === 'room')?.tint ?? 'none';
  const others = Object.entries(job.lamps).filter(([, l]) => l.role !== 'room');
  job.lamps = Object.fromEntries([
    ...places.map((placeMillimetres, i): [string, Job['lamps'][string]] => [
      `lamp-${i + 1}`,
      usualLamp({ order: i + 1, part, placeMillimetres, groupId, tint }),
    ]),
    ...others,
  ]);
}

/** The first group of a job; made when there is none. */
export function firstGroup(job: Draft<Job>): string {
  const first = inOrder(job.groups)[0];
  if (first) return first.id;
  job.groups.roof = usualGroup(1);
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

const drive = (job: Draft<Job>, figures: Partial<Job['groups'][string]>): void => {
  Object.assign(job.groups[firstGroup(job)], { inSeries: 1, builtIn: { kind: 'nothing' }, ...figures });
};

export const schools: readonly School[] = [
  {
    id: 'each',
    name: 'A resistor each',
    says: 'even, and each lamp can be set by itself',
    lay: (job, layout) => {
      bareLamps(job, layout);
      job.conditioning.regulator = null;
      drive(job, { drive: 'resistor-each' });
    },
  },
  {
    id: 'shared',
    name: 'One resistor for all',
    says: 'fewest parts; as even as the lamps are alike',
    lay: (job, layout) => {
      bareLamps(job, layout);
      job.conditioning.regulator = null;
      drive(job, { drive: 'resistor-shared' });
    },
  },
  {
    id: 'strings',
    name: 'Lamps in strings',
    says: 'the same current lights two or three lamps',
    lay: (job, layout) => {
      bareLamps(job, layout);
      job.conditioning.regulator = null;
      drive(job, { drive: 'resistor-each', inSeries: 2 });
    },
  },
  {
    id: 'limiter',
    name: 'Strip on a current limiter',
    says: 'steady light whatever the track does',
    lay: (job) => {
      strip(job);
      job.conditioning.regulator = null;
      drive(job, { drive: 'limiter', limiterAmps: 0.01 });
    },
  },
  {
    id: 'strip',
    name: 'Strip behind a resistor',
    says: 'quick to lay, cut to length',
    lay: (job) => {
      strip(job);
      job.conditioning.regulator = null;
      drive(job, { drive: 'resistor-shared' });
    },
  },
  {
    id: 'regulator',
    name: 'Regulator board, 5 V',
    says: 'the lamps never see what the track does',
    lay: (job, layout) => {
      bareLamps(job, layout);
      job.conditioning.regulator = { outVolts: 5, dropoutVolts: 1.2, quiescentAmps: 0.003 };
      drive(job, { drive: 'resistor-each' });
    },
  },
  {
    id: 'bar',
    name: 'One lamp in a light bar',
    says: 'one lamp, two joints, soft light',
    lay: (job) => {
      layLamps(job, 'bar-warm', 1);
      for (const lamp of Object.values(job.lamps)) lamp.placeMillimetres = 6;
      job.conditioning.regulator = null;
      drive(job, { drive: 'resistor-each' });
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
    if (kind.changesSides && job.conditioning.rectifier === 'none')
      job.conditioning.rectifier = 'silicon-bridge';
    school.lay(job, layout);
  }).layout;
  const refused = refusedCombination(laid, jobId);
  if (refused !== null) return { school, patches: null, refused };
  const { reservoir } = coachIn(laid, jobId).conditioning;
  if (reservoir) {
    const sees = noLoadStudy(benchOf(laid, jobId))?.volts.greatest ?? 0;
    const rating = reservoirRatingFor(laid, jobId);
    if (rating !== null && sees > 0 && reservoir.ratedVolts < rating) {
      laid = change(
        laid,
        (draft) => void (coachIn(draft, jobId).conditioning.reservoir!.ratedVolts = rating),
      ).layout;
    }
  }
  for (const groupId of Object.keys(coachIn(laid, jobId).groups)) {
    const proposal = proposeDrive(laid, jobId, groupId);
    if (!proposal) continue;
    laid = change(laid, (draft) => {
      const group = coachIn(draft, jobId).groups[groupId];
      group.drive = proposal.drive;
      if (proposal.drive === 'limiter') group.limiterAmps = proposal.figure;
      else Object.assign(group, { ohms: proposal.figure, ratedWatts: Math.max(0.125, proposal.ratedWatts) });
    }).layout;
  }
  const final = coachIn(laid, jobId);
  const { patches } = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    for (const key of ['supplyId', 'conditioning', 'groups', 'lamps'] as const) {
      if (job[key] !== final[key]) Object.assign(job, { [key]: final[key] });
    }
  });
  return { school, patches, refused: null };
}
