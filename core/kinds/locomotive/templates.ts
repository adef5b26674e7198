import { endNames } from '../../document/ends';
import { inOrder } from '../../document/in-order';
import { inSentence } from '../../quantity/format';
import { lampRoles } from '../../document/lamp-roles';
import { undersideAboveRail } from './body';
import { lampNames } from './lamp-name';
import { vehicleFit } from './fit';
import type { Template } from '../../build/template';
import type { LocomotiveRecord } from './record';

/** The face of each end that has holes to drill, as one looks at it: middle of the end in the middle, underside below. */
export function endTemplates(job: LocomotiveRecord): Template[] {
  const { body } = job;
  const holes = new Map(
    vehicleFit(job).steps.flatMap((s) =>
      s.id.startsWith('drill ') && s.millimetres !== null ? [[s.id.slice(6), s.millimetres] as const] : [],
    ),
  );
  const names = lampNames(job);
  const underside = undersideAboveRail(body);
  return endNames.flatMap((end): Template[] => {
    const marks = inOrder(job.lamps)
      .filter((l) => l.end === end && !lampRoles[l.role].inside && holes.has(l.id))
      .map((l, i) => ({
        kind: 'hole' as const,
        x: body.widthMillimetres / 2 + l.acrossMillimetres,
        y: underside + body.heightMillimetres - l.heightMillimetres,
        millimetres: holes.get(l.id)!,
        label: String(i + 1),
        says: `${i + 1}: ${holes.get(l.id)} mm, ${inSentence(names.get(l.id)!)}`,
      }));
    return marks.length === 0
      ? []
      : [
          {
            id: `end-${end}`,
            name: `End ${end}, seen from before it`,
            says: `Lower edge on the underside of the body. Prick through, then drill small and open up. ${marks.map((m) => m.says).join('; ')}.`,
            widthMillimetres: body.widthMillimetres,
            heightMillimetres: body.heightMillimetres,
            marks,
          },
        ];
  });
}
