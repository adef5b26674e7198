/** Why a circuit cannot be solved, or was refused before solving. */
export type CircuitErrorKind =
  | 'bad-value'
  | 'duplicate-name'
  | 'no-ground'
  | 'floating-node'
  | 'source-loop'
  | 'singular'
  | 'no-convergence';

/** A refusal of the kernel. It names the elements concerned, so that whoever reads it can be told the thing. */
export class CircuitError extends Error {
  constructor(
    readonly kind: CircuitErrorKind,
    message: string,
    /** Ids of the elements the refusal is about. */
    readonly elements: readonly string[],
    /** Names of the nodes the refusal is about. */
    readonly nodes: readonly string[] = [],
  ) {
    super(message);
    this.name = 'CircuitError';
  }
}
