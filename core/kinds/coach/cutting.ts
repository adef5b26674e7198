import { change } from '../../document/patch';
import { coachIn } from './jobs';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';
import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { roomKinds } from './room-kinds';
import { coachLight, type CoachLight } from './light';
import { darkRooms } from './dark-rooms';
import { hangLamps, rowsOfLamps } from './hang-lamps';
import { placeLamps } from './place-lamps';
import { showingThrough } from './showing';
import { solvedCoach } from './solved-coach';
import type { Patch } from '../../document/patch';
import type { Draft } from 'immer';

/** What material is taken off: for each, what half a millimetre costs and whether it comes back. */
export const cuttables = {
  partitions: {
    name: 'Partitions, tops',
    minutesEach: 2,
    undone: 'a strip glued on again, which shows',
  },
  'seat-backs': { name: 'Seat-backs, tops', minutesEach: 1, undone: 'hardly: the seat is lower for good' },
  corridor: { name: 'Corridor wall, top', minutesEach: 6, undone: 'a strip glued on again, which shows' },
  board: { name: 'Board, thinner or nearer the roof', minutesEach: 4, undone: 'a new board' },
} as const;
export type Cuttable = keyof typeof cuttables;

export const CUT_STEP = 0.5;
const STEPS = 8;
/** Light that a room gains by less than this is not worth a file. */
const GAIN_SHARE = 0.1;

/** What so much off one thing buys. */
export interface CutOffer {
  readonly what: Cuttable;
  readonly millimetres: number;
  /** Rooms that gain light, with how much of what they had; 9.99 stands for far more. */
  readonly gains: readonly { readonly name: string; readonly share: number }[];
  /** What then shows through a window and did not before. */
  readonly becomesVisible: readonly string[];
  readonly minutes: number;
  readonly undone: string;
  readonly stillDark: readonly string[];
  readonly patches: readonly Patch[];
}

/** The least that lights every room, the way without cutting first. */
export interface LeastCutting {
  readonly way: 'as it is' | 'better places' | 'two rows' | 'cut' | 'none';
  readonly says: string;
  readonly patches: readonly Patch[];
}

export interface CuttingStudy {
  readonly offers: readonly CutOffer[];
  readonly least: LeastCutting;
}

/** Lamps in a row that are tried at most. */
const MOST_ROW = 12;

/**
 * What cutting would buy, half a millimetre at a time, and whether it is needed at all. The light is
 * that of the lamps as they burn now; only the inside changes.
 * @param lampsStay whether the lamps hang for good, so that other places are not tried
 * @param onProgress told how much is done, 0 to 1; return true to stop and have what there is
 */
export function cuttingStudy(
  layout: Layout,
  jobId: string,
  lampsStay = false,
  onProgress?: (share: number) => boolean | undefined,
): CuttingStudy {
  const job = coachIn(layout, jobId);
  const kinds = (Object.keys(cuttables) as Cuttable[]).filter((k) => piecesOf(job, k) > 0);
  const before = lightOf(layout, jobId);
  const shownBefore = showing(job);
  const offers: CutOffer[] = [];
  let done = 0;
  const total = kinds.length * STEPS + 2;
  const tell = (): boolean => onProgress?.(++done / total) === true;
  let stopped = false;
  for (const what of kinds) {
    for (let k = 1; k <= STEPS && !stopped; k++) {
      const millimetres = k * CUT_STEP;
      const cut = change(layout, (draft) => takeOff(coachIn(draft, jobId), what, millimetres));
      stopped = tell();
      if (cut.patches.length === 0) continue;
      const after = lightOf(cut.layout, jobId);
      offers.push({
        what,
        millimetres,
        gains: gainsOf(before, after),
        becomesVisible: showing(coachIn(cut.layout, jobId)).filter((s) => !shownBefore.includes(s)),
        minutes: cuttables[what].minutesEach * k * piecesOf(job, what),
        undone: cuttables[what].undone,
        stillDark: darkRooms(after).map((r) => r.name),
        patches: cut.patches,
      });
    }
  }
  return {
    offers,
    least: stopped ? none(before) : leastCutting(layout, jobId, before, offers, lampsStay, tell),
  };
}

function lightOf(layout: Layout, jobId: string): CoachLight {
  const { job, steady } = solvedCoach(layout, jobId);
  return coachLight(job, steady ?? { dies: [] });
}

const showing = (job: Job): string[] => [
  ...new Set(
    showingThrough(job)
      .filter((s) => s.shows)
      .map((s) => s.name),
  ),
];

/** How many pieces there are of a kind to be cut. */
function piecesOf(job: Job, what: Cuttable): number {
  const { interior } = job;
  switch (what) {
    case 'partitions':
      return inOrder(interior.rooms)
        .slice(0, -1)
        .filter((r) => r.partitionMillimetres > 0).length;
    case 'seat-backs':
      return Object.keys(interior.seatBacks).length;
    case 'corridor':
      return interior.corridor && inOrder(interior.rooms).some((r) => roomKinds[r.kind].besideCorridor)
        ? 1
        : 0;
    case 'board':
      return interior.lampsBelowCeilingMillimetres > 0 ? 1 : 0;
  }
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Takes so much more off every piece of a kind; pieces without so much are taken off whole. */
function takeOff(job: Draft<Job>, what: Cuttable, millimetres: number): void {
  const { interior } = job;
  switch (what) {
    case 'partitions':
      for (const r of Object.values(interior.rooms))
        r.partitionCutMillimetres = tenth(
          Math.min(r.partitionMillimetres, r.partitionCutMillimetres + millimetres),
        );
      return;
    case 'seat-backs':
      for (const b of Object.values(interior.seatBacks))
        b.cutMillimetres = tenth(Math.min(b.heightMillimetres, b.cutMillimetres + millimetres));
      return;
    case 'corridor':
      if (interior.corridor)
        interior.corridor.wallMillimetres = tenth(
          Math.max(0, interior.corridor.wallMillimetres - millimetres),
        );
      return;
    case 'board': {
      const most = interior.lampsBelowCeilingMillimetres;
      if (most - millimetres >= 0) interior.lampsBelowCeilingMillimetres = tenth(most - millimetres);
    }
  }
}

function gainsOf(before: CoachLight, after: CoachLight): { name: string; share: number }[] {
  return after.rooms.flatMap((r) => {
    const had = before.rooms.find((b) => b.id === r.id)?.lux ?? 0;
    const share = had > 0 ? Math.min(9.99, r.lux / had - 1) : r.lux > 0 ? 9.99 : 0;
    return share >= GAIN_SHARE ? [{ name: r.name, share }] : [];
  });
}

const none = (before: CoachLight): LeastCutting => ({
  way: 'none',
  says: `${darkRooms(before).length} rooms stay dark; the search was stopped.`,
  patches: [],
});

function leastCutting(
  layout: Layout,
  jobId: string,
  before: CoachLight,
  offers: readonly CutOffer[],
  lampsStay: boolean,
  tell: () => boolean,
): LeastCutting {
  const dark = darkRooms(before);
  if (dark.length === 0) {
    return { way: 'as it is', says: 'Every room is lit. Nothing needs to be cut.', patches: [] };
  }
  const job = coachIn(layout, jobId);
  const circuitId = inOrder(job.circuits).find((g) => rowsOfLamps(job, g.id).length > 0)?.id;
  if (circuitId && !lampsStay) {
    const [count] = rowsOfLamps(job, circuitId).map((r) => r.length);
    const like = inOrder(job.lamps).find((l) => l.circuitId === circuitId && l.role === 'room')!;
    const wish = { led: lampType(layout, like.part), tint: like.tint, aimDegrees: like.aimDegrees };
    const row = Math.min(MOST_ROW, count);
    for (const [way, perRow] of [
      ['better places', [row]],
      ['two rows', [row, row]],
    ] as const) {
      const { places } = placeLamps(job, { ...wish, perRow });
      tell();
      const hung = change(layout, (draft) => hangLamps(coachIn(draft, jobId), circuitId, places));
      if (darkRooms(lightOf(hung.layout, jobId)).length > 0) continue;
      const says =
        way === 'two rows'
          ? `Two rows of ${row} light every room. Nothing needs to be cut.`
          : 'The same lamps in better places light every room. Nothing needs to be cut.';
      return { way, says, patches: hung.patches };
    }
  }
  const enough = offers.filter((o) => o.stillDark.length === 0);
  if (enough.length === 0) {
    return {
      way: 'none',
      says: `${lampsStay ? 'No cut' : 'Neither other places nor cutting'} up to ${STEPS * CUT_STEP} mm lights ${dark.map((r) => r.name.toLowerCase()).join(', ')}: a lamp of their own does.`,
      patches: [],
    };
  }
  const least = [...enough].sort((a, b) => irreversible(a) - irreversible(b) || a.minutes - b.minutes)[0];
  return {
    way: 'cut',
    says: `${cuttables[least.what].name}: ${least.millimetres} mm off lights every room, in about ${least.minutes} minutes.`,
    patches: least.patches,
  };
}

/** What cannot be had again weighs first, then how deep it goes. */
function irreversible(offer: CutOffer): number {
  const rank: Readonly<Record<Cuttable, number>> = { board: 0, partitions: 1, corridor: 2, 'seat-backs': 3 };
  return 100 * rank[offer.what] + offer.millimetres;
}
