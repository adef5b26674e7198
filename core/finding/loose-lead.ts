import { coachIn } from '../document/jobs';
import { looseTerminals } from '../assembly/assembly';
import { inOrder } from '../document/in-order';
import { patched } from '../document/patch';
import { benchOf, type Bench } from '../study/bench';
import { steadyStudy, type SteadyStudy } from '../study/steady';
import { supplyKind } from '../supply';
import { rule, type Remedy, type Studies } from './finding';
import { noCurrentLimit } from './no-current-limit';
import { regulatorHeat } from './regulator';
import { extremesOf, remedy } from './remedy';

/** What one lamp more may bring about that no resistor mends. */
const hazards = [noCurrentLimit, regulatorHeat];
const none: Omit<Studies, 'steady' | 'extremes'> = { noLoad: null, inrush: null, ride: null, cellLife: null };

/** Terminals that no lead reaches. */
export const looseLead = rule({
  id: 'loose-lead',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { assembly, job, jobId, layout, supply } = bench;
    const limit = supplyKind(supply).limit(supply).amps;
    const hazardsOf = (there: Bench, study: SteadyStudy): number =>
      hazards
        .flatMap((r) => r.judge(there, { ...none, steady: study, extremes: extremesOf(there, study) }))
        .filter((f) => f.severity === 'stop').length;
    const before = hazardsOf(bench, steady);
    // Joining it is no cure where the supply, the regulator or the lamps themselves cannot bear it.
    const bears = ({ patches }: Remedy): boolean => {
      const there = benchOf(patched(layout, patches), jobId);
      const after = steadyStudy(there);
      return after.supplyAmps.greatest <= limit && hazardsOf(there, after) <= before;
    };
    return looseTerminals(assembly).flatMap((terminal) => {
      const part = assembly.parts.find((p) => p.id === terminal.part)!;
      // Without lamps the feed ends where the first lamp will go: nothing is wrong yet.
      if (part.kind !== 'lamp' && !assembly.parts.some((p) => p.kind === 'lamp' && p.groupId !== null))
        return [];
      const group = inOrder(job.groups)[0];
      const lamp = part.kind === 'lamp' && part.groupId === null ? part : null;
      return [
        {
          id: `loose-lead ${part.id} ${terminal.terminal}`,
          rule: 'loose-lead',
          severity: 'mind' as const,
          title: 'A lead goes nowhere',
          sentence: `${part.label}: its ${terminal.terminal} lead ends in the air, 1 of ${assembly.parts.length} parts so.`,
          reason: 'What is not connected does not light, and a loose end finds a wheel or a frame to touch.',
          paths: [part.path],
          terminals: [terminal],
          figures: { looseTerminals: looseTerminals(assembly).length },
          remedies:
            lamp && group
              ? remedy(`Join ${part.label.toLowerCase()} to the others`, bench, steady, (draft) => {
                  coachIn(draft, jobId).lamps[lamp.lampId].groupId = group.id;
                  return true;
                }).filter(bears)
              : [],
        },
      ];
    });
  },
});
