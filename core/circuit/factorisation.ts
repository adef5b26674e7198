/**
 * LU of a sparse square matrix whose pattern is known beforehand. The order of elimination
 * (least fill first, after Markowitz 1957) and every index the elimination touches are worked out
 * once; factoring and solving then run through those lists without allocating. When a pivot that
 * the fixed order needs turns out too small, a dense elimination with partial pivoting takes over.
 */
export class Factorisation {
  readonly size: number;
  /** Number of stored entries, fill included; values arrays are one longer (the last is a bin). */
  readonly slots: number;
  private readonly slotOf: Map<number, number>;
  private readonly entryRow: Int32Array;
  private readonly entryColumn: Int32Array;
  private readonly rowAt: Int32Array;
  private readonly columnAt: Int32Array;
  private readonly pivotSlot: Int32Array;
  private readonly program: Int32Array;
  private readonly upperProgram: Int32Array;
  private readonly work: Float64Array;
  private dense: { matrix: Float64Array; order: Int32Array } | null = null;

  /**
   * @param size rows and columns
   * @param pattern [row, column] of every entry that may become nonzero
   * @param pivotRow for each column, the row on which it is eliminated (a transversal of the pattern)
   */
  constructor(size: number, pattern: readonly (readonly [number, number])[], pivotRow: Int32Array) {
    this.size = size;
    const columnOfRow = new Int32Array(size);
    for (let c = 0; c < size; c++) columnOfRow[pivotRow[c]] = c;
    const { order, below, right } = eliminate(size, pattern, columnOfRow);

    this.rowAt = Int32Array.from(order, (c) => pivotRow[c]);
    this.columnAt = Int32Array.from(order);
    this.slotOf = new Map();
    const rows: number[] = [];
    const columns: number[] = [];
    const slot = (row: number, column: number): number => {
      const key = row * size + column;
      let found = this.slotOf.get(key);
      if (found === undefined) {
        found = rows.length;
        this.slotOf.set(key, found);
        rows.push(row);
        columns.push(column);
      }
      return found;
    };
    const program: number[] = [];
    const upper: number[] = [];
    this.pivotSlot = new Int32Array(size);
    for (let k = 0; k < size; k++) {
      const c = order[k];
      this.pivotSlot[k] = slot(pivotRow[c], c);
      const targets = right[k];
      program.push(below[k].length, targets.length);
      for (const j of targets) program.push(slot(pivotRow[c], j));
      for (const i of below[k]) {
        program.push(slot(pivotRow[i], c), pivotRow[i]);
        for (const j of targets) program.push(slot(pivotRow[i], j));
      }
      upper.push(targets.length);
      for (const j of targets) upper.push(slot(pivotRow[c], j), j);
    }
    for (const [row, column] of pattern) slot(row, column);
    this.program = Int32Array.from(program);
    // Read backwards, so that back substitution is one sweep from the end.
    this.upperProgram = reversedByRow(upper, size);
    this.entryRow = Int32Array.from(rows);
    this.entryColumn = Int32Array.from(columns);
    this.slots = rows.length;
    this.work = new Float64Array(size);
  }

  /** Where the entry (row, column) is stored; the bin when either is outside the matrix. */
  slot(row: number, column: number): number {
    if (row >= this.size || column >= this.size || row < 0 || column < 0) return this.slots;
    const found = this.slotOf.get(row * this.size + column);
    if (found === undefined) throw new RangeError(`entry ${row},${column} is not in the pattern`);
    return found;
  }

  /**
   * Factors in place and solves for one right side.
   * @param values entries by slot; holds L and U afterwards
   * @param right right side by row; not changed
   * @param solution receives the unknowns by column
   * @returns false when the matrix is singular
   */
  factorAndSolve(values: Float64Array, right: Float64Array, solution: Float64Array): boolean {
    const { program, work, size, pivotSlot, rowAt } = this;
    this.dense = null;
    for (let i = 0; i < size; i++) work[i] = right[i];
    let p = 0;
    for (let k = 0; k < size; k++) {
      const pivot = values[pivotSlot[k]];
      const lower = program[p++];
      const across = program[p++];
      const u = p;
      p += across;
      if (!(Math.abs(pivot) > 1e-14)) {
        this.undo(k, values);
        return this.solveDensely(values, right, solution);
      }
      const inverse = 1 / pivot;
      const pivotWork = work[rowAt[k]];
      for (let i = 0; i < lower; i++) {
        const l = program[p++];
        const row = program[p++];
        const factor = values[l] * inverse;
        if (factor === 0) {
          values[l] = 0;
          p += across;
          continue;
        }
        values[l] = factor;
        for (let j = 0; j < across; j++) values[program[p++]] -= factor * values[program[u + j]];
        work[row] -= factor * pivotWork;
      }
    }
    this.substituteBack(values, solution);
    return true;
  }

  /** Solves with the factors of the last `factorAndSolve` for another right side. */
  solveAgain(values: Float64Array, right: Float64Array, solution: Float64Array): void {
    if (this.dense) {
      solveDense(this.dense, right, solution);
      return;
    }
    const { program, work, size, rowAt } = this;
    for (let i = 0; i < size; i++) work[i] = right[i];
    let p = 0;
    for (let k = 0; k < size; k++) {
      const lower = program[p++];
      const across = program[p++];
      p += across;
      const pivotWork = work[rowAt[k]];
      for (let i = 0; i < lower; i++) {
        work[program[p + 1]] -= values[program[p]] * pivotWork;
        p += 2 + across;
      }
    }
    this.substituteBack(values, solution);
  }

  private substituteBack(values: Float64Array, solution: Float64Array): void {
    const { upperProgram, work, size, pivotSlot, rowAt, columnAt } = this;
    let p = 0;
    for (let k = size - 1; k >= 0; k--) {
      let sum = work[rowAt[k]];
      const across = upperProgram[p++];
      for (let j = 0; j < across; j++) {
        sum -= values[upperProgram[p]] * solution[upperProgram[p + 1]];
        p += 2;
      }
      solution[columnAt[k]] = sum / values[pivotSlot[k]];
    }
  }

  /** Brings back the entries as they were before the first `steps` eliminations. */
  private undo(steps: number, values: Float64Array): void {
    const starts: number[] = [];
    const { program } = this;
    let p = 0;
    for (let k = 0; k < steps; k++) {
      starts.push(p);
      p += 2 + program[p + 1] + program[p] * (2 + program[p + 1]);
    }
    for (let k = steps - 1; k >= 0; k--) {
      p = starts[k];
      const lower = program[p++];
      const across = program[p++];
      const u = p;
      p += across;
      for (let i = 0; i < lower; i++) {
        const l = program[p];
        const factor = values[l];
        p += 2;
        for (let j = 0; j < across; j++) values[program[p++]] += factor * values[program[u + j]];
        values[l] = factor * values[this.pivotSlot[k]];
      }
    }
  }

  private solveDensely(values: Float64Array, right: Float64Array, solution: Float64Array): boolean {
    const { size } = this;
    const matrix = new Float64Array(size * size);
    for (let s = 0; s < this.slots; s++) matrix[this.entryRow[s] * size + this.entryColumn[s]] += values[s];
    const order = factorDense(matrix, size);
    if (!order) return false;
    this.dense = { matrix, order };
    solveDense(this.dense, right, solution);
    return true;
  }
}

/** Symbolic elimination: the order of columns, and for each the rows below and the columns right of it. */
function eliminate(
  size: number,
  pattern: readonly (readonly [number, number])[],
  columnOfRow: Int32Array,
): { order: number[]; below: number[][]; right: number[][] } {
  // Rows are named by the column whose pivot they hold, so the pivots lie on the diagonal.
  const across: Set<number>[] = Array.from({ length: size }, () => new Set());
  const down: Set<number>[] = Array.from({ length: size }, () => new Set());
  for (const [row, column] of pattern) {
    const i = columnOfRow[row];
    if (i === column) continue;
    across[i].add(column);
    down[column].add(i);
  }
  const order: number[] = [];
  const below: number[][] = [];
  const right: number[][] = [];
  const cost = (k: number): number => across[k].size * down[k].size;
  // Buckets by cost keep the choice cheap for long buses.
  const buckets: Set<number>[] = [];
  const place = new Int32Array(size);
  const put = (k: number): void => {
    const c = Math.min(cost(k), size);
    place[k] = c;
    (buckets[c] ??= new Set()).add(k);
  };
  for (let k = 0; k < size; k++) put(k);
  for (let step = 0; step < size; step++) {
    const bucket = buckets.find((b) => b !== undefined && b.size > 0)!;
    const k = bucket.values().next().value!;
    bucket.delete(k);
    const rows = [...down[k]];
    const columns = [...across[k]];
    order.push(k);
    below.push(rows);
    right.push(columns);
    for (const i of rows) across[i].delete(k);
    for (const j of columns) down[j].delete(k);
    for (const i of rows) {
      for (const j of columns) {
        if (i === j) continue;
        across[i].add(j);
        down[j].add(i);
      }
    }
    for (const n of new Set([...rows, ...columns])) {
      buckets[place[n]].delete(n);
      put(n);
    }
  }
  return { order, below, right };
}

function reversedByRow(upper: readonly number[], size: number): Int32Array {
  const starts: number[] = [];
  let p = 0;
  for (let k = 0; k < size; k++) {
    starts.push(p);
    p += 1 + 2 * upper[p];
  }
  const reversed: number[] = [];
  for (let k = size - 1; k >= 0; k--) {
    for (let i = starts[k]; i < starts[k] + 1 + 2 * upper[starts[k]]; i++) reversed.push(upper[i]);
  }
  return Int32Array.from(reversed);
}

/**
 * Dense LU in place with partial pivoting.
 * @param matrix row by row, size x size; holds L and U afterwards, rows in their new order
 * @returns the order of rows, or null when singular
 */
export function factorDense(matrix: Float64Array, size: number): Int32Array | null {
  const order = Int32Array.from({ length: size }, (_, i) => i);
  for (let k = 0; k < size; k++) {
    let best = k;
    for (let i = k + 1; i < size; i++) {
      if (Math.abs(matrix[i * size + k]) > Math.abs(matrix[best * size + k])) best = i;
    }
    const pivot = matrix[best * size + k];
    if (!(Math.abs(pivot) > 1e-18)) return null;
    if (best !== k) {
      for (let j = 0; j < size; j++) {
        const held = matrix[k * size + j];
        matrix[k * size + j] = matrix[best * size + j];
        matrix[best * size + j] = held;
      }
      const held = order[k];
      order[k] = order[best];
      order[best] = held;
    }
    for (let i = k + 1; i < size; i++) {
      const factor = matrix[i * size + k] / pivot;
      matrix[i * size + k] = factor;
      if (factor === 0) continue;
      for (let j = k + 1; j < size; j++) matrix[i * size + j] -= factor * matrix[k * size + j];
    }
  }
  return order;
}

/** Solves with the factors of `factorDense`. */
export function solveDense(
  factors: { matrix: Float64Array; order: Int32Array },
  right: Float64Array,
  solution: Float64Array,
): void {
  const { matrix, order } = factors;
  const size = order.length;
  for (let i = 0; i < size; i++) {
    let sum = right[order[i]];
    for (let j = 0; j < i; j++) sum -= matrix[i * size + j] * solution[j];
    solution[i] = sum;
  }
  for (let i = size - 1; i >= 0; i--) {
    let sum = solution[i];
    for (let j = i + 1; j < size; j++) sum -= matrix[i * size + j] * solution[j];
    solution[i] = sum / matrix[i * size + i];
  }
}
