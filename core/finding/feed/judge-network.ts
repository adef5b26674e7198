import { attempt } from '../../document/gate';
import { gravestFirst } from '../gravest-first';
import { costOfRuns } from '../../feed/cost';
import { feedRules } from '.';
import { feedStudy, type FeedStudy } from '../../feed/study';
import type { Cure, Finding, Judgement, Remedy } from '../finding';
import type { Layout } from '../../document/layout';

interface Judged extends Judgement {
  readonly rule: string;
}

const judged = (study: FeedStudy): Judged[] =>
  feedRules.flatMap((rule) => rule.judge(study).map((j) => ({ ...j, rule: rule.id })));

/**
 * A cure tried: the change of it, where what it is about is gone after it and nothing to stop for is new.
 */
function tried(layout: Layout, found: readonly Judged[], of: Judged, cure: Cure): Remedy | null {
  const made = attempt(layout, (draft) => {
    if (cure.recipe(draft) === false) throw new NothingToChange();
  });
  if (!made.ok || made.change.patches.length === 0) return null;
  const after = judged(feedStudy(made.change.layout));
  const stops = new Set(found.filter((f) => f.severity === 'stop').map((f) => f.id));
  if (after.some((f) => f.id === of.id || (f.severity === 'stop' && !stops.has(f.id)))) return null;
  const label = typeof cure.label === 'string' ? cure.label : cure.label(made.change.layout);
  const dearer = costOfAll(made.change.layout) - costOfAll(layout);
  return {
    label:
      Math.abs(dearer) < 0.005
        ? label
        : `${label} (${dearer > 0 ? '+' : '−'}${Math.abs(dearer).toFixed(2)} ${layout.currency})`,
    patches: made.change.patches,
  };
}
/** What the wires and fuses of the whole network cost. */
const costOfAll = (layout: Layout): number => costOfRuns(layout, Object.keys(layout.network.runs));

/** A cure that has nothing to change. */
class NothingToChange extends Error {}

/** Judges the network of a layout; cures are tried, and offered where they hold. */
export function judgeNetwork(layout: Layout): Finding[] {
  const found = judged(feedStudy(layout));
  return gravestFirst(
    found.map(({ cures = [], onlyIfCured, explains, subject = {}, ...finding }) => {
      void [onlyIfCured, explains];
      const own = { ...finding, subject };
      const remedies = cures.flatMap((cure) => {
        for (const one of [cure].flat()) {
          const remedy = tried(layout, found, own, one);
          if (remedy) return [remedy];
        }
        return [];
      });
      return { ...own, remedies };
    }),
  );
}
