import { candelaToViewer } from '../light/pool';
import { lampLightness } from '../light/lamp-light';
import { shiningLamps } from '../study/pools';
import { shinesOf } from '../kinds/shines';
import { lampWords, plural } from './about';
import { rule } from './finding';

/** Lightness of a lamp seen straight on by itself from which it dazzles rather than lights (common practice, no source). */
const DAZZLES = 60;

/** Lamps that should light the ground and shine into the eyes of who stands before them. */
export const glare = rule({
  id: 'glare',
  needs: ['now'],
  about: ({ job }) => (shinesOf(job.kind).pool?.(job).length ?? 0) > 0,
  judge(bench, { now }) {
    const seen = shiningLamps(bench, now)
      .map((l) => ({ id: l.lampId, lightness: lampLightness(candelaToViewer(l)) }))
      .filter((l) => l.lightness > DAZZLES);
    if (seen.length === 0) return [];
    const worst = seen.reduce((a, b) => (b.lightness > a.lightness ? b : a));
    const ids = seen.map((l) => l.id);
    return [
      {
        id: 'glare',
        severity: 'mind' as const,
        title: 'Bare lamps shine into the eye',
        sentence: `${lampWords(bench, ids)} ${plural(ids.length, 'is', 'are')} seen from the front at lightness ${Math.round(worst.lightness)}; above ${DAZZLES} a lamp dazzles and the ground looks dark beside it.`,
        reason:
          'Turned down, or behind a hood as deep as it is wide, the lamp is hidden and only its light is seen.',
        subject: { lamps: ids },
        paths: [['jobs', bench.jobId, 'lamps', worst.id]],
        terminals: [],
        figures: [{ is: worst.lightness, limit: DAZZLES, unit: 'of 100' as const }],
      },
    ];
  },
});
