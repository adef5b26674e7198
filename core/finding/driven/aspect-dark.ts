import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { aboutLamps } from '../about';
import { aspectPath, draftOf, showsAspects } from './driven';
import { rule } from '../finding';

/** An aspect in which nothing is to be seen, and one that is to be dark in which something is. */
export const aspectDark = rule({
  id: 'aspect-dark',
  needs: ['aspects'],
  about: showsAspects,
  judge: (bench, { aspects }) =>
    aspects.flatMap((look) => {
      const { id, aspect, seen } = look;
      if (aspect.dark === (seen.length === 0)) return [];
      const lamps = Object.keys(aspect.dark ? bench.job.lamps : aspect.lamps);
      const brightest = Math.max(0, ...seen.map((s) => s.lightness));
      return [
        {
          id: `aspect-dark ${id}`,
          severity: aspect.dark ? ('mind' as const) : ('stop' as const),
          title: aspect.dark ? `${aspect.name} is not dark` : `${aspect.name} shows nothing`,
          sentence: aspect.dark
            ? `${aspect.name} is to be dark, and ${seen.length} of ${lamps.length} lamps shine, the brightest with ${brightest.toFixed(0)} of 100.`
            : `In ${aspect.name} 0 of ${lamps.length} lamps reach ${FAINT_LIGHTNESS} of 100, from which a lamp is seen in the dark.`,
          reason: aspect.dark
            ? 'What drives it cannot switch everything off, or current leaks round. A switch in what feeds it makes it dark.'
            : 'A signal without a light stops nobody, and nobody sees that it is there. No lamp is meant in it, or what is meant gets nothing.',
          subject: { lamps },
          ...aboutLamps(bench, lamps),
          paths: [aspectPath(bench.jobId, id)],
          figures: [{ is: brightest, limit: FAINT_LIGHTNESS, unit: 'of 100' as const }],
          cures:
            Object.keys(aspect.lamps).length === 0 && !aspect.dark
              ? [
                  {
                    label: `${aspect.name} is meant to be dark`,
                    recipe: (draft) => {
                      draftOf(draft, bench.jobId).aspects[id].dark = true;
                    },
                  },
                ]
              : [],
        },
      ];
    }),
});
