/**
 * The coefficients of columns that come nearest to given values, by least squares: modified
 * Gram-Schmidt (Golub and Van Loan, Matrix Computations, section 5.2.8). A library for it weighs more
 * than all other parts of the page together.
 * @param columns each as long as the values, at most as many as values, none a sum of the others
 * @throws RangeError when the columns do not tell apart what is asked for
 */
export function leastSquares(columns: readonly (readonly number[])[], values: readonly number[]): number[] {
  const dot = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, v, i) => sum + v * b[i], 0);
  const bases: number[][] = [];
  const upper = columns.map(() => columns.map(() => 0));
  columns.forEach((column, j) => {
    let rest = [...column];
    bases.forEach((base, i) => {
      upper[i][j] = dot(base, rest);
      rest = rest.map((v, k) => v - upper[i][j] * base[k]);
    });
    upper[j][j] = Math.sqrt(dot(rest, rest));
    if (!(upper[j][j] > 1e-12 * Math.sqrt(dot(column, column))))
      throw new RangeError('the readings do not tell apart what is asked of them');
    bases.push(rest.map((v) => v / upper[j][j]));
  });
  let left = [...values];
  const shares = bases.map((base) => {
    const share = dot(base, left);
    left = left.map((v, k) => v - share * base[k]);
    return share;
  });
  const found = [...shares];
  for (let i = found.length - 1; i >= 0; i--) {
    for (let j = i + 1; j < found.length; j++) found[i] -= upper[i][j] * found[j];
    found[i] /= upper[i][i];
  }
  return found;
}
