import { endNames } from '../../../document/ends';
import { aboutLamps } from '../../../finding/about';
import { wrongWayCures } from '../../../finding/cures';
import { rule } from '../../../finding/finding';
import { locomotiveIn } from '../jobs';
import { leads, litRows, saysHead, saysTail } from './tells';

/** An end that shows red going ahead, or white going away. */
export const headAndTailExchanged = rule({
  id: 'head-and-tail-exchanged',
  needs: ['usual'],
  judge(bench, { usual }) {
    const job = locomotiveIn(bench.layout, bench.jobId);
    return endNames.flatMap((end) => {
      const wrong = litRows(job, usual).flatMap((row) => {
        const here = row.dies.filter((d) => job.lamps[d.lampId].end === end && d.does === 'lit');
        const red = here.filter((d) => saysTail(job, d));
        const white = here.filter((d) => saysHead(job, d));
        const [out, right] = leads(end, row) ? [red, white] : [white, red];
        return out.length > 0 && right.length === 0 ? [{ row, out }] : [];
      });
      if (wrong.length === 0) return [];
      const [{ row, out }] = wrong;
      const ids = out.map((d) => d.lampId);
      const leading = leads(end, row);
      const atEnd = Object.keys(job.lamps).filter((id) => job.lamps[id].end === end);
      return [
        {
          id: `head-and-tail-exchanged ${end}`,
          severity: 'mind' as const,
          title: `End ${end} shows ${leading ? 'red going ahead' : 'white going away'}`,
          sentence: `Going ${String(row.state.direction ?? 'forward')}, ${out.length} ${leading ? 'red' : 'white'} ${out.length === 1 ? 'lamp' : 'lamps'} of end ${end} ${out.length === 1 ? 'shines' : 'shine'} where ${leading ? 'white' : 'red'} should.`,
          reason:
            'Right rail positive runs forward, towards end A. Which lamp or joint is wrong all states show.',
          subject: { end, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: out.length, limit: 0, unit: 'pieces' as const }],
          cures: [wrongWayCures(bench, atEnd)],
          explains: { rules: ['no-tail', 'never-lit', 'end-dark'], lamps: atEnd },
        },
      ];
    });
  },
});
