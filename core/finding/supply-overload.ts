import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { sourceName } from './names';

/** Supplies are loaded to this share of their limit at most (common practice, no source). */
const LOADED_SHARE = 0.8;

/** A coach that by itself draws more than its supply gives, or nearly so. */
export const supplyOverload = rule({
  id: 'supply-overload',
  needs: ['steady', 'extremes'],
  judge(bench, { extremes }) {
    const { supply } = bench;
    if (supply.kind === 'cell') return [];
    const worst = extremes.reduce((a, b) => (b.steady.supplyAmps.mean > a.steady.supplyAmps.mean ? b : a));
    const amps = worst.steady.supplyAmps.mean;
    const limit = supplyKind(supply).limit(supply).amps;
    if (amps <= LOADED_SHARE * limit) return [];
    const source = sourceName(supply);
    return [
      {
        id: 'supply-overload',
        rule: 'supply-overload',
        severity: amps > limit ? ('stop' as const) : ('mind' as const),
        title: `More than the ${source} gives`,
        sentence: `This coach alone draws ${formatQuantity(amps, 'amp')}${worst.says}; the ${source} gives ${formatQuantity(limit, 'amp')} and is best loaded to ${formatQuantity(LOADED_SHARE * limit, 'amp')}.`,
        reason: 'Everything else on it needs its share. Dimmer lamps, fewer lamps, or a stronger supply.',
        paths: [['supplies', bench.job.supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { amps, limitAmps: limit },
        remedies: [],
      },
    ];
  },
});
