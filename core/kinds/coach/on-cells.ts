import { change, patched } from '../../document/patch';
import { freeId, usualSupply } from '../../document/usual-supply';
import { stageOf, takeStage } from '../../document/line-stages';
import { coachIn } from './jobs';
import { mainLine, offerSchool, type School, type SchoolOffer } from './schools';
import { solvedCoach } from './solved-coach';
import type { Layout } from '../../document/layout';
import type { SupplyRecord } from '../../document/supply-record';

/** A way of lighting a coach without the track. */
export const onCells: School = {
  id: 'cells',
  name: 'On cells of its own',
  says: 'steady light with no track at all; cells to change, and room for them',
  lay: (job) => {
    const line = job.lines[mainLine(job)];
    // A cell has no wrong side, and holds by itself.
    for (const kind of ['bridge', 'diode', 'charge', 'reservoir', 'regulator'] as const)
      if (stageOf(line, kind)) takeStage(line, kind);
  },
};

/** What fits a coach and is sold everywhere, by volts: what asks for more than four of the small takes the block. */
const cells = [
  ...[1, 2, 3, 4].map((inSeries) => ({ cell: 'aaa', inSeries, name: `${inSeries} AAA` })),
  { cell: 'nine-volt', inSeries: 1, name: '9 V block' },
] as const;

/** Of the wanted light so much is reached: one cell more buys little. */
const ENOUGH = 0.9;
/** And so much of it still when half the charge is out: two cells light a white lamp for an evening, and then hardly. */
const ENOUGH_HALF_EMPTY = 0.5;

/** A coach on cells, and the supply that has to be in the layout for it. */
export type CellOffer = SchoolOffer & { readonly supplies: Readonly<Record<string, SupplyRecord>> };

/**
 * The same coach on the least cells that give the wanted light, and half of it when they are half empty;
 * on the most where none do. A supply of such cells that the layout has is taken.
 */
export function offerCells(layout: Layout, jobId: string): CellOffer {
  let last: CellOffer | null = null;
  for (const { cell, inSeries, name } of cells) {
    const known = Object.entries(layout.supplies).find(
      ([, s]) => s.kind === 'cell' && s.cell === cell && s.inSeries === inSeries && s.spent === 0,
    );
    const supplyId = known?.[0] ?? freeId(layout.supplies, 'cells');
    const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
    const record: SupplyRecord = known?.[1] ?? {
      ...(usualSupply('cell', layout.scale, order) as Extract<SupplyRecord, { kind: 'cell' }>),
      name,
      cell,
      inSeries,
      spent: 0,
    };
    const supplies = known ? {} : { [supplyId]: record };
    const with_ = change(layout, (draft) => Object.assign(draft.supplies, supplies)).layout;
    const offer = { ...offerSchool(with_, jobId, onCells, supplyId), supplies };
    last = offer;
    // Too few light nothing: one more is tried.
    if (!offer.patches) continue;
    const made = patched(with_, offer.patches);
    const { wantedLux } = coachIn(made, jobId);
    const lux = (spent: number): number =>
      solvedCoach(
        change(made, (draft) => void (draft.supplies[supplyId] = { ...record, spent } as SupplyRecord))
          .layout,
        jobId,
      ).light?.litLux ?? 0;
    if (lux(0) >= ENOUGH * wantedLux && lux(0.5) >= ENOUGH_HALF_EMPTY * wantedLux) return offer;
  }
  return last!;
}
