/** Something to be bought besides the parts of a circuit, with a typical price of one. */
export interface SoldNeed {
  readonly key: string;
  readonly name: string;
  readonly count: number;
  readonly priceEach: number;
}
