import { isRail } from '../../part/rail';
import { runPath, type FeedRule } from './feed-rule';
import type { FeedStudy } from '../../feed/study';
import type { WireColour } from '../../part/wire-colour';

/** What a wire stands for: which supply, which side, or the output of which converter. */
interface Meaning {
  readonly key: string;
  readonly words: string;
}

/** What both conductors of each run stand for. */
function meanings({ layout, fed }: FeedStudy): Map<string, Record<'plus' | 'minus', Meaning>> {
  return new Map(
    Object.entries(layout.network.runs).flatMap(([id, run]) => {
      if (isRail(run.wire)) return [];
      const of = fed.get(run.fromOutput ? run.to : run.from);
      if (of === undefined) return [];
      const { converter, supplyId } = of;
      const name = converter === null ? layout.supplies[supplyId].name : layout.network.nodes[converter].name;
      const key = converter ?? supplyId;
      return [
        [
          id,
          {
            plus: { key: `${key} plus`, words: `plus of ${name}` },
            minus: { key: `${key} minus`, words: `minus of ${name}` },
          },
        ],
      ];
    }),
  );
}

/** One colour of wire that means two things under the boards. */
export const runColours: FeedRule = {
  id: 'run-colours',
  judge(study) {
    const { runs } = study.layout.network;
    const means = meanings(study);
    const byColour = new Map<WireColour, Map<string, { words: string; runs: string[] }>>();
    for (const [id, of] of means)
      for (const side of ['plus', 'minus'] as const) {
        const colour = runs[id][side];
        const own = byColour.get(colour) ?? new Map<string, { words: string; runs: string[] }>();
        byColour.set(colour, own);
        const { key, words } = of[side];
        own.set(key, { words, runs: [...(own.get(key)?.runs ?? []), id] });
      }
    return [...byColour].flatMap(([colour, own]) => {
      // The minus of several supplies may share black: it is where they are commonly joined.
      const all = [...own].filter(([key]) => !(colour === 'black' && key.endsWith(' minus')));
      const mixed = all.length > 1 || (all.length === 1 && own.size > 1);
      if (!mixed) return [];
      const [one, other] = [...own.values()];
      return [
        {
          id: `run-colours ${colour}`,
          severity: 'note' as const,
          title: `${colour.charAt(0).toUpperCase()}${colour.slice(1)} means ${own.size} things`,
          sentence: `It is the ${one.words} in ${one.runs.length} ${one.runs.length === 1 ? 'run' : 'runs'} and the ${other.words} in ${other.runs.length}.`,
          reason:
            'Lying on one’s back with an iron one goes by colours. Labels at both ends tell them apart where colours run out.',
          paths: other.runs.map((r) => runPath(r)),
          terminals: [],
          figures: [{ is: own.size, limit: 1, unit: 'pieces' as const }],
        },
      ];
    });
  },
};
