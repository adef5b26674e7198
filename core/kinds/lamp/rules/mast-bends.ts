import { fittingSorts } from '../../../part/lamp-fitting';
import { bendOf, mastStock, type MastName } from '../../../part/lamp-kit';
import { formatQuantity } from '../../../quantity/format';
import { rule, type Cure } from '../../../finding/finding';
import { lampPassages } from '../usual-passages';
import { lampsIn } from '../jobs';

/** A sleeve that brushes a mast pushes about so much, in newtons (common practice, no source). */
const BRUSH_NEWTONS = 0.5;

/** A mast that a sleeve bends for good. */
export const mastBends = rule({
  id: 'mast-bends',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const { fitting, kit } = lampsIn(layout, jobId);
    if (fittingSorts[fitting.sort].stands !== 'mast') return [];
    const { newtons, grams, millimetres } = bendOf(kit.mast, fitting.heightMillimetres);
    if (newtons >= BRUSH_NEWTONS) return [];
    const stiffer = (Object.keys(mastStock) as MastName[]).filter(
      (name) =>
        mastStock[name].boreMillimetres > 0 &&
        bendOf(name, fitting.heightMillimetres).newtons >= BRUSH_NEWTONS,
    );
    return [
      {
        id: 'mast-bends',
        severity: 'note' as const,
        title: 'A sleeve bends the mast',
        sentence: `${mastStock[kit.mast].name}, ${formatQuantity(fitting.heightMillimetres, 'millimetre')} high, stays bent from ${newtons.toPrecision(2)} N at its top on (${Math.round(grams)} g); a sleeve brushes it with some ${BRUSH_NEWTONS} N.`,
        reason: `Until then its top gives ${formatQuantity(millimetres, 'millimetre', { significant: 2 })}. A stiffer tube, or a rubber grommet at its foot that gives instead.`,
        paths: [['jobs', jobId, 'kit', 'mast']],
        terminals: [],
        figures: [{ is: millimetres, limit: null, unit: 'millimetre' as const }],
        cures: [
          stiffer.slice(0, 3).map((name): Cure => ({
            label: `${mastStock[name].name}`,
            recipe(draft) {
              const job = lampsIn(draft, jobId);
              job.kit.mast = name;
              job.passages = lampPassages(job);
            },
          })),
        ],
      },
    ];
  },
});
