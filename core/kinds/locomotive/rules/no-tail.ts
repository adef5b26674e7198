import { otherEnd } from '../../../document/ends';
import { aboutLamps, lampWords } from '../../../finding/about';
import { rule } from '../../../finding/finding';
import { stateWords } from '../../../study/state-words';
import { locomotiveIn } from '../jobs';
import { litRows, saysTail } from './tells';

/** No red light behind, though there are lamps for it and the other end is lit. */
export const noTail = rule({
  id: 'no-tail',
  needs: ['usual'],
  judge(bench, { usual }) {
    const job = locomotiveIn(bench.layout, bench.jobId);
    return (['forward', 'reverse'] as const).flatMap((direction) => {
      const end = direction === 'forward' ? ('B' as const) : ('A' as const);
      const ids = Object.keys(job.lamps).filter(
        (id) => job.lamps[id].end === end && saysTail(job, { lampId: id, second: false }),
      );
      const rows = litRows(job, usual).filter((r) => (r.state.direction ?? 'forward') === direction);
      const heads = rows.filter((r) =>
        r.dies.some((d) => d.does === 'lit' && job.lamps[d.lampId].end === otherEnd(end)),
      );
      const dark = heads.filter((r) => !r.dies.some((d) => d.does === 'lit' && ids.includes(d.lampId)));
      if (ids.length === 0 || dark.length === 0) return [];
      return [
        {
          id: `no-tail ${end}`,
          severity: 'mind' as const,
          title: `No tail lamp at end ${end} going ${direction}`,
          sentence: `${stateWords(bench, dark[0].state, { phase: dark[0].phase })}: 0 of ${ids.length} red lamps of end ${end} shine, though the other end is lit.`,
          reason: `Whoever runs alone, or last, shows red behind. ${lampWords(bench, ids)} should shine while this end trails: look at which output or which way round they are wired.`,
          subject: { end, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: 0, limit: ids.length, unit: 'pieces' as const }],
        },
      ];
    });
  },
});
