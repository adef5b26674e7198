import { formatQuantity } from '../../../quantity/format';
import { coachIn } from '../jobs';
import type { CoachRecord as Job } from '../record';
import { inOrder } from '../../../document/in-order';
import { bulbs } from '../../../part/bulb';
import { leds } from '../../../part/led';
import { lampType } from '../../../document/lamp-type';
import { LAMP_HALF_MILLIMETRES } from '../light';
import { onPartition } from '../on-partition';
import { rule } from '../../../finding/finding';
import { aboutLamps, lampWords, plural } from '../../../finding/about';
import type { Bench } from '../../../study/bench';

const STEP = 0.5;

/** A lamp over a partition that reaches it lights neither room well. */
export const lampOnPartition = rule({
  id: 'lamp-on-partition',
  needs: ['laid'],
  judge(bench) {
    const { jobId } = bench;
    const job = coachIn(bench.layout, jobId);
    const lamps = inOrder(job.lamps);
    const on = lamps.filter((l) => l.role === 'room' && stands(bench, l, l.placeMillimetres));
    if (on.length === 0) return [];
    const moved = on.map((l) => ({ id: l.id, to: clearPlace(bench, l) }));
    return [
      {
        id: 'lamp-on-partition',
        severity: 'mind' as const,
        title: plural(on.length, 'A lamp stands on a partition', 'Lamps stand on partitions'),
        sentence: `${lampWords(
          bench,
          on.map((l) => l.id),
        )} ${plural(on.length, 'is', 'are')} within ${formatQuantity(LAMP_HALF_MILLIMETRES, 'millimetre')} of a partition that reaches up to ${plural(on.length, 'it', 'them')}.`,
        reason: 'A lamp over a partition lights neither room well: each gets half of it, at a slant.',
        subject: { lamps: on.map((l) => l.id) },
        ...aboutLamps(
          bench,
          on.map((l) => l.id),
        ),
        figures: [{ is: on.length, limit: 0, unit: 'pieces' as const }],
        cures: moved.every((m) => m.to !== null)
          ? [
              {
                label: plural(on.length, 'Move it aside', 'Move them aside'),
                recipe: (draft) => {
                  for (const m of moved) coachIn(draft, jobId).lamps[m.id].placeMillimetres = m.to!;
                },
              },
            ]
          : [],
      },
    ];
  },
});

type Lamp = Job['lamps'][string];

function stands({ layout, jobId }: Bench, lamp: Lamp, placeMillimetres: number): boolean {
  return onPartition(
    coachIn(layout, jobId),
    { led: Object.hasOwn(bulbs, lamp.part) ? leds['white-warm'] : lampType(layout, lamp.part) },
    { placeMillimetres, acrossMillimetres: lamp.acrossMillimetres },
  );
}

/** The nearest place clear of partitions; null where there is none. */
function clearPlace(bench: Bench, lamp: Lamp): number | null {
  const { lengthMillimetres } = coachIn(bench.layout, bench.jobId).dimensions;
  for (let by = STEP; by < lengthMillimetres; by += STEP) {
    for (const to of [lamp.placeMillimetres + by, lamp.placeMillimetres - by]) {
      if (to > 0 && to < lengthMillimetres && !stands(bench, lamp, to)) return Math.round(to * 10) / 10;
    }
  }
  return null;
}
