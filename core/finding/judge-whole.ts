import { attempt } from '../document/gate';
import { solvingFirst, type Held } from './cure-order';
import { followed } from './follows';
import type { Cure, Finding, Judgement } from './finding';
import type { Layout } from '../document/layout';

/** A rule about something of the whole layout that is no job: its network, a rig above it. */
export interface WholeRule<S> {
  readonly id: string;
  judge(study: S): Judgement[];
}

/** What such rules are asked of. */
export interface Whole<S> {
  readonly rules: readonly WholeRule<S>[];
  studyOf(layout: Layout): S;
  /** What a cure makes dearer is told by it; nothing is where it is left out. */
  cost?(layout: Layout): number;
}

interface Judged extends Judgement {
  readonly rule: string;
}

/** A cure that has nothing to change. */
class NothingToChange extends Error {}

/** Below this a price is the same. */
const SAME_PRICE = 0.005;

/** Judges something of the whole layout; cures are tried, and offered where they clear what they are for and bring nothing new to stop for. */
export function judgeWhole<S>(layout: Layout, whole: Whole<S>): Finding[] {
  const judged = (of: Layout): Judged[] => {
    const study = whole.studyOf(of);
    return whole.rules.flatMap((rule) => rule.judge(study).map((j) => ({ ...j, rule: rule.id })));
  };
  const found = judged(layout);
  const known = new Set(found.map((f) => f.id));
  const stops = new Set(found.filter((f) => f.severity === 'stop').map((f) => f.id));
  const tried = (of: Judged, cure: Cure): Held | null => {
    const made = attempt(layout, (draft) => {
      if (cure.recipe(draft) === false) throw new NothingToChange();
    });
    if (!made.ok || made.change.patches.length === 0) return null;
    const after = judged(made.change.layout);
    if (after.some((f) => f.id === of.id || (f.severity === 'stop' && !stops.has(f.id)))) return null;
    const label = typeof cure.label === 'string' ? cure.label : cure.label(made.change.layout);
    const dearer = whole.cost ? whole.cost(made.change.layout) - whole.cost(layout) : 0;
    const left = new Set(after.map((f) => f.id));
    return {
      clears: new Set([...known].filter((id) => !left.has(id))),
      brings: after.filter((f) => f.severity !== 'note' && !known.has(f.id)).length,
      remedy: {
        label:
          Math.abs(dearer) < SAME_PRICE
            ? label
            : `${label} (${dearer > 0 ? '+' : '−'}${Math.abs(dearer).toFixed(2)} ${layout.currency})`,
        patches: made.change.patches,
      },
    };
  };
  const clearedBy = new Map<string, ReadonlySet<string>[]>();
  const findings = found.map((judgement) => {
    const { cures = [], onlyIfCured, explains, subject = {}, ...finding } = judgement;
    void [onlyIfCured, explains];
    const holding = cures.flatMap((cure) => {
      for (const one of [cure].flat()) {
        const holds = tried(judgement, one);
        if (holds) return [holds];
      }
      return [];
    });
    const held = solvingFirst(holding, found);
    clearedBy.set(
      finding.id,
      held.map((h) => h.clears),
    );
    return { ...finding, subject, remedies: held.map((h) => h.remedy) };
  });
  return followed(findings, clearedBy);
}
