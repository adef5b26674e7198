import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { atHighest, sourceName, worstRow } from './about';
import { rule } from './finding';

/** Supplies are loaded to this share of their limit at most (common practice, no source). */
const LOADED_SHARE = 0.8;

/** A job that by itself draws more than its supply gives, or nearly so. */
export const supplyOverload = rule({
  id: 'supply-overload',
  needs: ['highest'],
  about: ({ supply }) => supply.kind !== 'cell',
  judge(bench, { highest }) {
    const { supply, supplyId } = bench;
    const worst = worstRow(highest, ({ readings }) => readings.supplyAmps.mean);
    const limit = supplyKind(supply).limit(supply).amps;
    if (!worst || worst.figure <= LOADED_SHARE * limit) return [];
    const source = sourceName(supply);
    return [
      {
        id: 'supply-overload',
        severity: worst.figure > limit ? ('stop' as const) : ('mind' as const),
        title: `More than the ${source} gives`,
        sentence: `This alone draws ${formatQuantity(worst.figure, 'amp')}${atHighest(bench, worst.row)}; the ${source} gives ${formatQuantity(limit, 'amp')} and is best loaded to ${formatQuantity(LOADED_SHARE * limit, 'amp')}.`,
        reason: 'Everything else on it needs its share. Dimmer lamps, fewer lamps, or a stronger supply.',
        paths: [['supplies', supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: [{ is: worst.figure, limit, unit: 'amp' as const }],
      },
    ];
  },
});
