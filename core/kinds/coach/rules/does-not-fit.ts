import { notchWords } from '../notch-words';
import { formatQuantity } from '../../../quantity/format';
import { fitAnswers, lacking, type FitAnswer } from '../fit';
import { rule, type Cure } from '../../../finding/finding';
import { coachIn } from '../jobs';
import type { CoachRecord } from '../record';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** What lacks room, by how much, and where to file. */
export const doesNotFit = rule({
  id: 'does-not-fit',
  needs: ['laid'],
  judge: ({ layout, jobId }) =>
    lacking(fitAnswers(coachIn(layout, jobId))).map((a) => {
      const notched = a.notches.length > 0;
      return {
        id: `does-not-fit ${a.id}`,
        // What a file mends is part of the work; what it does not is a fault.
        severity: notched ? ('note' as const) : ('mind' as const),
        title: notched
          ? `To be filed: ${a.question.toLowerCase()}`
          : `Does not fit: ${a.question.toLowerCase()}`,
        sentence: `It needs ${mm(a.needsMillimetres)} and has ${mm(a.hasMillimetres)}, ${mm(-a.spareMillimetres)} too little${notched ? `: ${notchWords(a.notches)}` : ''}.`,
        reason:
          'Taken from the numbers of body, tabs and board. Measure again before you cut; file a little, try, file again.',
        paths: [['jobs', jobId, 'fit', a.id.startsWith('thing-') ? 'things' : 'board']],
        terminals: [],
        figures: [{ is: a.hasMillimetres, limit: a.needsMillimetres, unit: 'millimetre' as const }],
        cures: cures(coachIn(layout, jobId), jobId, a),
      };
    }),
});

function cures(job: CoachRecord, jobId: string, a: FitAnswer): Cure[] {
  const change = (label: string, recipe: (job: CoachRecord) => void): Cure[] => [
    { label, recipe: (draft) => recipe(coachIn(draft, jobId)) },
  ];
  if (a.id === 'board-width' || a.id === 'board-tabs')
    return change(
      `Take a board ${mm(a.hasMillimetres)} wide`,
      (j) => void (j.fit.board!.widthMillimetres = a.hasMillimetres),
    );
  if (a.id === 'board-length' && a.hasMillimetres >= 1)
    return change(
      `Cut it to ${mm(a.hasMillimetres)}`,
      (j) => void (j.fit.board!.lengthMillimetres = a.hasMillimetres),
    );
  if (a.id === 'lamps-clear')
    return change(
      `Count with light ${mm(a.needsMillimetres)} below the ceiling`,
      (j) => void (j.interior.lampsBelowCeilingMillimetres = job.fit.board!.thicknessMillimetres),
    );
  return [];
}
