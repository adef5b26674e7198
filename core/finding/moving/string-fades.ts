import { formatQuantity } from '../../quantity/format';
import { LEAST_WORKING_VOLTS } from '../../part/addressable';
import { feedsFor, SEEN_SHIFT, works } from '../../study/string-run';
import { wireOf } from '../../part/wire';
import { conductorOhms } from '../../quantity/conductor';
import { draftOf, hasString, movingOf, studyOf } from './moving';
import { rule, type Cure } from '../finding';
import type { MovingStudy } from '../../study/moving-study';
import type { Moving } from '../../document/moving-record';

/** Power brought in again where the volts are least, with wire like that of its first feed. */
function fedAgain(jobId: string, { string }: Moving, moving: MovingStudy): Cure[] {
  const { wire, feeds } = string!;
  const { wireMillimetres } = feeds[0];
  const ohms = conductorOhms(2 * wireMillimetres, wireOf(wire).copperSquareMillimetres);
  const next = feedsFor(moving.string!.built, Math.max(ohms, moving.string!.built.feeds[0].ohms));
  if (!next || next.length === feeds.length) return [];
  const added = next.slice(feeds.length).map((f) => f.at);
  return [
    {
      label: `Power in again at ${added.length === 1 ? 'lamp' : 'lamps'} ${added.map((at) => at + 1).join(', ')}`,
      recipe: (draft) =>
        void draftOf(draft, jobId).string!.feeds.push(...added.map((at) => ({ at, wireMillimetres }))),
    },
  ];
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
        sentence: `In its brightest moment ${formatQuantity(run.leastVolts, 'volt')} are left where they are least; what controls a lamp wants ${formatQuantity(LEAST_WORKING_VOLTS, 'volt')}.`,
        reason:
          'Volts fall along the string’s own copper. Below these a lamp forgets its colour or passes on what it likes.',
        paths: [['jobs', bench.jobId, 'string', 'feeds']],
        terminals: [],
        figures: [{ is: run.leastVolts, limit: LEAST_WORKING_VOLTS, unit: 'volt' as const }],
        cures: fedAgain(bench.jobId, of, moving),
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
        cures: fedAgain(bench.jobId, of, moving),
      },
    ];
  },
});
