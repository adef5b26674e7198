import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { inOrder } from '../document/in-order';
import { stageOf, takeStage } from '../document/line-stages';
import { refusedCombination } from '../study/combination';
import { aboutLamps, ampsWords, lampWords, lightWords, plural } from './about';
import { setAt, wantedLimit, wrongWayCures } from './cures';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';

const USUAL_CHARGE_OHMS = 100;

/** What lets more through to circuits that stay dark, the least first. */
function brighterCures(bench: Bench, circuitIds: readonly string[]): Cure[] {
  const { job, jobId } = bench;
  const strung = circuitIds.filter((id) => job.circuits[id].inSeries > 1);
  const charges = bench.assembly.parts.filter(
    (p) => p.kind === 'resistor' && p.role === 'charge' && p.ohms > USUAL_CHARGE_OHMS,
  );
  const refit = wantedLimit(bench, circuitIds);
  return [
    ...refit,
    ...(strung.length > 0
      ? [
          {
            label: 'Wire each lamp by itself, not in strings',
            recipe: (draft: Parameters<Cure['recipe']>[0]) => {
              for (const id of strung) draft.jobs[jobId].circuits[id].inSeries = 1;
              for (const cure of refit) cure.recipe(draft);
            },
          },
        ]
      : []),
    ...(charges.length > 0
      ? [
          {
            label: 'Fit a smaller charge resistor, and lamp resistors to suit',
            recipe: (draft: Parameters<Cure['recipe']>[0]) => {
              for (const part of charges) setAt(draft, part.decides.ohms!, USUAL_CHARGE_OHMS);
              for (const cure of refit) cure.recipe(draft);
            },
          },
        ]
      : []),
  ];
}

/** Lamps that shine in no state in which they are meant to. */
export const neverLit = rule({
  id: 'never-lit',
  needs: ['usual'],
  judge(bench, { usual }) {
    const { job, jobId, layout } = bench;
    const most = new Map<string, { lightness: number; amps: number }>();
    const lit = new Set<string>();
    const backwards = new Set<string>();
    for (const row of usual)
      for (const die of row.dies) {
        if (die.circuitId === null || die.second || !die.should) continue;
        if (die.does === 'lit') lit.add(die.lampId);
        if (die.volts.mean < 0) backwards.add(die.lampId);
        if (die.lightness >= (most.get(die.lampId)?.lightness ?? 0))
          most.set(die.lampId, { lightness: die.lightness, amps: die.litAmps });
      }
    const dark = [...most.keys()].filter((id) => !lit.has(id));
    return inOrder(job.circuits).flatMap((circuit) => {
      const ids = dark.filter((id) => job.lamps[id].circuitId === circuit.id);
      if (ids.length === 0) return [];
      const best = ids.map((id) => most.get(id)!).reduce((a, b) => (b.lightness > a.lightness ? b : a));
      const line = job.lines[circuit.lineId];
      const kept = stageOf(line, 'steering')?.left === 'kept';
      return [
        {
          id: `never-lit ${circuit.id}`,
          severity: 'mind' as const,
          title: plural(
            ids.length,
            'A lamp stays dark whenever it should shine',
            'Lamps stay dark whenever they should shine',
          ),
          sentence: `${lampWords(bench, ids)}: ${ampsWords(best.amps)} at most, ${lightWords(best.lightness)}; from ${FAINT_LIGHTNESS} on a lamp begins to be seen.`,
          reason:
            refusedCombination(layout, jobId) ??
            'It gets too little through what stands in its way, is the wrong way round, hangs on an output nothing lights, or behind a diode that blocks its direction.',
          subject: { circuit: circuit.id, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [
            { is: best.amps, limit: null, unit: 'amp' as const },
            { is: best.lightness, limit: FAINT_LIGHTNESS, unit: 'of 100' as const },
          ],
          cures: [
            ids.some((id) => backwards.has(id))
              ? wrongWayCures(bench, ids)
              : brighterCures(bench, [circuit.id]),
            ...(kept
              ? [
                  {
                    label: 'Take the steering diode out',
                    recipe: (draft: Parameters<Cure['recipe']>[0]) =>
                      takeStage(draft.jobs[jobId].lines[circuit.lineId], 'steering'),
                  },
                ]
              : []),
          ],
        },
      ];
    });
  },
});
