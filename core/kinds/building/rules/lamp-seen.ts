import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { lampWords, plural } from '../../../finding/about';
import { formatQuantity } from '../../../quantity/format';
import { rule } from '../../../finding/finding';
import { buildingIn } from '../jobs';
import { lampIsSeen, windowHead } from '../light';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** A lamp that is seen itself through the windows of its room. */
export const lampSeen = rule({
  id: 'lamp-seen',
  needs: ['now'],
  judge(bench, { now }) {
    const job = buildingIn(bench.layout, bench.jobId);
    const { jobId } = bench;
    const seen = Object.entries(job.lamps).filter(
      ([id, l]) =>
        lampIsSeen(job.rooms[l.roomId], l.heightMillimetres) &&
        now.dies.some((d) => d.lampId === id && d.lightness >= FAINT_LIGHTNESS),
    );
    if (seen.length === 0) return [];
    const ids = seen.map(([id]) => id);
    const [, first] = seen[0];
    const head = windowHead(job.rooms[first.roomId]);
    const highest = job.body.floorMillimetres;
    return [
      {
        id: 'lamp-seen',
        severity: 'note' as const,
        title: 'The lamp itself is seen',
        sentence: `${lampWords(bench, ids)} ${plural(ids.length, 'hangs', 'hang')} ${mm(first.heightMillimetres)} above the floor, below the upper edge of the windows at ${mm(head)}.`,
        reason:
          'A point of light in the window gives the size of the model away. Above the windows only its light is seen.',
        subject: { lamps: ids },
        paths: [['jobs', jobId, 'lamps', ids[0], 'heightMillimetres']],
        terminals: [],
        figures: [{ is: first.heightMillimetres, limit: head, unit: 'millimetre' as const }],
        cures: seen.every(([, l]) => windowHead(job.rooms[l.roomId]) <= highest)
          ? [
              {
                label: 'Up under the ceiling',
                recipe(draft) {
                  const own = buildingIn(draft, jobId);
                  for (const id of ids) own.lamps[id].heightMillimetres = highest;
                },
              },
            ]
          : [],
      },
    ];
  },
});
