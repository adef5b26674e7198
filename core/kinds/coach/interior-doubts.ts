import type { CoachRecord } from './record';

/** Figures of a coach's inside that may be meant, but are more likely a slip: a question for each, by field. */
export interface InteriorDoubts {
  readonly seatMillimetres?: string;
  readonly ceilingMillimetres?: string;
  readonly lampsBelowCeilingMillimetres?: string;
}

const one = (mm: number): string => `${Number(mm.toFixed(1))} mm`;

/** A seat or table is rarely higher than this share of the room, nor a ceiling lower than that of the body (common practice, no source). */
const SEAT_SHARE = 0.6;
const CEILING_SHARE = 0.5;

/** Questions about heights that do not go together; an empty record where all do. */
export function interiorDoubts({
  interior,
  dimensions,
}: Pick<CoachRecord, 'interior' | 'dimensions'>): InteriorDoubts {
  const {
    seatMillimetres: seat,
    ceilingMillimetres: ceiling,
    lampsBelowCeilingMillimetres: below,
  } = interior;
  const body = dimensions.bodyHeightMillimetres;
  const doubts: { -readonly [K in keyof InteriorDoubts]: string } = {};
  if (ceiling > body)
    doubts.ceilingMillimetres = `The ceiling lies above the roof of a body ${one(body)} high.`;
  else if (ceiling < CEILING_SHARE * body)
    doubts.ceilingMillimetres = `The body is ${one(body)} high: is ${one(ceiling)} meant?`;
  if (seat > SEAT_SHARE * ceiling)
    doubts.seatMillimetres = `${seat >= ceiling ? 'That is above the ceiling' : `Only ${one(ceiling - seat)} are left below the ceiling`}: is ${one(seat / 10)} meant?`;
  if (below >= ceiling - seat && below > 0)
    doubts.lampsBelowCeilingMillimetres = 'The light would come out below the seats.';
  return doubts;
}
