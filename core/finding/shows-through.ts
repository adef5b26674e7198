import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { coachInterior } from '../study/coach-interior';
import { floorAboveRail, showingThrough, type Showing } from '../study/showing';
import { rule } from './finding';
import { remedy } from './remedy';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Lamps, boards and things that an eye beside the track sees through a window. */
export const showsThrough = rule({
  id: 'shows-through',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId } = bench;
    const { eye } = job.fit;
    const seen = new Map<string, Showing>();
    for (const s of showingThrough(job)) if (s.shows && !seen.has(s.id)) seen.set(s.id, s);
    return [...seen.values()].map((s) => {
      const thing = s.kind === 'thing' ? job.fit.things[s.id] : null;
      const toilet = coachInterior(job).rooms.find((r) => r.kind === 'toilet');
      return {
        id: `shows-through ${s.id}`,
        rule: 'shows-through',
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
        figures: {
          lowMillimetres: s.between![0],
          highMillimetres: s.between![1],
          eyeMillimetres: eye.aboveRailMillimetres,
        },
        remedies: thing
          ? [
              ...(toilet
                ? remedy('Put it in the toilet', bench, steady, (draft) => {
                    Object.assign(coachIn(draft, jobId).fit.things[s.id], {
                      placeMillimetres: Math.round((toilet.from + toilet.to) * 5) / 10,
                      acrossMillimetres:
                        Math.round((toilet.nearest + toilet.farthest - job.interior.widthMillimetres) * 5) /
                        10,
                    });
                    return true;
                  })
                : []),
              ...(floorAboveRail(job.dimensions) > thing.heightMillimetres
                ? remedy('Hang it below the floor', bench, steady, (draft) => {
                    coachIn(draft, jobId).fit.things[s.id].bottomMillimetres = -thing.heightMillimetres;
                    return true;
                  })
                : []),
            ]
          : [],
      };
    });
  },
});
