import { nextPreferred } from '../../part/preferred';
import { shareOfLightness } from '../../light/lightness';
import { wiringOf } from '../../kinds/wirings';
import { setAt } from '../cures';
import { aboutLamps, lampWords } from '../about';
import { showsAspects } from './driven';
import { rule } from '../finding';
import type { DocumentPath } from '../../assembly/assembly';

/** From here on the eye minds that one aspect is brighter than another: half the light is 24 (common practice, no source). */
const SEEN_UNEVEN = 20;

/** Lamps that look unlike across the aspects of one head. */
export const aspectsUneven = rule({
  id: 'aspects-uneven',
  needs: ['aspects'],
  about: showsAspects,
  judge(bench, { aspects }) {
    const { job, jobId, assembly } = bench;
    const best = new Map<string, { lightness: number; amps: number }>();
    for (const { seen, aspect } of aspects)
      if (aspect.glass === null)
        for (const s of seen)
          if (s.lightness > (best.get(s.lampId)?.lightness ?? 0))
            best.set(s.lampId, { lightness: s.lightness, amps: s.litAmps });
    const wiring = wiringOf(job.kind);
    // Lamps of one head are seen beside one another.
    const places = [...new Set([...best.keys()].map((id) => wiring.placeOf(job, id)))];
    const heads = places.map((place) =>
      [...best]
        .filter(([id]) => wiring.placeOf(job, id) === place)
        .sort((a, b) => b[1].lightness - a[1].lightness),
    );
    const spread = (head: (typeof heads)[number]): number =>
      head[0][1].lightness - head[head.length - 1][1].lightness;
    const ordered = heads.sort((a, b) => spread(b) - spread(a)).at(0) ?? [];
    if (ordered.length < 2) return [];
    const [bright, dim] = [ordered[0], ordered[ordered.length - 1]];
    if (bright[1].lightness - dim[1].lightness < SEEN_UNEVEN) return [];
    const lamps = [bright[0], dim[0]];
    return [
      {
        id: 'aspects-uneven',
        severity: 'mind' as const,
        title: 'One lamp is much brighter than another',
        sentence: `${lampWords(bench, [bright[0]])} looks ${bright[1].lightness.toFixed(0)} bright by ${(1e3 * bright[1].amps).toPrecision(2)} mA, ${lampWords(bench, [dim[0]])} ${dim[1].lightness.toFixed(0)} by ${(1e3 * dim[1].amps).toPrecision(2)} mA; ${SEEN_UNEVEN} apart is half the light.`,
        reason:
          'Lamps of different colours give unlike light from the same current. Each wants a resistor of its own.',
        subject: { lamps },
        ...aboutLamps(bench, lamps),
        figures: [
          { is: bright[1].lightness - dim[1].lightness, limit: SEEN_UNEVEN, unit: 'of 100' as const },
        ],
        cures: [
          {
            label: `Larger resistors, all as bright as ${lampWords(bench, [dim[0]])}`,
            recipe(draft) {
              for (const [lampId, { lightness }] of ordered) {
                const part = assembly.parts.find(
                  (p) =>
                    p.kind === 'resistor' && p.circuit !== null && p.circuit === job.lamps[lampId].circuitId,
                );
                if (part?.kind !== 'resistor' || !part.decides.ohms) continue;
                const factor = shareOfLightness(lightness) / shareOfLightness(dim[1].lightness);
                if (factor > 1.15) setAt(draft, part.decides.ohms, nextPreferred(part.ohms * factor, 'E24'));
              }
            },
          },
        ],
        paths: [...lamps.map((id): DocumentPath => ['jobs', jobId, 'lamps', id])],
      },
    ];
  },
});
