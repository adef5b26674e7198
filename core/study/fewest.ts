/** Choices tried before the search is content with what it has. */
const MOST_TRIES = 200_000;

/**
 * The fewest sets that together hold everything any of them holds: exact, by branching on the item
 * that fewest sets hold. Of covers of one size the earlier sets are preferred.
 * @param sets what each set holds, as numbers from 0
 * @returns indices into `sets`, ascending; no set among them can be left out
 */
export function fewestSets(sets: readonly ReadonlySet<number>[]): number[] {
  const items = [...new Set(sets.flatMap((s) => [...s]))];
  const holders = new Map(items.map((item) => [item, sets.flatMap((s, i) => (s.has(item) ? [i] : []))]));
  // An item whose holders include all holders of another comes along with that one.
  const needed = items.filter(
    (item, k) =>
      !items.some((other, j) => {
        if (other === item) return false;
        const [a, b] = [holders.get(other)!, holders.get(item)!];
        const within = a.every((h) => b.includes(h));
        return within && (a.length < b.length || j < k);
      }),
  );
  let best = withoutSpare(greedy(sets, needed), sets, needed);
  let tries = 0;
  const search = (taken: readonly number[], rest: readonly number[]): void => {
    if (++tries > MOST_TRIES || taken.length >= best.length) return;
    if (rest.length === 0) {
      best = [...taken];
      return;
    }
    const most = Math.max(...sets.map((s) => rest.filter((i) => s.has(i)).length));
    if (taken.length + Math.ceil(rest.length / most) >= best.length) return;
    const rarest = rest.reduce((a, b) => (holders.get(b)!.length < holders.get(a)!.length ? b : a));
    for (const h of holders.get(rarest)!)
      search(
        [...taken, h],
        rest.filter((i) => !sets[h].has(i)),
      );
  };
  search([], needed);
  return best.sort((a, b) => a - b);
}

/** The set that holds most of what is left, again and again. */
function greedy(sets: readonly ReadonlySet<number>[], items: readonly number[]): number[] {
  const taken: number[] = [];
  let rest = [...items];
  while (rest.length > 0) {
    const gains = sets.map((s) => rest.filter((i) => s.has(i)).length);
    const next = gains.indexOf(Math.max(...gains));
    taken.push(next);
    rest = rest.filter((i) => !sets[next].has(i));
  }
  return taken;
}

/** Leaves out sets, the last first, that the others make up for. */
function withoutSpare(
  taken: readonly number[],
  sets: readonly ReadonlySet<number>[],
  items: readonly number[],
): number[] {
  let kept = [...taken];
  for (const t of [...taken].reverse()) {
    const others = kept.filter((k) => k !== t);
    if (items.every((i) => others.some((k) => sets[k].has(i)))) kept = others;
  }
  return kept;
}
