import { formatQuantity, inSentence } from '../../quantity/format';
import { LEAST_WORKING_VOLTS } from '../../part/addressable';
import { builtString } from '../../study/play';
import { feedsFor, keepsColour, SEEN_SHIFT, stringRun, works } from '../../study/string-run';
import { wireNames, wireOf, type WireName } from '../../part/wire';
import { draftOf, hasString, movingOf, studyOf } from './moving';
import { rule, type Cure } from '../finding';
import type { MovingStudy } from '../../study/moving-study';
import type { StringRecord } from '../../document/moving-record';

type Solved = NonNullable<MovingStudy['string']>;
type Feeds = StringRecord['feeds'];

/** Feeds with power brought in again where the volts are least, with wire like that of the first; null where none keeps the colours. */
function moreFeeds(string: StringRecord, { levels }: Solved): Feeds | null {
  const { wireMillimetres } = string.feeds[0];
  const built = builtString(string);
  const next = feedsFor(built, built.feeds[0].ohms, levels);
  return (
    next && [...string.feeds, ...next.slice(built.feeds.length).map(({ at }) => ({ at, wireMillimetres }))]
  );
}

/** What keeps the colours: thicker wire for its feeds, power in again, or both where neither does it alone. */
function keptBy(jobId: string, string: StringRecord, solved: Solved): Cure[] {
  const cure = (wire: WireName | null, feeds: Feeds): Cure => {
    const added = feeds.slice(string.feeds.length).map((f) => f.at + 1);
    const words = [
      ...(wire
        ? [`${wireOf(wire).name} for its feeds instead of ${inSentence(wireOf(string.wire).name)}`]
        : []),
      ...(added.length > 0
        ? [`Power in again at ${added.length === 1 ? 'lamp' : 'lamps'} ${added.join(', ')}`]
        : []),
    ];
    return {
      label: words.map((w, i) => (i === 0 ? w : inSentence(w))).join(', and '),
      recipe: (draft) => {
        const own = draftOf(draft, jobId).string!;
        if (wire) own.wire = wire;
        own.feeds = feeds.map((f) => ({ ...f }));
      },
    };
  };
  const thicker = thickerWires(string.wire);
  const enough = thicker.find((wire) =>
    keepsColour(stringRun(builtString({ ...string, wire }), solved.levels)),
  );
  const again = moreFeeds(string, solved);
  const byWire = enough ? [cure(enough, string.feeds)] : [];
  const byFeeds = again && again.length > string.feeds.length ? [cure(null, again)] : [];
  if (enough || byFeeds.length > 0)
    return lostInWire(solved) ? [...byWire, ...byFeeds] : [...byFeeds, ...byWire];
  for (const wire of thicker) {
    const feeds = moreFeeds({ ...string, wire }, solved);
    if (feeds) return [cure(wire, feeds)];
  }
  return [];
}

/** Wires with more copper than one, the thinnest first. */
function thickerWires(wire: WireName): WireName[] {
  const copper = (name: WireName): number => wireOf(name).copperSquareMillimetres;
  return wireNames.filter((w) => copper(w) > copper(wire)).sort((a, b) => copper(a) - copper(b));
}

/** Whether more volts are lost in the wire to the string than along the string itself. */
function lostInWire({ built, run }: Solved): boolean {
  const best = Math.max(...built.feeds.map((f) => run.lamps[f.at].volts));
  return built.supplyVolts - best > best - run.leastVolts;
}

const about = hasString;

/** A string whose far end has too few volts to work in its brightest moment. */
export const stringBrownsOut = rule({
  id: 'string-browns-out',
  needs: ['highest'],
  about,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { run } = moving.string!;
    const of = movingOf(bench);
    if (works(run)) return [];
    return [
      {
        id: 'string-browns-out',
        severity: 'stop' as const,
        title: `${of.string!.name}: its far end browns out`,
        sentence: `In its brightest moment ${formatQuantity(run.leastVolts, 'volt', { significant: 3 })} are left where they are least; what controls a lamp wants ${formatQuantity(LEAST_WORKING_VOLTS, 'volt')}.`,
        reason:
          'Volts fall along the string’s own copper. Below these a lamp forgets its colour or passes on what it likes.',
        paths: [['jobs', bench.jobId, 'string', 'feeds']],
        terminals: [],
        figures: [{ is: run.leastVolts, limit: LEAST_WORKING_VOLTS, unit: 'volt' as const }],
        cures: keptBy(bench.jobId, of.string!, moving.string!),
      },
    ];
  },
});

/** A string whose colour is seen to shift along it in its brightest moment. */
export const stringShifts = rule({
  id: 'string-shifts',
  needs: ['highest'],
  about,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { run } = moving.string!;
    const of = movingOf(bench);
    if (run.shift.apart < SEEN_SHIFT || !works(run)) return [];
    return [
      {
        id: 'string-shifts',
        severity: 'mind' as const,
        title: `${of.string!.name}: its colour shifts along it`,
        sentence: `At lamp ${run.shift.lamp + 1} of ${of.string!.count} it is off by ${run.shift.apart.toFixed(3)} in u′v′ with ${formatQuantity(run.lamps[run.shift.lamp].volts, 'volt')}; from ${SEEN_SHIFT} on it is seen.`,
        reason:
          'Green and blue want more volts than red: where volts fall along the copper, white turns yellow, then red.',
        paths: [['jobs', bench.jobId, 'string', 'feeds']],
        terminals: [],
        figures: [{ is: run.shift.apart, limit: SEEN_SHIFT, unit: 'times' as const }],
        cures: keptBy(bench.jobId, of.string!, moving.string!),
      },
    ];
  },
});
