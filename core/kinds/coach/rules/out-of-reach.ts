import { coachIn } from '../jobs';
import { inOrder } from '../../../document/in-order';
import { reaches, thingKinds } from '../thing-kinds';
import { rule } from '../../../finding/finding';

/** A cell, switch or plug that cannot be got at once the body is closed. */
export const outOfReach = rule({
  id: 'out-of-reach',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const job = coachIn(layout, jobId);
    const glued = job.fit.opening.how === 'glued';
    return inOrder(job.fit.things)
      .filter(
        (t) =>
          thingKinds[t.kind].mustBeReached && (t.reach === 'sealed' || (t.reach === 'roof-off' && glued)),
      )
      .map((t) => {
        const { name } = thingKinds[t.kind];
        return {
          id: `out-of-reach ${t.id}`,
          severity: 'mind' as const,
          title: `${name} cannot be reached`,
          sentence: `Once closed, the ${name.toLowerCase()} ${t.placeMillimetres} mm from the left end is reached ${reaches[t.reach]}${glued ? ', and the roof is glued' : ''}.`,
          reason:
            'Cells run out, switches are for switching, and a plug that cannot be pulled is a joint. Leave a way: the underside, an end door, or a roof that comes off.',
          paths: [['jobs', jobId, 'fit', 'things', t.id]],
          terminals: [],
          figures: [{ is: t.placeMillimetres, limit: null, unit: 'millimetre' as const }],
          cures: [
            {
              label: 'Make it reachable from the underside',
              recipe: (draft) => {
                coachIn(draft, jobId).fit.things[t.id].reach = 'underside';
              },
            },
          ],
        };
      });
  },
});
