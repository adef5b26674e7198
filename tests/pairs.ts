/**
 * Rows in which every pair of values of any two factors stands together at least once: chosen
 * greedily, each new row covering as many pairs not yet met as it can. The same for the same factors.
 * @param factors how many values each has
 */
export function everyPair(factors: readonly number[]): number[][] {
  const key = (f: number, a: number, g: number, b: number): number => ((f * 512 + a) * 64 + g) * 512 + b;
  const left = new Set<number>();
  for (let f = 0; f < factors.length; f++)
    for (let g = f + 1; g < factors.length; g++)
      for (let a = 0; a < factors[f]; a++) for (let b = 0; b < factors[g]; b++) left.add(key(f, a, g, b));
  const rows: number[][] = [];
  while (left.size > 0) {
    const [first] = left;
    const row: (number | null)[] = factors.map(() => null);
    row[Math.floor(first / (512 * 64 * 512))] = Math.floor(first / (64 * 512)) % 512;
    row[Math.floor(first / 512) % 64] = first % 512;
    for (let f = 0; f < factors.length; f++) {
      if (row[f] !== null) continue;
      let best = 0;
      let most = -1;
      for (let a = 0; a < factors[f]; a++) {
        let met = 0;
        row.forEach((b, g) => {
          if (b === null) return;
          if (left.has(f < g ? key(f, a, g, b) : key(g, b, f, a))) met++;
        });
        if (met > most) [best, most] = [a, met];
      }
      row[f] = best;
    }
    const whole = row as number[];
    for (let f = 0; f < whole.length; f++)
      for (let g = f + 1; g < whole.length; g++) left.delete(key(f, whole[f], g, whole[g]));
    rows.push(whole);
  }
  return rows;
}
