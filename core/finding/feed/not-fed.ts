import { supplyIdsOf } from '../../document/line-stages';
import { usualVoltsOf } from '../../supply/usual-volts';
import { placePath, type FeedRule } from './feed-rule';
import type { Judgement } from '../finding';

/** Things that hang on no supply, or on another than they are made for. */
export const notFed: FeedRule = {
  id: 'not-fed',
  judge({ layout, fed, reading }) {
    return Object.entries(layout.network.nodes).flatMap(([id, { is, name }]): Judgement[] => {
      if (is.kind === 'tap' || is.kind === 'strip' || is.kind === 'supply') return [];
      // What has its cell on board, or a pack of its own, needs no run.
      if (is.kind === 'job' && usualVoltsOf(layout.supplies[layout.jobs[is.jobId].supplyId]) === null)
        return [];
      const supplyId = fed.get(id)?.supplyId;
      const dead =
        supplyId === undefined || (reading !== null && Math.abs(reading.places.get(id)!.volts) < 1e-3);
      if (dead)
        return [
          {
            id: `not-fed ${id}`,
            severity: 'mind' as const,
            title: `${name} hangs on no supply`,
            sentence: `0 V come to it: no run reaches it from a supply, or a switch on the way is off.`,
            reason: 'It is planned, and stays dark until a run reaches it.',
            paths: [placePath(id)],
            terminals: [],
            subject: { part: id },
            figures: [{ is: 0, limit: null, unit: 'volt' as const }],
          },
        ];
      if (is.kind !== 'job' || supplyIdsOf(layout.jobs[is.jobId]).includes(supplyId)) return [];
      const job = layout.jobs[is.jobId];
      const [meant, is_] = [layout.supplies[job.supplyId], layout.supplies[supplyId]];
      return [
        {
          id: `not-fed ${id}`,
          severity: 'mind' as const,
          title: `${name} is solved for another supply`,
          sentence: `On its bench it hangs on ${meant.name}, ${usualVoltsOf(meant) ?? 0} V; here on ${is_.name}, ${usualVoltsOf(is_) ?? 0} V.`,
          reason: 'Its resistors are chosen for the one, and it is judged by the one: say which is right.',
          paths: [placePath(id)],
          terminals: [],
          subject: { part: id },
          figures: [{ is: usualVoltsOf(is_) ?? 0, limit: usualVoltsOf(meant) ?? 0, unit: 'volt' as const }],
          cures: [
            {
              label: `Solve it for ${is_.name}`,
              recipe: (draft) => void (draft.jobs[is.jobId].supplyId = supplyId),
            },
          ],
        },
      ];
    });
  },
};
