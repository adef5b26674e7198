import type { Terminal } from '../assembly/assembly';
import type { Layout } from '../document/layout';
import type { Patch } from '../document/patch';
import type { UnitName } from '../quantity/unit';
import type { Bench } from '../study/bench';
import type { Draft } from 'immer';
import type { Studies, StudyName } from './studies';

/** `stop`: it will fail or hurt. `mind`: it will disappoint. `note`: good to know. */
export type Severity = 'stop' | 'mind' | 'note';

/** A change the person can look at and apply with one press. */
export interface Remedy {
  readonly label: string;
  readonly patches: readonly Patch[];
}

/** A figure behind a sentence: what is, what it is held against, and their unit. */
export interface Figure {
  readonly is: number;
  readonly limit: number | null;
  readonly unit: UnitName | '%' | 'of 100' | 'Hz' | 'h' | 'times' | 'pieces';
}

/** What a finding is about, where it is about lamps, a circuit, a line, an end or a room. */
export interface Subject {
  readonly lamps?: readonly string[];
  readonly circuit?: string;
  readonly line?: string;
  readonly part?: string;
  readonly end?: string;
  readonly room?: string;
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
  readonly subject: Subject;
  readonly paths: readonly (readonly (string | number)[])[];
  readonly terminals: readonly Terminal[];
  /** The figures behind the sentence, the one that decides first. */
  readonly figures: readonly Figure[];
  readonly remedies: readonly Remedy[];
  /** The finding from whose cause it follows: each of that one's cures puts it right too. */
  readonly follows?: string;
}

/** What might put something right: a recipe, tried before it is offered. */
export interface Cure {
  /** What a person presses; told from what the layout has become where that decides a figure of it. */
  readonly label: string | ((cured: Layout) => string);
  /** Added to the reason where this cure holds. */
  readonly says?: string;
  /** Returns false where it has nothing to change. */
  readonly recipe: (draft: Draft<Layout>) => unknown;
}

/** What a rule says of a job: a finding whose cures are still to be tried. */
export interface Judgement extends Omit<Finding, 'rule' | 'remedies' | 'subject' | 'follows'> {
  readonly subject?: Subject;
  /** Each is offered where it holds; of alternatives the first that does. */
  readonly cures?: readonly (Cure | readonly Cure[])[];
  /** It is worth a word only where a cure holds. */
  readonly onlyIfCured?: boolean;
  /** Rules whose findings about the same lamps, or about any, are explained by this one. */
  readonly explains?: { readonly rules: readonly string[]; readonly lamps: readonly string[] | null };
}

/** One rule: which studies it needs, and what it says of them. It compares, and solves nothing. One file a rule. */
export interface Rule<Needs extends StudyName = StudyName> {
  readonly id: string;
  readonly needs: readonly Needs[];
  /** It tells a wish that is missed, and nothing that breaks: a cure of something else may bring it. */
  readonly isWish?: boolean;
  /** Whether a job has anything it is about; it is when left out. */
  about?(bench: Bench): boolean;
  judge(bench: Bench, studies: Pick<Studies, Needs>): Judgement[];
}

/** Types a rule by the studies it needs. */
export function rule<Needs extends StudyName>(of: Rule<Needs>): Rule {
  return of as Rule;
}
