import { otherEnd } from '../../document/ends';
import { aboutLamps, lampsNamed, litRows, saysTail, stateWords, type VehicleRule } from './vehicle-rule';

export const noTail: VehicleRule = {
  id: 'no-tail',
  judge(study) {
    const { vehicle } = study;
    const { job } = vehicle;
    return (['forward', 'reverse'] as const).flatMap((direction) => {
      const end = direction === 'forward' ? ('B' as const) : ('A' as const);
      const tails = Object.entries(job.lamps).filter(
        ([id, l]) => l.end === end && saysTail(job, { lampId: id, second: false }),
      );
      const rows = litRows(study).filter((r) => r.state.direction === direction);
      const heads = rows.filter((r) =>
        r.lamps.some((l) => l.does === 'lit' && job.lamps[l.lampId].end === otherEnd(end)),
      );
      if (tails.length === 0 || heads.length === 0) return [];
      const dark = heads.filter(
        (r) => !r.lamps.some((l) => l.does === 'lit' && tails.some(([id]) => id === l.lampId)),
      );
      if (dark.length === 0) return [];
      const ids = tails.map(([id]) => id);
      return [
        {
          id: `no-tail ${end}`,
          rule: 'no-tail',
          severity: 'mind' as const,
          title: `No tail lamp at end ${end} going ${direction}`,
          sentence: `${stateWords(vehicle, dark[0].state)}: 0 of ${tails.length} red lamps of end ${end} shine, though the other end is lit.`,
          reason: `Whoever runs alone, or last, shows red behind. ${lampsNamed(vehicle, ids)} should shine while this end trails: look at which output or which way round they are wired.`,
          ...aboutLamps(vehicle, ids),
          figures: { shining: 0, lamps: tails.length },
          remedies: [],
        },
      ];
    });
  },
};
