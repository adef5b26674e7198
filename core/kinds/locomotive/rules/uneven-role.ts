import { lampRoles, type LampRoleName } from '../../../document/lamp-roles';
import { aboutLamps, lampWords, SEEN_LIGHTNESS } from '../../../finding/about';
import { rule } from '../../../finding/finding';
import { locomotiveIn } from '../jobs';
import { litRows } from './tells';

/** Lamps of one role at one end that look different. */
export const unevenRole = rule({
  id: 'uneven-role',
  needs: ['usual'],
  judge(bench, { usual }) {
    const job = locomotiveIn(bench.layout, bench.jobId);
    const pairs = new Map<string, { lo: string; hi: string; by: number }>();
    for (const row of litRows(job, usual)) {
      const shining = row.dies.filter((d) => d.should && d.does === 'lit' && !d.second);
      for (const a of shining)
        for (const b of shining) {
          const [la, lb] = [job.lamps[a.lampId], job.lamps[b.lampId]];
          if (la.role !== lb.role || la.end !== lb.end || a.lightness >= b.lightness) continue;
          const by = b.lightness - a.lightness;
          const key = `${la.role} ${la.end}`;
          if (by > SEEN_LIGHTNESS && by > (pairs.get(key)?.by ?? 0))
            pairs.set(key, { lo: a.lampId, hi: b.lampId, by });
        }
    }
    return [...pairs].map(([key, { lo, hi, by }]) => {
      const [role, end] = key.split(' ') as [LampRoleName, string];
      return {
        id: `uneven-role ${key}`,
        severity: 'mind' as const,
        title: `${lampRoles[role].name}s of end ${end} are not alike`,
        sentence: `${lampWords(bench, [lo])} is ${by.toFixed(0)} of 100 darker to the eye than ${lampWords(bench, [hi])}; ${SEEN_LIGHTNESS} is seen.`,
        reason:
          'Lamps of one role beside one another should look alike: their types, resistors, lenses, tints or aims differ.',
        subject: { end, lamps: [lo, hi] },
        ...aboutLamps(bench, [lo, hi]),
        figures: [{ is: by, limit: SEEN_LIGHTNESS, unit: 'of 100' as const }],
      };
    });
  },
});
