import { sourceOfLamp } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { aboutLamps, atHighest, lampWords, plural } from './about';
import { largerResistors, resistorEach, wantedLimit } from './cures';
import { evenStrings } from './odd-string';
import { rule, type Cure, type Judgement } from './finding';
import type { Bench } from '../study/bench';
import type { DieVerdict, TruthRow } from '../study/truth-table';

/** A cure aims at this share of what a lamp bears (half the current looks nearly as bright). */
const AIM_SHARE = 0.5;

interface Loaded {
  readonly die: DieVerdict;
  readonly row: TruthRow;
  readonly amps: number;
  readonly limit: number;
}

/** The lamps of a circuit that carry more than a limit, each where it carries most. */
function over(
  rows: readonly TruthRow[],
  circuitId: string,
  ampsOf: (d: DieVerdict) => number,
  limitOf: (d: DieVerdict) => number,
): Map<string, Loaded> {
  const found = new Map<string, Loaded>();
  for (const row of rows)
    for (const die of row.dies) {
      if (die.circuitId !== circuitId || !die.led) continue;
      const [amps, limit] = [ampsOf(die), limitOf(die)];
      if (amps > limit && amps > (found.get(die.lampId)?.amps ?? 0))
        found.set(die.lampId, { die, row, amps, limit });
    }
  return found;
}

/** Larger resistors for what carries too much; a resistor each where a circuit has none. */
function cures(
  bench: Bench,
  circuitId: string,
  loaded: ReadonlyMap<string, Loaded>,
): (Cure | readonly Cure[])[] {
  const factor = (lampId: string | null): number => {
    const own = lampId === null ? [...loaded.values()] : [loaded.get(lampId)].filter((l) => l !== undefined);
    return Math.max(1, ...own.map((l) => l.amps / (AIM_SHARE * l.die.led!.greatestAmps)));
  };
  const parts = bench.assembly.parts.filter((p) => p.circuit === circuitId);
  const { inSeries } = bench.job.circuits[circuitId];
  return [
    [
      ...wantedLimit(bench, [circuitId]),
      {
        label: 'Fit larger resistors',
        recipe: largerResistors(parts, (p) => factor(inSeries > 1 ? null : p.lamp)),
      },
      { label: 'Give each a resistor of its own', recipe: resistorEach(bench.jobId, circuitId) },
    ],
  ];
}

/** Lamps that carry more than they may with the supply at its highest, or more than they should for a long life. */
export const lampCurrent = rule({
  id: 'lamp-current',
  needs: ['usual', 'highest'],
  judge: (bench, { usual, highest }) =>
    inOrder(bench.job.circuits).flatMap(({ id }): Judgement[] => {
      const hard = over(
        highest,
        id,
        (d) => d.amps.greatest,
        (d) => d.led!.greatestAmps,
      );
      const stop = hard.size > 0;
      const named = stop
        ? hard
        : over(
            usual,
            id,
            (d) => d.litAmps,
            (d) => d.led!.greatestAmps * d.led!.longLifeShare,
          );
      if (named.size === 0) return [];
      const ids = [...named.keys()];
      const top = [...named.values()].reduce((a, b) => (b.amps > a.amps ? b : a));
      const limit = Math.min(...[...named.values()].map((l) => l.limit));
      const carries = `${lampWords(bench, ids)} ${plural(ids.length, 'carries', 'carry')}`;
      return [
        {
          id: `lamp-current ${id}`,
          severity: stop ? 'stop' : 'mind',
          title: stop ? 'Too much current for the lamps' : 'The lamps will not last',
          sentence: stop
            ? `${carries} up to ${formatQuantity(top.amps, 'amp')}${atHighest(sourceOfLamp(bench, ids[0]), top.row)}; ${formatQuantity(limit, 'amp')} is the most.`
            : `${carries} ${formatQuantity(top.amps, 'amp')}; up to ${formatQuantity(limit, 'amp')} they last for years.`,
          reason: 'A lamp run hard yellows, dims and dies early; half the current looks nearly as bright.',
          subject: { circuit: id, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: top.amps, limit, unit: 'amp' }],
          cures: [...evenStrings(bench, id, usual), ...cures(bench, id, named)],
        },
      ];
    }),
});
