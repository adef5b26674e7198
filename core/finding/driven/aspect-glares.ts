import { FULL_CANDELA } from '../../light/lamp-light';
import { nextPreferred } from '../../part/preferred';
import { shareOfLightness } from '../../light/lightness';
import { setAt } from '../cures';
import { aboutLamps, lampWords } from '../about';
import { showsAspects, viewOf } from './driven';
import { rule } from '../finding';

/** Brighter than a bare white lamp at 10 mA by this share is glaring in the dark (common practice, no source). */
const GLARING = 115;

/** A lamp of a signal that glares by night. */
export const aspectGlares = rule({
  id: 'aspect-glares',
  needs: ['aspects'],
  about: showsAspects,
  judge(bench, { aspects }) {
    const { job, assembly } = bench;
    const best = new Map<string, { lightness: number; amps: number }>();
    for (const { seen } of aspects)
      for (const s of seen)
        if (s.lightness > (best.get(s.lampId)?.lightness ?? 0))
          best.set(s.lampId, { lightness: s.lightness, amps: s.litAmps });
    const lamps = [...best].filter(([, b]) => b.lightness > GLARING).map(([id]) => id);
    if (lamps.length === 0) return [];
    const worst = lamps.map((id) => best.get(id)!).reduce((a, b) => (b.lightness > a.lightness ? b : a));
    const candela = FULL_CANDELA * shareOfLightness(worst.lightness);
    const view = viewOf(bench);
    return [
      {
        id: 'aspect-glares',
        severity: 'mind' as const,
        title: 'Too bright by night',
        sentence: `${lampWords(bench, lamps)}: ${candela.toPrecision(2)} cd ahead by ${(1e3 * worst.amps).toPrecision(2)} mA, ${(candela / view ** 2).toPrecision(2)} lux in an eye at ${view} m; a lamp of ${FULL_CANDELA} cd looks full already.`,
        reason:
          'In the dark a point of light that strong flares over its whole head and lights the post. A larger resistor, paint, or a deeper hood.',
        subject: { lamps },
        ...aboutLamps(bench, lamps),
        figures: [{ is: worst.lightness, limit: GLARING, unit: 'of 100' as const }],
        cures: [
          {
            label: 'Larger resistors',
            recipe(draft) {
              for (const lampId of lamps) {
                const part = assembly.parts.find(
                  (p) =>
                    p.kind === 'resistor' && p.circuit !== null && p.circuit === job.lamps[lampId].circuitId,
                );
                if (part?.kind !== 'resistor' || !part.decides.ohms) continue;
                const factor = shareOfLightness(best.get(lampId)!.lightness) / shareOfLightness(100);
                setAt(draft, part.decides.ohms, nextPreferred(part.ohms * factor, 'E12'));
              }
            },
          },
        ],
      },
    ];
  },
});
