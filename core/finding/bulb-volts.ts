import { sourceOfLamp } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { bulbVoltsAt } from '../part/bulb';
import { aboutLamps, atHighest, lampWords } from './about';
import { rule } from './finding';
import type { TruthRow } from '../study/truth-table';

/** A bulb a tenth over its volts lives a third as long (life falls with the 12th power of the volts, common practice, no source). */
const MIND_SHARE = 1.1;
/** At half as much again it lasts for hours. */
const STOP_SHARE = 1.5;

/** Filament bulbs on more volts than they are made for. */
export const bulbVolts = rule({
  id: 'bulb-volts',
  needs: ['highest'],
  about: ({ assembly }) => assembly.parts.some((p) => p.kind === 'bulb'),
  judge(bench, { highest }) {
    const bulbs = bench.assembly.parts.filter((p) => p.kind === 'bulb');
    const worst = new Map<string, { lampId: string; volts: number; made: number; row: TruthRow }>();
    for (const row of highest)
      for (const die of row.dies) {
        const part = bulbs.find((p) => p.id === die.part);
        if (!part || !(die.litAmps > 0)) continue;
        const volts = bulbVoltsAt(part.bulb, die.litAmps);
        if (volts > MIND_SHARE * part.bulb.volts && volts > (worst.get(die.lampId)?.volts ?? 0))
          worst.set(die.lampId, { lampId: die.lampId, volts, made: part.bulb.volts, row });
      }
    if (worst.size === 0) return [];
    const ids = [...worst.keys()];
    const top = [...worst.values()].reduce((a, b) => (b.volts / b.made > a.volts / a.made ? b : a));
    return [
      {
        id: 'bulb-volts',
        severity: top.volts > STOP_SHARE * top.made ? ('stop' as const) : ('mind' as const),
        title: 'Too many volts for the bulbs',
        sentence: `${lampWords(bench, ids)}: ${formatQuantity(top.volts, 'volt')} RMS${atHighest(sourceOfLamp(bench, top.lampId), top.row)}, made for ${formatQuantity(top.made, 'volt')}.`,
        reason:
          'A bulb a tenth over its volts lives a third as long, and it gets hotter beside the plastic. A bulb for more volts, or two in series.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: top.volts, limit: top.made, unit: 'volt' as const }],
      },
    ];
  },
});
