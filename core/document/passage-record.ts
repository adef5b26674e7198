import { z } from 'zod';

/** What a lead goes through, and what each is called. */
export const passageKinds = {
  bore: 'Bore',
  slot: 'Slot',
  hole: 'Hole in floor or board',
  tube: 'Tube',
  gangway: 'Gangway',
  hinge: 'Hinge or pivot',
  clip: 'Under a clip',
  gap: 'Between weight and motor',
} as const;
export type PassageKind = keyof typeof passageKinds;
const names = Object.keys(passageKinds) as [PassageKind, ...PassageKind[]];

/**
 * A way that leads go through. It serves the lamps of a place of the job (`A`, `roof` …), `all` of
 * them together, `each` place by one of its own like the others, or the `feed`: what comes from the
 * supply.
 */
export const passageRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(60),
  kind: z.enum(names),
  /** Where it is narrowest. */
  boreMillimetres: z.number().min(0.1).max(200),
  lengthMillimetres: z.number().min(0).max(1500),
  serves: z.string().min(1).max(40),
  /** The widest thing that hangs on the wires already and stays on: a plug, a resistor, a board. Null for bare wire. */
  carriesMillimetres: z.number().min(0.1).max(200).nullable(),
});

/** A passage that every place has one of, as every lamp of a row its mast. */
export const EACH_PLACE = 'each';

export type PassageRecord = z.infer<typeof passageRecord>;

/** A passage as most are: bare wire goes through it. */
export const usualPassage = (
  order: number,
  name: string,
  kind: PassageKind,
  serves: string,
  boreMillimetres: number,
  lengthMillimetres = 2,
): PassageRecord => ({
  order,
  name,
  kind,
  serves,
  boreMillimetres,
  lengthMillimetres,
  carriesMillimetres: null,
});
