/** A spot in the job: along it from its left end, from its middle towards the far side, above the rail or the ground. */
export interface Spot {
  readonly along: number;
  readonly across: number;
  readonly height: number;
}
