import { isScenery, type Scenery } from '../document/scenery-record';
import { mates } from '../part/small-plug';
import { anyJobIn } from '../document/jobs';
import { rule } from './finding';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';

/** The plug of a job of scenery in a draft. @throws RangeError when it has none */
const plugIn = (draft: Draft<Layout>, jobId: string): Scenery['plug'] => {
  const job = anyJobIn(draft, jobId);
  if (!isScenery(job)) throw new RangeError(`${jobId} has no plug`);
  return job.plug;
};

/** A plug that does not go into the socket it is for, or a socket for bare ends. */
export const plugMates = rule({
  id: 'plug-mates',
  needs: ['laid'],
  about: ({ job }) => isScenery(job),
  judge({ job, jobId }) {
    if (!isScenery(job)) return [];
    const { leadPitch, socketPitch } = job.plug;
    if (leadPitch === null || socketPitch === null || mates(leadPitch, socketPitch)) return [];
    return [
      {
        id: 'plug-mates',
        severity: 'mind' as const,
        title: 'The plug does not fit the socket',
        sentence: `The leads end in a plug of ${leadPitch} mm pitch; the socket has ${socketPitch} mm.`,
        reason:
          'Pins of another pitch bend or touch their neighbour. Crimp the right plug on, or a short lead with one of each.',
        paths: [['jobs', jobId, 'plug', 'leadPitch']],
        terminals: [],
        figures: [{ is: leadPitch, limit: socketPitch, unit: 'millimetre' as const }],
        cures: [
          {
            label: `Plugs of ${socketPitch} mm`,
            recipe: (draft) => void (plugIn(draft, jobId).leadPitch = socketPitch),
          },
          {
            label: 'Bare ends, joined after',
            recipe: (draft) => void (plugIn(draft, jobId).leadPitch = null),
          },
        ],
      },
    ];
  },
});
