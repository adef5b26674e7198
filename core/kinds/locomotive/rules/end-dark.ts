import { endNames } from '../../../document/ends';
import { chainOf } from '../../../document/line-stages';
import { inOrder } from '../../../document/in-order';
import { aboutLamps, lampWords } from '../../../finding/about';
import { setAt, wrongWayCures } from '../../../finding/cures';
import { rule } from '../../../finding/finding';
import { stateWords } from '../../../study/state-words';
import { locomotiveIn } from '../jobs';

/** An end that stays dark in a state in which it should show something. */
export const endDark = rule({
  id: 'end-dark',
  needs: ['highest'],
  judge(bench, { highest }) {
    const { jobId } = bench;
    const job = locomotiveIn(bench.layout, jobId);
    return endNames.flatMap((end) => {
      const rows = highest.filter((r) => {
        const here = r.dies.filter((d) => job.lamps[d.lampId].end === end);
        return here.some((d) => d.should) && here.every((d) => d.does === 'dark');
      });
      if (rows.length === 0) return [];
      const ids = [
        ...new Set(
          rows[0].dies.filter((d) => d.should && job.lamps[d.lampId].end === end).map((d) => d.lampId),
        ),
      ];
      const steering = ids
        .flatMap((id) => chainOf(job, job.circuits[job.lamps[id].circuitId!].lineId))
        .flatMap((line) => inOrder(line.stages).map((stage) => ({ line, stage })))
        .find(({ stage }) => stage.kind === 'steering' && stage.left === 'kept');
      const left = (as: 'bridged' | 'removed') => (draft: Parameters<typeof setAt>[0]) =>
        setAt(draft, ['jobs', jobId, 'lines', steering!.line.id, 'stages', steering!.stage.id, 'left'], as);
      return [
        {
          id: `end-dark ${end}`,
          severity: 'mind' as const,
          title: `End ${end} stays dark one way`,
          sentence: `${stateWords(bench, rows[0].state, { phase: rows[0].phase })}: 0 of ${ids.length} lamps that should shine at end ${end} do (${lampWords(bench, ids)}).`,
          reason: steering
            ? 'The diode that let the old bulb shine one way only is still in the lead: it blocks the lamps meant for the other way. Bridged with a wire the red ones work too, and the wire can be taken out again.'
            : 'Nothing flows at this end in a state in which it should show something.',
          subject: { end, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: 0, limit: ids.length, unit: 'pieces' as const }],
          cures: steering
            ? [
                { label: 'Bridge the steering diode', recipe: left('bridged') },
                { label: 'Take the steering diode out', recipe: left('removed') },
              ]
            : [wrongWayCures(bench, ids)],
          explains: { rules: ['never-lit'], lamps: ids },
        },
      ];
    });
  },
});
