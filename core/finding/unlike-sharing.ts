import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { inOrder } from '../document/in-order';
import { formatQuantity } from '../quantity/format';
import { stateWords } from '../study/state-words';
import { aboutLamps, lampWords, lightWords, plural } from './about';
import { resistorEach } from './cures';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';

/** The lamps in the way hang on another circuit, each that there is tried; or every lamp gets its own resistor. */
function apart(bench: Bench, circuitId: string, inTheWay: readonly string[]): Cure[] {
  const { job, jobId } = bench;
  const moved = lampWords(bench, inTheWay);
  return [
    ...inOrder(job.circuits)
      .filter((c) => c.id !== circuitId)
      .map((c): Cure => ({
        label: `Hang ${moved} on ${c.name}`,
        recipe: (draft) => {
          for (const id of inTheWay) draft.jobs[jobId].lamps[id].circuitId = c.id;
        },
      })),
    {
      label: `A resistor for each lamp of ${job.circuits[circuitId].name}`,
      says: 'With a resistor each, none holds another down.',
      recipe: resistorEach(jobId, circuitId),
    },
  ];
}

/** Lamps that stay dark because unlike ones beside them, behind the same resistor or limiter, hold the volts down. */
export const unlikeSharing = rule({
  id: 'unlike-sharing',
  needs: ['usual'],
  judge: (bench, { usual }) =>
    inOrder(bench.job.circuits).flatMap((circuit) => {
      const { jobId } = bench;
      if (circuit.limit !== 'shared' && circuit.limit !== 'limiter') return [];
      const held = usual.flatMap((row) => {
        const here = row.dies.filter((d) => d.circuitId === circuit.id && d.led !== null && d.volts.mean > 0);
        const lit = here.filter((d) => d.does === 'lit');
        const dark = here.filter((d) => d.should && d.does === 'dark' && lit.some((l) => l.led !== d.led));
        return dark.length > 0 ? [{ row, dark, lit }] : [];
      });
      if (held.length === 0) return [];
      const [{ row, dark, lit }] = held;
      const ids = [...new Set(held.flatMap((h) => h.dark.map((d) => d.lampId)))];
      const inTheWay = [...new Set(lit.map((d) => d.lampId))];
      const best = dark.reduce((a, b) => (b.lightness > a.lightness ? b : a));
      const volts = Math.min(...lit.map((d) => d.volts.mean));
      return [
        {
          id: `unlike-sharing ${circuit.id}`,
          severity: 'mind' as const,
          title: `${lampWords(bench, ids)} ${plural(ids.length, 'stays', 'stay')} dark beside ${lampWords(bench, inTheWay)}`,
          sentence: `${stateWords(bench, row.state, { phase: row.phase })}: ${formatQuantity(volts, 'volt')} are left across all lamps behind the one ${circuit.limit === 'limiter' ? 'limiter' : 'resistor'}; ${lampWords(bench, ids)} ${plural(ids.length, 'is', 'are')} ${lightWords(best.lightness)}, from ${FAINT_LIGHTNESS} on it is seen.`,
          reason:
            'Unlike lamps side by side behind one resistor hold one another down: the one that needs the least volts takes all the current.',
          subject: { circuit: circuit.id, lamps: ids },
          paths: [['jobs', jobId, 'circuits', circuit.id, 'limit']],
          terminals: aboutLamps(bench, ids).terminals,
          figures: [
            { is: best.lightness, limit: FAINT_LIGHTNESS, unit: 'of 100' as const },
            { is: volts, limit: null, unit: 'volt' as const },
          ],
          cures: [apart(bench, circuit.id, inTheWay)],
          explains: { rules: ['never-lit', 'uneven-sharing', 'end-dark'], lamps: ids },
        },
      ];
    }),
});
