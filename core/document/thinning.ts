/** A kept state of a layout, as far as thinning out needs to know it. */
export interface KeptState {
  readonly seq: number;
  readonly at: number;
  /** The person gave it a name, or undo cannot go behind it: kept for good. */
  readonly forGood: boolean;
}

const HOUR = 3600 * 1000;
const DAY = 24 * HOUR;

/** How far apart kept states of some age may lie: all of a day, hourly for a week, daily for two months, then weekly. */
const spacing: readonly { readonly until: number; readonly apart: number }[] = [
  { until: DAY, apart: 0 },
  { until: 7 * DAY, apart: HOUR },
  { until: 60 * DAY, apart: DAY },
  { until: Infinity, apart: 7 * DAY },
];

/**
 * Which kept states go, so that old ones lie further apart than new ones. Of each stretch of time the
 * newest stays; the newest of all and what is kept for good always stay. None is taken for older than
 * one before it, whatever the clock said when it was made.
 * @param now the person's clock, in milliseconds since 1970
 * @returns their `seq`
 */
export function thinnedOut(states: readonly KeptState[], now: number): number[] {
  let latest = -Infinity;
  const newestFirst = [...states]
    .sort((a, b) => a.seq - b.seq)
    .map((state) => ({ ...state, at: (latest = Math.max(latest, state.at)) }))
    .reverse();
  const kept = new Set<string>();
  return newestFirst
    .filter((state, i) => {
      const age = Math.max(0, now - state.at);
      const { apart } = spacing.find((s) => age < s.until)!;
      const stretch = `${apart} ${apart === 0 ? state.seq : Math.floor(state.at / apart)}`;
      const taken = kept.has(stretch);
      kept.add(stretch);
      return taken && i > 0 && !state.forGood;
    })
    .map((s) => s.seq);
}
