import { coachIn } from '../jobs';
import { rule } from '../../../finding/finding';

/** Leads from roof to floor leave at the end where the roof hinges, or they hold it shut. */
export const leadsAtHinge = rule({
  id: 'leads-at-hinge',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const job = coachIn(layout, jobId);
    const { hinge, leadsEnd } = job.fit.opening;
    if (hinge === 'none' || leadsEnd === 'none' || hinge === leadsEnd) return [];
    const { lengthMillimetres } = job.dimensions;
    return [
      {
        id: 'leads-at-hinge',
        severity: 'mind' as const,
        title: 'The leads hold the roof shut',
        sentence: `The roof hinges at its ${hinge} end and the leads leave at the ${leadsEnd} one, ${lengthMillimetres} mm away: they would have to be as long as the coach to let it open.`,
        reason: 'At the hinge a short lead is enough, and it is not pulled when the roof opens.',
        paths: [['jobs', jobId, 'fit', 'opening']],
        terminals: [],
        figures: [{ is: lengthMillimetres, limit: 0, unit: 'millimetre' as const }],
        cures: [
          {
            label: `Lead them out at the ${hinge} end`,
            recipe: (draft) => {
              coachIn(draft, jobId).fit.opening.leadsEnd = hinge;
            },
          },
        ],
      },
    ];
  },
});
