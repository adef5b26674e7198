import { formatQuantity } from '../../../quantity/format';
import { inOrder } from '../../../document/in-order';
import { fitReservoir } from '../../../finding/cures';
import { rule, type Cure } from '../../../finding/finding';
import { reservoirsOf } from '../../../study/line-readings';

const FARADS = 1000e-6;

/** On a DC track nothing shines while the train stands; here with nothing that would hold the light. */
export const stationStop = rule({
  id: 'station-stop',
  needs: ['sweep'],
  about: (bench) => bench.supply.kind === 'dc-track' && reservoirsOf(bench).length === 0,
  judge(bench, { sweep }) {
    const { jobId, layout } = bench;
    // The first glow of any: what shows at all, not what is good.
    const first = sweep?.firstGlow ?? null;
    if (first === null) return [];
    const steadier = inOrder(layout.supplies).find((s) => s.kind !== 'dc-track');
    const fit = fitReservoir(bench, FARADS, 25);
    const cures: Cure[] = [
      ...(fit ? [{ label: `Fit a reservoir of ${formatQuantity(FARADS, 'farad')}`, recipe: fit }] : []),
      ...(steadier
        ? [
            {
              label: `Feed it from ${steadier.name}`,
              recipe: (draft: Parameters<Cure['recipe']>[0]) =>
                void (draft.jobs[jobId].supplyId = steadier.id),
            },
          ]
        : []),
    ];
    return [
      {
        id: 'station-stop',
        severity: 'note' as const,
        title: 'Dark at a station stop',
        sentence: `The lamps first show at ${(100 * first).toFixed(0)} % throttle and are out below, so also while the train stands.`,
        reason:
          'A DC track has no voltage with the throttle closed. A reservoir carries the light through a short stop; a cell, DCC or a constant voltage on the track carries it for good.',
        paths: [['jobs', jobId, 'supplyId']],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: [{ is: 100 * first, limit: null, unit: '%' as const }],
        cures,
      },
    ];
  },
});
