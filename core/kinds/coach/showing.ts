import { inOrder } from '../../document/in-order';
import { lampDrop, roomKinds } from './room-kinds';
import { thingKinds } from './thing-kinds';
import { windowShape } from './usual-interior';
import { coachInterior, type CoachInterior } from './interior';
import type { CoachRecord } from './record';

type Coach = Pick<CoachRecord, 'interior' | 'dimensions' | 'fit' | 'lamps'>;

/** Something that an eye beside the track sees through a window, or would from lower down. */
export interface Showing {
  readonly id: string;
  readonly kind: 'lamp' | 'board' | 'thing';
  readonly name: string;
  readonly placeMillimetres: number;
  readonly side: 'near' | 'far';
  readonly shows: boolean;
  /**
   * The heights of the eye above the rail between which it shows from that side, at the distance
   * given; null when it shows from nowhere.
   */
  readonly between: readonly [low: number, high: number] | null;
  /** What of it is seen highest up: from the near wall and above the floor. */
  readonly point: Point;
}

/** A point inside, from the near wall and the floor. */
export interface Point {
  readonly y: number;
  readonly z: number;
}

/** Share of the wheel's height at which a coach's floor stands above the rail (common practice, no source). */
const FLOOR_SHARE = 1.1;

/** Height of the floor above the rail, in millimetres. */
export const floorAboveRail = (dimensions: Pick<CoachRecord['dimensions'], 'wheelMillimetres'>): number =>
  dimensions.wheelMillimetres * FLOOR_SHARE;

/**
 * What shows through the windows: straight lines in the section from the eye through the window's
 * opening, past what stands in between. Along the coach the eye may be anywhere, so a room shows
 * what is in it when it has a window; toilets have frosted panes, and what lies below the seats or
 * the floor is covered.
 */
export function showingThrough(job: Coach): Showing[] {
  const laid = coachInterior(job);
  return (['near', 'far'] as const).flatMap((side) =>
    items(job).map((item): Showing => {
      const between = seenFrom(job, laid, item.place, item.points, side);
      const { aboveRailMillimetres: eye } = job.fit.eye;
      return {
        id: item.id,
        kind: item.kind,
        name: item.name,
        placeMillimetres: item.place,
        side,
        shows: between !== null && eye >= between[0] && eye <= between[1],
        between,
        point: item.points.reduce((a, b) => (b.z > a.z ? b : a)),
      };
    }),
  );
}

interface Item extends Pick<Showing, 'id' | 'kind' | 'name'> {
  readonly place: number;
  readonly points: readonly Point[];
}

function items(job: Coach): Item[] {
  const { interior, fit } = job;
  const middle = interior.widthMillimetres / 2;
  const lampZ = interior.seatMillimetres + lampDrop(interior);
  const lamps = inOrder(job.lamps)
    .map((l, i) => ({ ...l, number: i + 1 }))
    .filter((l) => l.role === 'room')
    .map((l): Item => ({
      id: l.id,
      kind: 'lamp',
      name: `Lamp ${l.number}`,
      place: l.placeMillimetres,
      points: [{ y: middle + l.acrossMillimetres, z: lampZ }],
    }));
  const { board } = fit;
  const boards: Item[] = board
    ? [-1, 1].map((s) => ({
        id: 'board',
        kind: 'board',
        name: 'Board',
        place: board.startMillimetres + board.lengthMillimetres / 2,
        points: [
          {
            y: middle + (s * board.widthMillimetres) / 2,
            z: interior.ceilingMillimetres - board.thicknessMillimetres,
          },
        ],
      }))
    : [];
  const things = inOrder(fit.things).flatMap((t): Item[] => {
    const top = t.bottomMillimetres + t.heightMillimetres;
    const bottom = Math.max(t.bottomMillimetres, interior.seatMillimetres);
    if (top <= bottom) return [];
    const ys = [-1, 1].map((s) => middle + t.acrossMillimetres + (s * t.widthMillimetres) / 2);
    return [
      {
        id: t.id,
        kind: 'thing',
        name: thingKinds[t.kind].name,
        place: t.placeMillimetres,
        points: ys.flatMap((y) => [bottom, (bottom + top) / 2, top].map((z) => ({ y, z }))),
      },
    ];
  });
  return [...lamps, ...boards, ...things];
}

/** The heights of the eye from which any of some points shows, or null. */
function seenFrom(
  job: Coach,
  laid: CoachInterior,
  place: number,
  points: readonly Point[],
  side: 'near' | 'far',
): readonly [number, number] | null {
  const room = laid.rooms.find((r) => place >= r.from && place < r.to);
  const panes = windowShape(job.dimensions);
  if (!room || roomKinds[room.kind].name === roomKinds.toilet.name) return null;
  const glazed = panes.centres.some((c) => c + panes.width / 2 > room.from && c - panes.width / 2 < room.to);
  if (!glazed) return null;
  const { width } = laid.light;
  const away = job.fit.eye.awayMillimetres;
  const floor = floorAboveRail(job.dimensions);
  const wall = laid.light.screens.find((s) => s.lies === 'along' && place > s.from && place < s.to);
  let low = Infinity;
  let high = -Infinity;
  for (const { y, z } of points) {
    const depth = side === 'near' ? y : width - y;
    // The eye's height for which the line to the point crosses the pane at a height: similar triangles.
    const eyeAt = (pane: number): number => z + ((pane - z) * (away + depth)) / Math.max(depth, 1e-6);
    let lowest = panes.sill;
    if (wall) {
      const toWall = side === 'near' ? wall.at : width - wall.at;
      // Behind the corridor's wall only lines over its top pass.
      if (toWall < depth) {
        lowest = Math.max(lowest, z + ((wall.top - z) * depth) / (depth - toWall));
      }
    }
    if (lowest >= panes.head) continue;
    low = Math.min(low, eyeAt(lowest) + floor);
    high = Math.max(high, eyeAt(panes.head) + floor);
  }
  return low <= high ? [low, high] : null;
}

/**
 * Where the line of sight from the eye to a point stands above the floor, at a distance before the
 * near wall; outside the coach the distance is below zero.
 */
export function sightLine(job: Pick<CoachRecord, 'dimensions' | 'fit'>, point: Point, y: number): number {
  const { aboveRailMillimetres, awayMillimetres } = job.fit.eye;
  const eye = aboveRailMillimetres - floorAboveRail(job.dimensions);
  return point.z + ((eye - point.z) * (point.y - y)) / (point.y + awayMillimetres);
}
