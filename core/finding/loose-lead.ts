import { looseTerminals } from '../assembly/assembly';
import { inOrder } from '../document/layout';
import { rule } from './finding';
import { remedy } from './remedy';

/** Terminals that no lead reaches. */
export const looseLead = rule({
  id: 'loose-lead',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { assembly, job, jobId } = bench;
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
                  draft.jobs[jobId].lamps[lamp.lampId].groupId = group.id;
                  return true;
                })
              : [],
        },
      ];
    });
  },
});
