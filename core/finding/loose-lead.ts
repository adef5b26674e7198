import { looseTerminals } from '../assembly/assembly';
import { inOrder } from '../document/layout';
import { change } from '../document/patch';
import { benchOf } from '../study/bench';
import { steadyStudy } from '../study/steady';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { noCurrentLimit } from './no-current-limit';
import { remedy } from './remedy';
import type { Studies } from './finding';

/** Terminals that no lead reaches. */
export const looseLead = rule({
  id: 'loose-lead',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { assembly, job, jobId, layout, supply } = bench;
    const limit = supplyKind(supply).limit(supply).amps;
    const unlimited = noCurrentLimit.judge(bench, { steady } as Studies).length;
    // Joining it is no cure where the supply, or a group with nothing to limit it, cannot bear it.
    const overloads = (lampId: string, groupId: string): boolean => {
      const joined = change(
        layout,
        (draft) => void (draft.jobs[jobId].lamps[lampId].groupId = groupId),
      ).layout;
      const there = benchOf(joined, jobId);
      const after = steadyStudy(there);
      return (
        after.supplyAmps.greatest > limit ||
        noCurrentLimit.judge(there, { steady: after } as Studies).length > unlimited
      );
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
            lamp && group && !overloads(lamp.lampId, group.id)
              ? remedy(`Join ${part.label.toLowerCase()} to the others`, bench, steady, (draft) => {
                  draft.jobs[jobId].lamps[lamp.lampId].groupId = group.id;
                  return true;
                })
              : [],
        },
      ];
    });
  },
});
