import { formatQuantity } from '../quantity/format';
import { LOADED_SHARE, supplyKind } from '../supply';
import { atHighest, sourceName, worstRow } from './about';
import { feltAmps } from '../study/shared-supply';
import { sourcesOf } from '../study/sources';
import { rule } from './finding';

/** A job that by itself draws more than its supply gives, or nearly so. */
export const supplyOverload = rule({
  id: 'supply-overload',
  needs: ['highest'],
  about: (bench) => sourcesOf(bench).some((s) => s.supply.kind !== 'cell'),
  judge: (bench, { highest }) =>
    sourcesOf(bench).flatMap((of) => {
      const { supply, supplyId, part, beside } = of;
      const worst = worstRow(highest, ({ readings }) => feltAmps(readings, of));
      const limit = supplyKind(supply).limit(supply).amps;
      if (supply.kind === 'cell' || !worst || worst.figure <= LOADED_SHARE * limit) return [];
      const source = sourceName(supply);
      return [
        {
          id: beside ? `supply-overload ${supplyId}` : 'supply-overload',
          severity: worst.figure > limit ? ('stop' as const) : ('mind' as const),
          title: `More than the ${source} gives`,
          sentence: `This alone draws ${formatQuantity(worst.figure, 'amp')}${supplyKind(supply).feels(supply) === 'rms' ? ' RMS' : ''}${atHighest(of, worst.row)}; the ${source} gives ${formatQuantity(limit, 'amp')} and is best loaded to ${formatQuantity(LOADED_SHARE * limit, 'amp')}.`,
          reason: 'Everything else on it needs its share. Dimmer lamps, fewer lamps, or a stronger supply.',
          paths: [['supplies', supplyId]],
          terminals: [{ part, terminal: 'right' }],
          figures: [{ is: worst.figure, limit, unit: 'amp' as const }],
        },
      ];
    }),
});
