import { freeId } from '../../document/usual-supply';
import { formatQuantity } from '../../quantity/format';
import { LOADED_SHARE, supplyKind } from '../../supply';
import { sourceName } from '../about';
import type { Cure } from '../finding';
import type { SupplyRule } from './supply-rule';
import type { AllAtOnce } from '../../study/all-at-once';
import type { Layout } from '../../document/layout';

/** A unit no larger is offered. */
const MOST_AMPS = 20;
/** Jobs named in a sentence. */
const MOST_NAMED = 3;

/** An address more, or a unit of its own, for the job that draws least and yet makes room. */
function ofItsOwn(layout: Layout, { supplyId, jobs, amps, limitAmps }: AllAtOnce): Cure[] {
  const supply = layout.supplies[supplyId];
  if (supplyKind(supply).onTrack) return [];
  const lightest = [...jobs].reverse().find((j) => amps - j.amps <= LOADED_SHARE * limitAmps);
  if (!lightest || layout.jobs[lightest.jobId].supplyId !== supplyId) return [];
  const { name } = layout.jobs[lightest.jobId];
  const what = supply.kind === 'accessory-output' ? 'an address' : 'a supply';
  return [
    {
      label: `${name} on ${what} of its own`,
      recipe: (draft) => {
        const id = freeId(draft.supplies, supplyId);
        const order = 1 + Math.max(0, ...Object.values(draft.supplies).map((s) => s.order));
        draft.supplies[id] = {
          ...supply,
          order,
          name: `${supply.name.slice(0, 60)}, for ${name}`.slice(0, 80),
        };
        draft.jobs[lightest.jobId].supplyId = id;
      },
    },
  ];
}

/** What several jobs together may draw of a supply, or of one address of a board, against what it gives. */
export const sharedOverload: SupplyRule = {
  id: 'shared-overload',
  judge: ({ layout, shared }) =>
    shared.flatMap((of) => {
      const { supplyId, jobs, amps, limitAmps, isRms } = of;
      // An address is told its limit by its maker; of a unit a share is kept in hand.
      const supply = layout.supplies[supplyId];
      const most = supply.kind === 'accessory-output' ? limitAmps : LOADED_SHARE * limitAmps;
      // What one alone overloads is said at its own bench.
      if (amps <= most || jobs[0].amps > most) return [];
      const over = amps > limitAmps;
      const rms = isRms ? ' RMS' : '';
      const named = jobs
        .slice(0, MOST_NAMED)
        .map((j) => `${layout.jobs[j.jobId].name} ${formatQuantity(j.amps, 'amp')}`);
      const rest = jobs.length - named.length;
      const stronger = Math.ceil((10 * amps) / LOADED_SHARE) / 10;
      const cures: Cure[] = [...ofItsOwn(layout, of)];
      if (supply.kind !== 'accessory-output')
        cures.push({
          label: `A supply that gives ${formatQuantity(stronger, 'amp')}`,
          recipe: (draft) => {
            const own = draft.supplies[supplyId];
            if (!('limitAmps' in own) || stronger > MOST_AMPS) return false;
            own.limitAmps = stronger;
            return true;
          },
        });
      return [
        {
          id: `shared-overload ${supplyId}`,
          severity: over ? ('stop' as const) : ('mind' as const),
          title: over
            ? `Together more than ${supply.name} gives`
            : `Together nearly all that ${supply.name} gives`,
          sentence: `All at once draw ${formatQuantity(amps, 'amp')}${rms}${supplyKind(supply).highestWords(supply)}: ${named.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}. The ${sourceName(supply)} gives ${formatQuantity(limitAmps, 'amp')}${most < limitAmps ? `, of which ${formatQuantity(most, 'amp')} are for use` : ''}.`,
          reason:
            'A limit is shared by all that hangs on it, whichever job it belongs to. Each job by itself is within it.',
          paths: [['supplies', supplyId], ...jobs.map((j) => ['jobs', j.jobId])],
          terminals: [],
          figures: [{ is: amps, limit: limitAmps, unit: 'amp' as const }],
          cures,
        },
      ];
    }),
};
