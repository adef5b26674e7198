import { inOrder } from '../document/in-order';
import { nextPreferred } from '../part/preferred';
import { bodyFor, RESISTOR_MARGIN, resistorBodies } from '../part/resistor';
import { formatQuantity } from '../quantity/format';
import { aboutLamps, lampWords, plural, SEEN_LIGHTNESS } from './about';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';
import type { TruthRow } from '../study/truth-table';

/** What carries so many times as much as its fellows is in a shorter string, and not just of another bag. */
const MORE_SHARE = 1.3;

type Die = TruthRow['dies'][number];

/** How many lamps a circuit has, and how many its whole strings leave over; none of a single string. */
function tally({ job }: Bench, circuitId: string): { readonly count: number; readonly left: number } {
  const { inSeries } = job.circuits[circuitId];
  const count = Object.values(job.lamps).filter((l) => l.circuitId === circuitId).length;
  return { count, left: count > inSeries ? count % inSeries : 0 };
}

/** What a lamp of a whole string carries, and those of a shorter one, in the state where they differ most; null where none is left over. */
function leftOver(rows: readonly TruthRow[], circuitId: string): { whole: Die; odd: readonly Die[] } | null {
  let most: { whole: Die; odd: readonly Die[] } | null = null;
  for (const row of rows) {
    const dies = row.dies.filter(
      (d) => d.circuitId === circuitId && d.should && !d.second && d.volts.mean > 0,
    );
    const whole = [...dies].sort((a, b) => a.litAmps - b.litAmps)[0] as Die | undefined;
    if (!whole) continue;
    const odd = dies.filter((d) => d.led === whole.led && d.litAmps > MORE_SHARE * whole.litAmps);
    if (odd.length === 0 || odd.length > dies.length / 2) continue;
    if (odd[0].lightness - whole.lightness > (most ? most.odd[0].lightness - most.whole.lightness : 0))
      most = { whole, odd };
  }
  return most;
}

/**
 * Strings that come out even, the longest first, each lamp with what a whole string carries now: for the
 * same current R = (V - n Vf)/I, V and Vf as they are solved (Ohm's law). None where no lamp is left over.
 */
export function evenStrings(bench: Bench, circuitId: string, rows: readonly TruthRow[]): Cure[] {
  const { job, jobId } = bench;
  const { inSeries, limit, ohms } = job.circuits[circuitId];
  const { count, left } = tally(bench, circuitId);
  if (left === 0 || (limit !== 'each' && limit !== 'shared')) return [];
  const found = leftOver(rows, circuitId);
  if (!found) return [];
  const { odd, whole } = found;
  // The left-over string tells the volts best: behind a resistor that is shared the others hardly carry anything.
  const volts = odd[0].litAmps * ohms + left * odd[0].volts.mean;
  const amps =
    limit === 'each'
      ? whole.litAmps
      : Math.max(0, (volts - inSeries * odd[0].volts.mean) / ohms / Math.ceil(count / inSeries));
  return Array.from({ length: inSeries - 1 }, (_, i) => inSeries - 1 - i)
    .filter((n) => count % n === 0 && amps > 0)
    .map((n): Cure => {
      const strings = limit === 'shared' ? count / n : 1;
      const own = nextPreferred(Math.max(1, (volts - n * odd[0].volts.mean) / (amps * strings)), 'E12');
      const watts = (amps * strings) ** 2 * own;
      const body = bodyFor(watts / RESISTOR_MARGIN) ?? resistorBodies[resistorBodies.length - 1];
      return {
        label: `${n === 1 ? 'Each lamp by itself' : `Strings of ${n}`}, ${formatQuantity(own, 'ohm')} ${limit === 'shared' ? 'before all' : 'in each'}`,
        recipe: (draft) => {
          const circuit = draft.jobs[jobId].circuits[circuitId];
          Object.assign(circuit, {
            inSeries: n,
            ohms: own,
            ratedWatts: Math.max(circuit.ratedWatts, body.watts),
          });
        },
      };
    });
}

/** Lamps left over in a shorter string than the others: they carry more, and outshine them. */
export const oddString = rule({
  id: 'odd-string',
  needs: ['usual'],
  about: ({ job }) => Object.values(job.circuits).some((c) => c.inSeries > 1),
  judge: (bench, { usual }) =>
    inOrder(bench.job.circuits).flatMap((circuit) => {
      const { count, left } = tally(bench, circuit.id);
      if (left === 0) return [];
      const found = leftOver(usual, circuit.id);
      const by = found ? found.odd[0].lightness - found.whole.lightness : 0;
      if (!found || by <= SEEN_LIGHTNESS) return [];
      const ids = found.odd.map((d) => d.lampId);
      return [
        {
          id: `odd-string ${circuit.id}`,
          severity: 'mind' as const,
          title: `${lampWords(bench, ids)} ${plural(ids.length, 'is', 'are')} left over from the strings`,
          sentence: `${count} lamps in strings of ${circuit.inSeries} leave ${left} over: ${plural(ids.length, 'it carries', 'they carry')} ${formatQuantity(found.odd[0].litAmps, 'amp')}, the others ${formatQuantity(found.whole.litAmps, 'amp')}, and ${plural(ids.length, 'looks', 'look')} ${by.toFixed(0)} of 100 brighter; ${SEEN_LIGHTNESS} is seen.`,
          reason:
            'Fewer lamps in a row leave more volts to the resistor, so more flows. Strings that come out even, or a larger resistor for the short one, make them alike.',
          subject: { circuit: circuit.id, lamps: ids },
          paths: [['jobs', bench.jobId, 'circuits', circuit.id, 'inSeries']],
          terminals: aboutLamps(bench, ids).terminals,
          figures: [
            { is: by, limit: SEEN_LIGHTNESS, unit: 'of 100' as const },
            { is: found.odd[0].litAmps, limit: found.whole.litAmps, unit: 'amp' as const },
          ],
          cures: evenStrings(bench, circuit.id, usual),
        },
      ];
    }),
});
