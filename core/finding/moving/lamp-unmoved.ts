import { aboutLamps, lampWords, plural } from '../about';
import { movingOf, draftOf, moves, studyOf } from './moving';
import { rule } from '../finding';

/** A lamp on a channel that no scene of the time line lights. */
export const lampUnmoved = rule({
  id: 'lamp-unmoved',
  needs: ['highest'],
  about: moves,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { unmoved } = moving;
    if (unmoved.length === 0) return [];
    const { jobId } = bench;
    const { groups, clips } = movingOf(bench).timeline;
    const taken = new Set(Object.values(groups).flatMap((g) => (g.of === 'lamps' ? g.lamps : [])));
    const loose = unmoved.filter((id) => !taken.has(id));
    return [
      {
        id: 'lamp-unmoved',
        severity: 'note' as const,
        title: 'No scene lights it',
        sentence: `${lampWords(bench, unmoved)} ${plural(unmoved.length, 'is', 'are')} in 0 scenes of the time line, and ${plural(unmoved.length, 'stays', 'stay')} dark.`,
        reason: 'A program does what its time line says, and nothing else.',
        subject: { lamps: unmoved },
        ...aboutLamps(bench, unmoved),
        figures: [{ is: 0, limit: 1, unit: 'pieces' as const }],
        cures:
          loose.length === unmoved.length
            ? [
                {
                  label: 'Let it stand lit all the time',
                  recipe: (draft) => {
                    const { timeline } = draftOf(draft, jobId);
                    timeline.groups['steady-lamps'] = {
                      of: 'lamps',
                      order: 1 + Math.max(0, ...Object.values(groups).map((g) => g.order)),
                      name: 'Always lit',
                      lamps: [...loose],
                    };
                    timeline.clips['steady-lamps'] = {
                      order: 1 + Math.max(0, ...Object.values(clips).map((c) => c.order)),
                      group: 'steady-lamps',
                      fromMilliseconds: 0,
                      toMilliseconds: timeline.lastsMilliseconds,
                      effect: 'steady',
                      parameters: [100],
                      colour: [255, 255, 255],
                    };
                  },
                },
              ]
            : [],
      },
    ];
  },
});
