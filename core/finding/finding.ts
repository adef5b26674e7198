import type { Terminal } from '../assembly/assembly';
import type { Patch } from '../document/patch';
import type { Bench } from '../study/bench';
import type { CellLifeStudy } from '../study/cell-life';
import type { InrushStudy } from '../study/inrush';
import type { NoLoadStudy } from '../study/no-load';
import type { RideStudy } from '../study/ride';
import type { SteadyStudy } from '../study/steady';

/** `stop`: it will fail or hurt. `mind`: it will disappoint. `note`: good to know. */
export type Severity = 'stop' | 'mind' | 'note';

/** A change the person can look at and apply with one press. */
export interface Remedy {
  readonly label: string;
  readonly patches: readonly Patch[];
}

/** Something judged: what is wrong, by how much, why, and what to change. */
export interface Finding {
  /** Stable across edits: the rule, and what it is about. */
  readonly id: string;
  readonly rule: string;
  readonly severity: Severity;
  readonly title: string;
  /** One plain sentence with the figure and the limit. */
  readonly sentence: string;
  readonly reason: string;
  readonly paths: readonly (readonly (string | number)[])[];
  readonly terminals: readonly Terminal[];
  /** The figures behind the sentence, by name with unit. */
  readonly figures: Readonly<Record<string, number>>;
  readonly remedies: readonly Remedy[];
}

/** A steady state that is not the everyday one, and how the sentence says so: " at full throttle". */
export interface Extreme {
  readonly steady: SteadyStudy;
  readonly says: string;
}

/** The studies a rule may need; those marked slow run in the worker. */
export interface Studies {
  readonly steady: SteadyStudy;
  /** Where most is at stake: full throttle both ways on a DC track, else the steady state alone. */
  readonly extremes: readonly Extreme[];
  readonly noLoad: NoLoadStudy | null;
  readonly inrush: InrushStudy | null;
  readonly ride: RideStudy | null;
  readonly cellLife: CellLifeStudy | null;
}
export type StudyName = keyof Studies;
export const slowStudies: readonly StudyName[] = ['inrush', 'ride', 'cellLife'];

/** One rule: which studies it needs, and what it says of them. One file a rule, listed in `rules.ts`. */
export interface Rule<Needs extends StudyName = StudyName> {
  readonly id: string;
  readonly needs: readonly Needs[];
  judge(bench: Bench, studies: Pick<Studies, Needs>): Finding[];
}

/** Types a rule by the studies it needs. */
export function rule<Needs extends StudyName>(of: Rule<Needs>): Rule {
  return of as Rule;
}
