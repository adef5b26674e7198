import { coachIn } from '../document/jobs';
import { inOrder } from '../document/in-order';
import { reaches, thingKinds } from '../document/thing-kinds';
import { rule } from './finding';
import { remedy } from './remedy';

/** A cell, switch or plug that cannot be got at once the body is closed. */
export const outOfReach = rule({
  id: 'out-of-reach',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId } = bench;
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
          rule: 'out-of-reach',
          severity: 'mind' as const,
          title: `${name} cannot be reached`,
          sentence: `Once closed, the ${name.toLowerCase()} ${t.placeMillimetres} mm from the left end is reached ${reaches[t.reach]}${glued ? ', and the roof is glued' : ''}.`,
          reason:
            'Cells run out, switches are for switching, and a plug that cannot be pulled is a joint. Leave a way: the underside, an end door, or a roof that comes off.',
          paths: [['jobs', jobId, 'fit', 'things', t.id]],
          terminals: [],
          figures: { placeMillimetres: t.placeMillimetres },
          remedies: remedy('Make it reachable from the underside', bench, steady, (draft) => {
            coachIn(draft, jobId).fit.things[t.id].reach = 'underside';
            return true;
          }),
        };
      });
  },
});
