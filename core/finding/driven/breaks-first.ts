import { drivenIn, showsAspects } from './driven';
import { rule } from '../finding';

/** Time a small switch takes from contact to contact (common practice, no source). */
const BLINK_MS = 20;

/** Contacts that break before they make leave a dark blink. */
export const breaksFirst = rule({
  id: 'breaks-first',
  needs: ['laid'],
  about: showsAspects,
  judge(bench) {
    const driven = drivenIn(bench);
    const count = Object.keys(driven?.aspects ?? {}).length;
    if (driven?.driver?.kind !== 'contacts' || count < 2) return [];
    const { makesFirst, feed } = driven.driver;
    if (!makesFirst && feed.farads > 0) return [];
    const { jobId } = bench;
    return [
      {
        id: 'breaks-first',
        severity: 'note' as const,
        title: makesFirst ? 'Two aspects for a moment' : 'A dark blink between aspects',
        sentence: makesFirst
          ? `Its ${count} contacts make before they break: as it is turned two aspects show together for some ${BLINK_MS} ms.`
          : `Its ${count} contacts break before they make: as it is turned nothing shows for some ${BLINK_MS} ms.`,
        reason:
          'Real lamps are slow and hide it. A contact of the other sort changes which of the two is seen; neither hurts.',
        paths: [['jobs', jobId, 'driver', 'makesFirst']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: BLINK_MS / 1000, limit: null, unit: 'second' as const }],
      },
    ];
  },
});
