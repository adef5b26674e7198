import type { TruthRow } from '../study/truth-table';

const keyOf = ({ state, phase }: TruthRow): string =>
  JSON.stringify([Object.entries(state).sort(([a], [b]) => a.localeCompare(b)), phase.id]);

/** What a colour of a lamp does in the states that are compared. */
interface Does {
  readonly lampId: string;
  /** States in which it is lit, and of these those in which it is meant to be. */
  readonly lit: Set<string>;
  readonly asMeant: Set<string>;
  /** States in which it is meant to be lit. */
  readonly meant: Set<string>;
}

function doesIn(rows: readonly TruthRow[], keys: ReadonlySet<string>): Map<string, Does> {
  const found = new Map<string, Does>();
  for (const row of rows) {
    const key = keyOf(row);
    if (!keys.has(key)) continue;
    for (const die of row.dies) {
      const id = `${die.lampId} ${die.second}`;
      const own = found.get(id) ?? {
        lampId: die.lampId,
        lit: new Set(),
        asMeant: new Set(),
        meant: new Set(),
      };
      found.set(id, own);
      if (die.should) own.meant.add(key);
      if (die.does !== 'lit') continue;
      own.lit.add(key);
      if (die.should) own.asMeant.add(key);
    }
  }
  return found;
}

/**
 * Lamps that a change takes something from: their light (lit as meant before, never after, or dark where
 * they are still meant to shine), or their direction (they told one state from another, and shine in all).
 * Leads or outputs that are exchanged take nothing: what shone one way shines the other.
 * @param before every state, before the change and after it; states that are new are not compared
 * @returns ids of the lamps, none twice
 */
export function lampsLost(before: readonly TruthRow[], after: readonly TruthRow[]): string[] {
  const there = new Set(after.map(keyOf));
  const keys = new Set(before.map(keyOf).filter((k) => there.has(k)));
  const now = doesIn(after, keys);
  const lost = [...doesIn(before, keys)].flatMap(([id, was]) => {
    const is = now.get(id);
    if (!is || was.asMeant.size === 0) return [];
    const darkNow = [...was.asMeant].some((k) => is.meant.has(k) && !is.lit.has(k));
    const told = was.lit.size < keys.size && was.meant.size < keys.size;
    return is.lit.size === 0 || darkNow || (told && is.lit.size === keys.size) ? [was.lampId] : [];
  });
  return [...new Set(lost)];
}
