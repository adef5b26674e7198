import { inOrder } from '../../document/in-order';
import type { BoardRecord } from './fit-record';
import { thingKinds } from './thing-kinds';
import { coachInterior } from './interior';
import type { CoachRecord } from './record';

type Coach = Pick<CoachRecord, 'interior' | 'dimensions' | 'fit'>;

/** A place where something has to go, to be cut or filed out; millimetres. */
export interface Notch {
  /** What it goes into. */
  readonly into: 'board' | 'partition' | 'seat-back' | 'corridor wall';
  /** Middle along the coach, and length along it. */
  readonly placeMillimetres: number;
  readonly lengthMillimetres: number;
  /** From the edge or the top inwards. */
  readonly depthMillimetres: number;
  /** For partitions and seat-backs: how wide, across the coach. */
  readonly widthMillimetres: number | null;
}

/** One question of fit, answered in millimetres. */
export interface FitAnswer {
  readonly id:
    'board-width' | 'board-tabs' | 'board-length' | 'board-under' | 'lamps-clear' | `thing-${string}`;
  readonly question: string;
  /** What is there, and what is needed. */
  readonly hasMillimetres: number;
  readonly needsMillimetres: number;
  /** Room to spare; below zero what is lacking. */
  readonly spareMillimetres: number;
  readonly notches: readonly Notch[];
}

/** Room a file leaves beside a tab, at each end of a notch. */
const NOTCH_PLAY = 0.5;
/** Parts that only touch are taken to fit: millimetres. */
export const TOUCH = 1e-6;

const answer = (
  id: FitAnswer['id'],
  question: string,
  hasMillimetres: number,
  needsMillimetres: number,
  notches: readonly Notch[] = [],
): FitAnswer => ({
  id,
  question,
  hasMillimetres,
  needsMillimetres,
  spareMillimetres: hasMillimetres - needsMillimetres,
  notches,
});

/** Whether everything goes in, question by question, from the numbers alone. */
export function fitAnswers(job: Coach): FitAnswer[] {
  const { board } = job.fit;
  return [...(board ? boardAnswers(job, board) : []), ...thingAnswers(job)];
}

function boardAnswers(job: Coach, board: BoardRecord): FitAnswer[] {
  const { interior, dimensions, fit } = job;
  const answers = [
    answer('board-width', 'Board between the side walls', interior.widthMillimetres, board.widthMillimetres),
    answer(
      'board-length',
      'Board from end to end',
      dimensions.lengthMillimetres - board.startMillimetres,
      board.lengthMillimetres,
    ),
  ];
  if (fit.tabs) {
    const { apartMillimetres, lengthMillimetres, placesMillimetres } = fit.tabs;
    const beside = placesMillimetres.filter((p) => meets(board, p, lengthMillimetres));
    const depth = (board.widthMillimetres - apartMillimetres) / 2;
    if (beside.length > 0) {
      answers.push(
        answer(
          'board-tabs',
          'Board between the roof tabs',
          apartMillimetres,
          board.widthMillimetres,
          depth > TOUCH
            ? beside.map((placeMillimetres) => ({
                into: 'board' as const,
                placeMillimetres,
                lengthMillimetres: lengthMillimetres + 2 * NOTCH_PLAY,
                depthMillimetres: depth,
                widthMillimetres: null,
              }))
            : [],
        ),
      );
    }
  }
  answers.push(underBoard(job, board));
  answers.push(
    answer(
      'lamps-clear',
      'Light below the ceiling, against the board',
      interior.lampsBelowCeilingMillimetres,
      board.thicknessMillimetres,
    ),
  );
  return answers;
}

const meets = (board: BoardRecord, place: number, length: number): boolean =>
  place + length / 2 > board.startMillimetres &&
  place - length / 2 < board.startMillimetres + board.lengthMillimetres;

/** What hangs lowest of a board at a place, below the ceiling. */
function hangs(board: BoardRecord, place: number): number {
  const { tallest } = board;
  const under =
    tallest && Math.abs(place - tallest.placeMillimetres) <= tallest.lengthMillimetres / 2
      ? tallest.heightMillimetres
      : 0;
  return board.thicknessMillimetres + under;
}

/** Partitions, seat-backs and the corridor's wall below the board: the tightest, and a notch for each that is in the way. */
function underBoard(job: Coach, board: BoardRecord): FitAnswer {
  const { interior } = job;
  const { light, rooms } = coachInterior(job);
  const half = board.widthMillimetres / 2;
  const [near, far] = [light.width / 2 - half, light.width / 2 + half];
  const end = board.startMillimetres + board.lengthMillimetres;
  let tightest = { room: interior.ceilingMillimetres, needs: hangs(board, board.startMillimetres) };
  const notches: Notch[] = [];
  for (const s of light.screens) {
    const across = s.lies === 'across';
    const crosses = across
      ? s.at > board.startMillimetres && s.at < end && s.to > near && s.from < far
      : s.at > near && s.at < far && s.to > board.startMillimetres && s.from < end;
    if (!crosses) continue;
    const needs = across ? hangs(board, s.at) : deepest(board, s.from, s.to);
    const room = interior.ceilingMillimetres - s.top;
    if (room - needs < tightest.room - tightest.needs) tightest = { room, needs };
    if (needs - room <= TOUCH) continue;
    const wall = rooms.some((r) => across && Math.abs(r.to - s.at) < TOUCH);
    notches.push({
      into: across ? (wall ? 'partition' : 'seat-back') : 'corridor wall',
      placeMillimetres: across ? s.at : (Math.max(s.from, board.startMillimetres) + Math.min(s.to, end)) / 2,
      lengthMillimetres: across ? 0 : Math.min(s.to, end) - Math.max(s.from, board.startMillimetres),
      depthMillimetres: needs - room,
      widthMillimetres: across ? Math.min(s.to, far) - Math.max(s.from, near) + 2 * NOTCH_PLAY : null,
    });
  }
  return answer('board-under', 'Ceiling to the tops below the board', tightest.room, tightest.needs, notches);
}

/** The most that hangs of a board over a stretch. */
function deepest(board: BoardRecord, from: number, to: number): number {
  const { tallest } = board;
  const over =
    tallest &&
    tallest.placeMillimetres + tallest.lengthMillimetres / 2 > from &&
    tallest.placeMillimetres - tallest.lengthMillimetres / 2 < to;
  return board.thicknessMillimetres + (over ? tallest.heightMillimetres : 0);
}

/** Every thing in the room it stands in: as wide, and as high as there is. */
function thingAnswers(job: Coach): FitAnswer[] {
  const { interior, fit, dimensions } = job;
  const { rooms } = coachInterior(job);
  return inOrder(fit.things).flatMap((thing): FitAnswer[] => {
    const { name } = thingKinds[thing.kind];
    const id = `thing-${thing.id}` as const;
    // Below the floor there are no rooms: only the body's own length counts.
    if (thing.bottomMillimetres + thing.heightMillimetres <= 0) {
      const half = thing.lengthMillimetres / 2;
      const spare =
        2 * Math.min(thing.placeMillimetres, dimensions.lengthMillimetres - thing.placeMillimetres);
      return [answer(id, `${name} below the floor, along`, spare, 2 * half)];
    }
    const room = rooms.find((r) => thing.placeMillimetres >= r.from && thing.placeMillimetres < r.to);
    if (!room) return [];
    const high = interior.ceilingMillimetres - thing.bottomMillimetres;
    const middle = interior.widthMillimetres / 2 + thing.acrossMillimetres;
    const wide = 2 * Math.min(middle - room.nearest, room.farthest - middle);
    const long = 2 * Math.min(thing.placeMillimetres - room.from, room.to - thing.placeMillimetres);
    const asked = [
      answer(id, `${name}, height`, high, thing.heightMillimetres),
      answer(id, `${name}, across`, wide, thing.widthMillimetres),
      // A seat-back or a low screen does not end a room; a partition does.
      answer(id, `${name}, along`, long, thing.lengthMillimetres),
    ];
    // The tightest is told.
    return [asked.reduce((a, b) => (b.spareMillimetres < a.spareMillimetres ? b : a))];
  });
}

/** Answers that lack room. */
export function lacking(answers: readonly FitAnswer[]): FitAnswer[] {
  return answers.filter((a) => a.spareMillimetres < -TOUCH);
}
