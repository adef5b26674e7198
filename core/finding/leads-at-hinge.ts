import { coachIn } from '../document/jobs';
import { rule } from './finding';
import { remedy } from './remedy';

/** Leads from roof to floor leave at the end where the roof hinges, or they hold it shut. */
export const leadsAtHinge = rule({
  id: 'leads-at-hinge',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId } = bench;
    const { hinge, leadsEnd } = job.fit.opening;
    if (hinge === 'none' || leadsEnd === 'none' || hinge === leadsEnd) return [];
    const { lengthMillimetres } = job.dimensions;
    return [
      {
        id: 'leads-at-hinge',
        rule: 'leads-at-hinge',
        severity: 'mind' as const,
        title: 'The leads hold the roof shut',
        sentence: `The roof hinges at its ${hinge} end and the leads leave at the ${leadsEnd} one, ${lengthMillimetres} mm away: they would have to be as long as the coach to let it open.`,
        reason: 'At the hinge a short lead is enough, and it is not pulled when the roof opens.',
        paths: [['jobs', jobId, 'fit', 'opening']],
        terminals: [],
        figures: { apartMillimetres: lengthMillimetres },
        remedies: remedy(`Lead them out at the ${hinge} end`, bench, steady, (draft) => {
          coachIn(draft, jobId).fit.opening.leadsEnd = hinge;
          return true;
        }),
      },
    ];
  },
});
