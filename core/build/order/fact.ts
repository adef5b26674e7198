/** Something that is true of a model at a moment of its build: what it is, and of what. */
export type Fact = string;

/** What can become true, each by its name; ends of leads by lead and part. */
export const fact = {
  /** The body is off, the way in is free. */
  open: 'open',
  tested: (lot: string): Fact => `tested ${lot}`,
  /** It lights as it did before heat was near it. */
  sound: (lot: string): Fact => `sound ${lot}`,
  tinted: (lot: string): Fact => `tinted ${lot}`,
  cut: (lead: string): Fact => `cut ${lead}`,
  sleeved: (lead: string, part: string): Fact => `sleeved ${lead} ${part}`,
  joined: (lead: string, part: string): Fact => `joined ${lead} ${part}`,
  shrunk: (lead: string, part: string): Fact => `shrunk ${lead} ${part}`,
  madeUp: (group: string): Fact => `made up ${group}`,
  /** There is a hole as wide as the passage is. */
  hole: (passage: string): Fact => `hole ${passage}`,
  through: (lead: string, passage: string): Fact => `through ${lead} ${passage}`,
  based: (passage: string): Fact => `based ${passage}`,
  /** Work on the body is done, and dry. */
  worked: (work: string): Fact => `worked ${work}`,
  isolated: 'motor parted from the rails',
  programmed: 'programmed',
  powered: 'cells in',
  proved: 'proved',
  tried: 'tried',
  placed: (place: string): Fact => `placed ${place}`,
  dark: 'seen in the dark',
  fixed: (place: string): Fact => `fixed ${place}`,
  tied: 'tied down',
  closed: 'closed',
} as const;

/** What must be so before something is done, or not be so yet, and why. */
export interface Condition {
  readonly fact: Fact;
  readonly holds: boolean;
  readonly because: string;
}

export const after = (of: Fact, because: string): Condition => ({ fact: of, holds: true, because });
export const notYet = (of: Fact, because: string): Condition => ({ fact: of, holds: false, because });

/** Each condition once, with the first of its reasons. */
export const once = (asks: readonly Condition[]): Condition[] =>
  asks.filter((a, i) => asks.findIndex((b) => b.fact === a.fact && b.holds === a.holds) === i);
