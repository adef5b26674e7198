import { isSource } from '../assembly/assembly';
import { anyJobIn } from '../document/jobs';
import { passingOf, type Passing } from '../assembly/passing';
import { formatQuantity, inSentence } from '../quantity/format';
import { nextDrill } from '../part/drill';
import { bundleMillimetres, wireNames, wireOf } from '../part/wire';
import { asWired } from '../study/wired';
import { rule, type Cure } from './finding';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** Leads, or what hangs on them already, that are thicker than what they have to go through. */
export const doesNotPass = rule({
  id: 'does-not-pass',
  needs: ['laid'],
  judge: (bench) =>
    passingOf(asWired(bench).assembly, bench.job)
      .filter((p) => p.needsMillimetres > p.passage.boreMillimetres + 1e-9)
      .map((p) => {
        const { passage, leads, needsMillimetres } = p;
        const carries = (passage.carriesMillimetres ?? 0) >= p.bundleMillimetres;
        return {
          id: `does-not-pass ${passage.id}`,
          severity: 'mind' as const,
          title: `Does not go through: ${inSentence(passage.name)}`,
          sentence: carries
            ? `What hangs on the wires is ${mm(needsMillimetres)} across and does not pass the ${mm(passage.boreMillimetres)} of ${inSentence(passage.name)}.`
            : `${leads.length} leads laid together are ${mm(needsMillimetres)} thick; ${inSentence(passage.name)} is ${mm(passage.boreMillimetres)} at its narrowest.`,
          reason: carries
            ? 'Bare wire goes through; a plug, a resistor or a board is joined after it has been threaded.'
            : 'Round wires never lie without gaps between them: two take twice their thickness, three 2.16 times, seven three times.',
          paths: [['jobs', bench.jobId, 'passages', passage.id]],
          terminals: [],
          figures: [{ is: passage.boreMillimetres, limit: needsMillimetres, unit: 'millimetre' as const }],
          cures: cures(bench.jobId, p),
        };
      }),
});

function cures(jobId: string, { passage, leads, bundleMillimetres: bundle }: Passing): Cure[] {
  const found: Cure[] = [];
  const carries = passage.carriesMillimetres !== null && passage.carriesMillimetres > passage.boreMillimetres;
  if (carries)
    found.push({
      label: 'Thread the wire by itself, join after',
      recipe: (draft) => void (anyJobIn(draft, jobId).passages[passage.id].carriesMillimetres = null),
    });
  if (bundle > passage.boreMillimetres) {
    const feeds = leads.every((l) => isSource(l.from.part) || isSource(l.to.part));
    const thinner = wireNames.filter(
      (w) => bundleMillimetres(leads.map(() => wireOf(w).outsideMillimetres)) <= passage.boreMillimetres,
    );
    const wire = thinner.sort((a, b) => wireOf(b).outsideMillimetres - wireOf(a).outsideMillimetres)[0];
    if (wire)
      found.push({
        label: `Thinner wire: ${wireOf(wire).name.toLowerCase().replace('awg', 'AWG')}`,
        recipe(draft) {
          const { wires } = anyJobIn(draft, jobId);
          if (feeds) wires.feed = wire;
          else wires.lamps = wire;
        },
      });
  }
  const bore = nextDrill(Math.max(bundle, passage.carriesMillimetres ?? 0));
  found.push({
    label: `Open it to ${mm(bore)}`,
    recipe: (draft) => void (anyJobIn(draft, jobId).passages[passage.id].boreMillimetres = bore),
  });
  return found;
}
