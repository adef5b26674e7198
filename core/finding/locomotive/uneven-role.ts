import { lampRoles, type LampRoleName } from '../../document/lamp-roles';
import { aboutLamps, lampsNamed, litRows, type VehicleRule } from './vehicle-rule';

/** From where two lamps side by side are seen to differ (common practice, no source). */
const SEEN_LIGHTNESS = 8;

export const unevenRole: VehicleRule = {
  id: 'uneven-role',
  judge(study) {
    const { vehicle } = study;
    const { job } = vehicle;
    const pairs = new Map<string, { lo: string; hi: string; by: number }>();
    for (const row of litRows(study)) {
      const shining = row.lamps.filter((l) => l.should && l.does === 'lit' && !l.second);
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
        rule: 'uneven-role',
        severity: 'mind' as const,
        title: `${lampRoles[role].name}s of end ${end} are not alike`,
        sentence: `${lampsNamed(vehicle, [lo])} is ${by.toFixed(0)} of 100 darker to the eye than ${lampsNamed(vehicle, [hi])}; ${SEEN_LIGHTNESS} is seen.`,
        reason:
          'Lamps of one role beside one another should look alike: their types, resistors, lenses, tints or aims differ.',
        ...aboutLamps(vehicle, [lo, hi]),
        figures: { lightness: by },
        remedies: [],
      };
    });
  },
};
