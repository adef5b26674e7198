import { sourceOfLamp } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { driverOf } from '../document/aspect-record';
import { chainOf, putStage, stageOf } from '../document/line-stages';
import { driverKind } from '../supply/drivers';
import { reverseOf } from '../supply/drivers/driver-kind';
import { aboutLamps, atHighest, lampWords } from './about';
import { fitBridge } from './cures';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';
import type { DieVerdict, TruthRow } from '../study/truth-table';

/** How far a lamp's own share of a leak may lie from its line's. */
const LEAK_ROOM_VOLTS = 1;

/** Behind a rectifier a line that goes negative is fed by the rectifier's leak alone, which hurts nothing. */
function leaksOnly({ job }: Bench, row: TruthRow, die: DieVerdict): boolean {
  if (die.circuitId === null) return false;
  const chain = chainOf(job, job.circuits[die.circuitId].lineId);
  const rectified = chain.some((l) => stageOf(l, 'bridge') !== null || stageOf(l, 'diode') !== null);
  const line = row.readings.lines.get(chain[chain.length - 1].id);
  return rectified && line !== undefined && -line.least > die.reverseVolts - LEAK_ROOM_VOLTS;
}

/** Whether a circuit stands alone on two contacts of its driver that change sides. */
function reverses({ job }: Bench, circuitId: string): boolean {
  const driver = driverOf(job);
  const [{ from }] = chainOf(job, job.circuits[circuitId].lineId);
  return (
    driver !== null &&
    from.kind === 'output' &&
    reverseOf(driverKind(driver).build(driver), from.output) !== null
  );
}

/**
 * Lamps that are pushed backwards harder than they are rated for. Behind a resistor many bear it for
 * years: it is a matter to mind. With nothing in their way it is one to stop for.
 */
export const reverseVoltage = rule({
  id: 'reverse-voltage',
  needs: ['highest'],
  judge(bench, { highest }) {
    const { job, jobId, supply } = bench;
    const worst = new Map<string, { lampId: string; volts: number; rated: number; row: TruthRow }>();
    for (const row of highest)
      for (const die of row.dies) {
        if (!die.led || die.reverseVolts <= die.led.reverseVolts || leaksOnly(bench, row, die)) continue;
        if (die.reverseVolts > (worst.get(die.lampId)?.volts ?? 0))
          worst.set(die.lampId, {
            lampId: die.lampId,
            volts: die.reverseVolts,
            rated: die.led.reverseVolts,
            row,
          });
      }
    if (worst.size === 0) return [];
    const ids = [...worst.keys()];
    const most = [...worst.values()].reduce((a, b) => (b.volts > a.volts ? b : a));
    const circuits = [...new Set(ids.flatMap((id) => job.lamps[id].circuitId ?? []))];
    const unlimited = circuits.some((c) =>
      bench.assembly.parts.every((p) => p.circuit !== c || (p.kind !== 'resistor' && p.kind !== 'limiter')),
    );
    const bare = ids.some(
      (id) => job.lamps[id].builtIn.kind === 'nothing' || job.lamps[id].builtIn.kind === 'unknown',
    );
    const onRails = circuits.filter((c) => {
      const [root] = chainOf(job, job.circuits[c].lineId);
      return (
        root.from.kind === 'supply' &&
        root.from.supplyId === null &&
        job.circuits[c].limit === 'each' &&
        job.circuits[c].senses === 'as-they-shine'
      );
    });
    const shared: Cure[] = onRails.length
      ? [
          {
            label: 'One shared resistor, one colour each way',
            recipe: (draft) => {
              for (const c of onRails)
                Object.assign(draft.jobs[jobId].circuits[c], { limit: 'shared', inSeries: 1 });
            },
          },
        ]
      : [];
    const alone = circuits.filter((c) => reverses(bench, c));
    const diodes: Cure[] = alone.length
      ? [
          {
            label: 'A diode before it',
            recipe(draft) {
              const { lines, circuits: own } = draft.jobs[jobId];
              for (const c of alone) putStage(lines[own[c].lineId], 'diode', { diode: 'silicon' });
            },
          },
        ]
      : [];
    return [
      {
        id: 'reverse-voltage',
        severity: unlimited && bare ? ('stop' as const) : ('mind' as const),
        title: 'Voltage the wrong way through the lamps',
        sentence: `${lampWords(bench, ids)}: ${formatQuantity(most.volts, 'volt')} backwards while dark${atHighest(sourceOfLamp(bench, most.lampId), most.row)}; rated ${formatQuantity(most.rated, 'volt')}.`,
        reason:
          supply.kind === 'dc-track'
            ? 'A lamp alone in its branch takes the whole track voltage when it runs the other way. Many bear it for years behind a resistor, some fail early; a partner the other way round across it, as where both colours share one resistor, holds it to some 2 or 3 V.'
            : 'The supply turns against the lamp, at every half-bit or half cycle where it changes sides. A bridge, a lamp the other way round across it, or a plug with a blue wire keeps it from that.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: most.volts, limit: most.rated, unit: 'volt' as const }],
        cures: [...shared, ...diodes, ...fitBridge(bench)],
      },
    ];
  },
});
