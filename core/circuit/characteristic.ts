import type { Workspace } from './workspace';

/** Levels a range is solved at on either side of none. */
const GRID_STEPS = 200;

/**
 * Every figure of a circuit at rest as a function of one source's level, everything else as the
 * solver has it set.
 * @param figures how many the solver gives
 * @param mostVolts where the source runs through a whole range, as a sine does, its greatest level: the
 *   range is then solved on a grid, with straight lines between; null where it keeps to a few levels
 * @returns a function whose answer is good until it is called again
 */
export function characteristic(
  solver: Workspace,
  source: string,
  figures: number,
  mostVolts: number | null,
): (volts: number) => Float64Array {
  const solved = (volts: number): Float64Array => {
    solver.setLevel(source, volts);
    const row = new Float64Array(figures);
    solver.solve(row);
    return row;
  };
  if (mostVolts === null) {
    const known = new Map<number, Float64Array>();
    return (volts) => {
      const row = known.get(volts) ?? solved(volts);
      known.set(volts, row);
      return row;
    };
  }
  const grid = Array.from({ length: 2 * GRID_STEPS + 1 }, (_, i) =>
    solved((mostVolts * (i - GRID_STEPS)) / GRID_STEPS),
  );
  const between = new Float64Array(figures);
  return (volts) => {
    const at = Math.min(2 * GRID_STEPS - 1e-9, Math.max(0, (volts / mostVolts + 1) * GRID_STEPS));
    const n = Math.floor(at);
    for (let i = 0; i < figures; i++) between[i] = grid[n][i] + (at - n) * (grid[n + 1][i] - grid[n][i]);
    return between;
  };
}
