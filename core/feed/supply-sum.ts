/** All that one supply gives, everything of the layout that hangs on it being on as it is set. */
export interface SupplySum {
  readonly supplyId: string;
  readonly name: string;
  /** True RMS where its limit is about that, else the mean. */
  readonly amps: number;
  readonly isRms: boolean;
  /** Null for cells, each job having its own, and for what has no limit. */
  readonly limitAmps: number | null;
  /** Each job's share, by id. */
  readonly jobAmps: Readonly<Record<string, number>>;
  /** What stands on the plan and is no job: rigs, lamps, trains as they are taken for, and what wires and converters take. */
  readonly planAmps: number;
  /** Things on the plan that are no jobs and hang on it. */
  readonly planThings: number;
}

/** What a sum comes to where only some of its jobs are lit, in amperes. */
export const sumWhere = ({ jobAmps, planAmps }: SupplySum, isLit: (jobId: string) => boolean): number =>
  Object.entries(jobAmps).reduce((sum, [id, amps]) => sum + (isLit(id) ? amps : 0), planAmps);
