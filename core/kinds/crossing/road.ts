import { modelMillimetres, type ScaleName } from '../../quantity/scale';
import type { CrossingLamp, CrossingRecord } from './record';

/** A crossing full size, in metres (common practice, no source). */
const HEIGHT = 2.3;
const SPACING = 0.62;
const LENS = 0.2;
const POST = 0.14;
const APART = 9;
const BARRIER = 4.6;
/** Lamps along a barrier. */
const ON_BARRIER = 3;
/** In millimetres on the model: the thinnest tube that takes leads, its wall, the smallest lens. */
const LEAST_POST = 1.6;
const WALL = 0.3;
const LEAST_LENS = 0.8;

const tenths = (millimetres: number): number => Math.round(millimetres * 10) / 10;

/** A crossing as it commonly measures, at a scale. */
export function usualRoad(scale: ScaleName, barriers: boolean): CrossingRecord['road'] {
  const lensMillimetres = Math.max(LEAST_LENS, tenths(modelMillimetres(LENS, scale)));
  const postMillimetres = Math.max(LEAST_POST, tenths(modelMillimetres(POST, scale)));
  return {
    heightMillimetres: tenths(modelMillimetres(HEIGHT, scale)),
    spacingMillimetres: Math.max(2 * lensMillimetres, tenths(modelMillimetres(SPACING, scale))),
    lensMillimetres,
    hoodMillimetres: tenths(lensMillimetres * 0.8),
    postMillimetres,
    boreMillimetres: tenths(postMillimetres - 2 * WALL),
    apartMillimetres: Math.round(modelMillimetres(APART, scale)),
    barrierMillimetres: barriers ? Math.round(modelMillimetres(BARRIER, scale)) : 0,
    viewMetres: 1,
  };
}

/** Lamps of a crossing of so many posts, with or without barriers and a tell-tale, in order. */
export function usualPlaces(
  posts: number,
  road: CrossingRecord['road'],
  bell: boolean,
): Pick<CrossingLamp, 'place' | 'post' | 'outMillimetres'>[] {
  const each = Array.from({ length: posts }, (_, i) => i + 1);
  return [
    ...each.flatMap((post) =>
      (['left', 'right'] as const).map((place) => ({ place, post, outMillimetres: 0 })),
    ),
    ...(road.barrierMillimetres > 0
      ? each.flatMap((post) =>
          Array.from({ length: ON_BARRIER }, (_, i) => ({
            place: 'barrier' as const,
            post,
            outMillimetres: Math.round((road.barrierMillimetres * (i + 0.5)) / ON_BARRIER),
          })),
        )
      : []),
    ...(bell ? [{ place: 'bell' as const, post: 1, outMillimetres: 0 }] : []),
  ];
}

/** Room beside the outermost post, in millimetres. */
const BESIDE = 1.6;

/** Where a post stands along the crossing, in millimetres from its left end. */
export function postAt({ road }: Pick<CrossingRecord, 'road'>, post: number): number {
  return road.spacingMillimetres * BESIDE + (post - 1) * road.apartMillimetres;
}

/** Where a lamp sits, along the crossing from its left end and above the ground, in millimetres. */
export function lampAt(
  job: Pick<CrossingRecord, 'road'>,
  { place, post, outMillimetres }: Pick<CrossingLamp, 'place' | 'post' | 'outMillimetres'>,
): { readonly x: number; readonly y: number } {
  const { road } = job;
  const at = postAt(job, post);
  const inward = post % 2 === 1 ? 1 : -1;
  switch (place) {
    case 'left':
      return { x: at - road.spacingMillimetres / 2, y: road.heightMillimetres };
    case 'right':
      return { x: at + road.spacingMillimetres / 2, y: road.heightMillimetres };
    case 'barrier':
      return { x: at + inward * outMillimetres, y: road.heightMillimetres * 0.42 };
    // On the control panel; drawn at the foot of the first post.
    case 'bell':
      return { x: at, y: road.heightMillimetres * 0.12 };
  }
}

/** Width and top of a crossing, in millimetres. */
export function crossingSize(job: Pick<CrossingRecord, 'road' | 'lamps'>): {
  readonly width: number;
  readonly top: number;
} {
  const posts = Math.max(1, ...Object.values(job.lamps).map((l) => l.post));
  const { road } = job;
  const end = road.spacingMillimetres * BESIDE;
  const alone = posts === 1 ? road.barrierMillimetres : 0;
  return {
    width: postAt(job, posts) + Math.max(end, alone),
    top: road.heightMillimetres + 1.5 * road.spacingMillimetres,
  };
}
