import { sourceOfLine } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { takeStage } from '../document/line-stages';
import { atHighest, worstRow } from './about';
import { rule, type Cure } from './finding';
import { wantedLimitOf } from '../kinds/wanted-limits';
import type { Part } from '../assembly/assembly';
import type { Bench } from '../study/bench';

/** Heat a small regulator sheds beside thin plastic without softening it, and the most its body stands (common practice, no source). */
const MIND_WATTS = 0.4;
const STOP_WATTS = 1;

type Regulator = Extract<Part, { kind: 'regulator' }>;
const regulatorsOf = ({ assembly }: Bench): Regulator[] =>
  assembly.parts.filter((p) => p.kind === 'regulator');
const has = (bench: Bench): boolean => regulatorsOf(bench).length > 0;

/** The regulator left out, with the resistors for the wanted light in its place where a kind wants one. */
function leaveOut({ job, jobId, supply }: Bench, part: Regulator): Cure[] {
  const line = job.lines[part.line!];
  const rectified = Object.values(line.stages).some((s) => s.kind === 'bridge' || s.kind === 'diode');
  // The regulator kept the wrong sides off the lamps; without a rectifier it has to stay.
  if (!rectified && supplyKind(supply).changesSides) return [];
  const fit = wantedLimitOf(job.kind);
  if (!fit) return [];
  const circuits = Object.keys(job.circuits).filter((id) =>
    Object.values(job.lamps).some((l) => l.circuitId === id),
  );
  return [
    {
      label: 'Leave the regulator out, and fit the resistor for the wanted light',
      recipe: (draft) => {
        takeStage(draft.jobs[jobId].lines[part.line!], 'regulator');
        return circuits.map((c) => fit(draft, jobId, c)).every(Boolean);
      },
    },
  ];
}

/** A regulator that runs hot beside thin plastic. */
export const regulatorHeat = rule({
  id: 'regulator-heat',
  needs: ['highest'],
  about: has,
  judge: (bench, { highest }) =>
    regulatorsOf(bench).flatMap((part) => {
      const worst = worstRow(highest, ({ readings }) => readings.parts.get(part.id)?.watts ?? 0);
      if (!worst || worst.figure <= MIND_WATTS) return [];
      const across = worst.row.readings.parts.get(part.id)!.across.mean;
      return [
        {
          id: `regulator-heat ${part.id}`,
          severity: worst.figure > STOP_WATTS ? ('stop' as const) : ('mind' as const),
          title: `${part.label} runs hot`,
          sentence: `It turns ${formatQuantity(worst.figure, 'watt')} into heat${atHighest(sourceOfLine(bench, part.line), worst.row)}, ${formatQuantity(across, 'volt')} standing over it; beside thin plastic ${formatQuantity(MIND_WATTS, 'watt')} is enough.`,
          reason:
            'A linear regulator burns whatever the supply has too much. Keep it off the plastic, feed it from less, draw less, or let a resistor share the heat.',
          subject: { part: part.id, line: part.line! },
          paths: [part.path],
          terminals: [{ part: part.id, terminal: 'in' }],
          figures: [
            { is: worst.figure, limit: MIND_WATTS, unit: 'watt' as const },
            { is: across, limit: null, unit: 'volt' as const },
          ],
          cures: leaveOut(bench, part),
        },
      ];
    }),
});

/** A regulator with too little before it to hold its output. */
export const regulatorDropout = rule({
  id: 'regulator-dropout',
  needs: ['now'],
  // A throttle runs through every voltage: there it is no news.
  about: has,
  judge: (bench, { now }) =>
    regulatorsOf(bench).flatMap((part) => {
      const line = now.lines.get(part.line!);
      const reading = now.parts.get(part.id);
      const { eachWay } = bench.job.lines[part.line!];
      if (!line || !reading || eachWay) return [];
      // A tenth of a volt below its setting is the give of a sound one.
      if (line.least >= part.outVolts - 0.1) return [];
      const needed = part.outVolts + part.dropoutVolts;
      return [
        {
          id: `regulator-dropout ${part.id}`,
          severity: 'note' as const,
          title: 'The regulator has too little to work with',
          sentence: `Its output falls to ${formatQuantity(Math.max(0, line.least), 'volt')}, not ${formatQuantity(part.outVolts, 'volt')}: it needs ${formatQuantity(needed, 'volt')} before it.`,
          reason:
            'Below its output and its dropout together it only passes on what comes, less the dropout, and every dip with it.',
          subject: { part: part.id, line: part.line! },
          paths: [part.path],
          terminals: [{ part: part.id, terminal: 'out' }],
          figures: [{ is: line.least, limit: part.outVolts, unit: 'volt' as const }],
          cures: leaveOut(bench, part),
        },
      ];
    }),
});
