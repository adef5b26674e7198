/** A refusal of a deck: the line it concerns (counted from 1) and the reason, in one sentence. */
export class DeckError extends Error {
  constructor(
    readonly line: number,
    readonly reason: string,
  ) {
    super(`${line}: ${reason}`);
    this.name = 'DeckError';
  }
}
