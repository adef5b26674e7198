import { coachIn } from '../jobs';
import { formatQuantity } from '../../../quantity/format';
import { coachInterior } from '../interior';
import { floorAboveRail, showingThrough, type Showing } from '../showing';
import type { Draft } from 'immer';
import type { Layout } from '../../../document/layout';
import { rule } from '../../../finding/finding';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Lamps, boards and things that an eye beside the track sees through a window. */
export const showsThrough = rule({
  id: 'shows-through',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const job = coachIn(layout, jobId);
    const { eye } = job.fit;
    const seen = new Map<string, Showing>();
    for (const s of showingThrough(job)) if (s.shows && !seen.has(s.id)) seen.set(s.id, s);
    return [...seen.values()].map((s) => {
      const thing = s.kind === 'thing' ? job.fit.things[s.id] : null;
      const toilet = coachInterior(job).rooms.find((r) => r.kind === 'toilet');
      return {
        id: `shows-through ${s.id}`,
        severity: 'mind' as const,
        title: `${s.name} shows through the windows`,
        sentence: `From the ${s.side} side it is seen by an eye between ${mm(s.between![0])} and ${mm(s.between![1])} above the rail, ${mm(eye.awayMillimetres)} away; yours is at ${mm(eye.aboveRailMillimetres)}.`,
        reason:
          'What is lit from behind a window is looked at. Below the seats, below the floor, behind the frosted pane of a toilet or above the window’s head nothing shows.',
        paths: [
          thing
            ? ['jobs', jobId, 'fit', 'things', s.id]
            : ['jobs', jobId, s.kind === 'lamp' ? 'lamps' : 'fit'],
        ],
        terminals: [],
        figures: [
          { is: eye.aboveRailMillimetres, limit: s.between![0], unit: 'millimetre' as const },
          { is: eye.aboveRailMillimetres, limit: s.between![1], unit: 'millimetre' as const },
        ],
        cures: thing
          ? [
              ...(toilet
                ? [
                    {
                      label: 'Put it in the toilet',
                      recipe: (draft: Draft<Layout>) => {
                        Object.assign(coachIn(draft, jobId).fit.things[s.id], {
                          placeMillimetres: Math.round((toilet.from + toilet.to) * 5) / 10,
                          acrossMillimetres:
                            Math.round(
                              (toilet.nearest + toilet.farthest - job.interior.widthMillimetres) * 5,
                            ) / 10,
                        });
                      },
                    },
                  ]
                : []),
              ...(floorAboveRail(job.dimensions) > thing.heightMillimetres
                ? [
                    {
                      label: 'Hang it below the floor',
                      recipe: (draft: Draft<Layout>) => {
                        coachIn(draft, jobId).fit.things[s.id].bottomMillimetres = -thing.heightMillimetres;
                      },
                    },
                  ]
                : []),
            ]
          : [],
      };
    });
  },
});
