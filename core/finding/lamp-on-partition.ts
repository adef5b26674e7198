import { formatQuantity } from '../quantity/format';
import { coachIn } from '../document/jobs';
import type { Job } from '../document/layout';
import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { LAMP_HALF_MILLIMETRES } from '../study/coach-light';
import { onPartition } from '../study/on-partition';
import { rule } from './finding';
import { lampNames, plural } from './names';
import { remedy } from './remedy';
import type { Bench } from '../study/bench';

const STEP = 0.5;

/** A lamp over a partition that reaches it lights neither room well. */
export const lampOnPartition = rule({
  id: 'lamp-on-partition',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId } = bench;
    const lamps = inOrder(job.lamps);
    const on = lamps.filter((l) => l.role === 'room' && stands(bench, l, l.placeMillimetres));
    if (on.length === 0) return [];
    const moved = on.map((l) => ({ id: l.id, to: clearPlace(bench, l) }));
    return [
      {
        id: 'lamp-on-partition',
        rule: 'lamp-on-partition',
        severity: 'mind' as const,
        title: plural(on.length, 'A lamp stands on a partition', 'Lamps stand on partitions'),
        sentence: `${lampNames(on.map((l) => lamps.indexOf(l) + 1))} ${plural(on.length, 'is', 'are')} within ${formatQuantity(LAMP_HALF_MILLIMETRES, 'millimetre')} of a partition that reaches up to ${plural(on.length, 'it', 'them')}.`,
        reason: 'A lamp over a partition lights neither room well: each gets half of it, at a slant.',
        paths: on.map((l) => ['jobs', jobId, 'lamps', l.id]),
        terminals: on.map((l) => ({ part: `lamp-${l.id}`, terminal: 'anode' })),
        figures: { withinMillimetres: LAMP_HALF_MILLIMETRES },
        remedies: moved.every((m) => m.to !== null)
          ? remedy(plural(on.length, 'Move it aside', 'Move them aside'), bench, steady, (draft) => {
              for (const m of moved) coachIn(draft, jobId).lamps[m.id].placeMillimetres = m.to!;
              return true;
            })
          : [],
      },
    ];
  },
});

type Lamp = Job['lamps'][string];

function stands({ job, layout }: Bench, lamp: Lamp, placeMillimetres: number): boolean {
  return onPartition(
    job,
    { led: lampType(layout, lamp.part) },
    { placeMillimetres, acrossMillimetres: lamp.acrossMillimetres },
  );
}

/** The nearest place clear of partitions; null where there is none. */
function clearPlace(bench: Bench, lamp: Lamp): number | null {
  const { lengthMillimetres } = bench.job.dimensions;
  for (let by = STEP; by < lengthMillimetres; by += STEP) {
    for (const to of [lamp.placeMillimetres + by, lamp.placeMillimetres - by]) {
      if (to > 0 && to < lengthMillimetres && !stands(bench, lamp, to)) return Math.round(to * 10) / 10;
    }
  }
  return null;
}
