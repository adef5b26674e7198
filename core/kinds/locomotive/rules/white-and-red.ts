import { endNames } from '../../../document/ends';
import { aboutLamps, lampWords } from '../../../finding/about';
import { wrongWayCures } from '../../../finding/cures';
import { rule } from '../../../finding/finding';
import { stateWords } from '../../../study/state-words';
import { locomotiveIn } from '../jobs';
import { saysHead, saysTail } from './tells';

/** One end as head and tail at once. */
export const whiteAndRed = rule({
  id: 'white-and-red',
  needs: ['usual'],
  judge(bench, { usual }) {
    const job = locomotiveIn(bench.layout, bench.jobId);
    return endNames.flatMap((end) => {
      const rows = usual.flatMap((row) => {
        const lit = row.dies.filter((d) => d.does === 'lit' && job.lamps[d.lampId].end === end);
        const heads = lit.filter((d) => saysHead(job, d));
        const red = lit.filter((d) => saysTail(job, d));
        return heads.length > 0 && red.length > 0 ? [{ row, heads, red }] : [];
      });
      if (rows.length === 0) return [];
      const [{ row, heads, red }] = rows;
      const ids = [...heads, ...red].map((d) => d.lampId);
      const unmeant = [...heads, ...red].filter((d) => !d.should).map((d) => d.lampId);
      return [
        {
          id: `white-and-red ${end}`,
          severity: 'mind' as const,
          title: `White and red together at end ${end}`,
          sentence: `In ${rows.length} of ${usual.length} states end ${end} shows both; first: ${stateWords(bench, row.state, { phase: row.phase })}, with ${lampWords(bench, ids)}.`,
          reason:
            'One end of a vehicle is either its head or its tail. Both at once comes of alternating current on a circuit made for DC, of an output that two roles share, or of a function that lights one colour whatever the direction.',
          subject: { end, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: rows.length, limit: 0, unit: 'pieces' as const }],
          cures: [wrongWayCures(bench, unmeant)],
        },
      ];
    });
  },
});
