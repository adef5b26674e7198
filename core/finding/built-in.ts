import { inOrder } from '../document/in-order';
import { change } from '../document/patch';
import { formatQuantity } from '../quantity/format';
import { benchOf } from '../study/bench';
import { steadyStudy } from '../study/steady';
import { extremesOf, remedy } from './remedy';
import { rule, type Finding } from './finding';
import { coachIn } from '../document/jobs';
import type { BuiltInRecord } from '../document/coach-record';

/** What is built in, in words. */
function heldBy(builtIn: BuiltInRecord): string {
  if (builtIn.kind === 'resistor') return `a resistor of ${formatQuantity(builtIn.ohms, 'ohm')}`;
  return builtIn.kind === 'limiter' ? `a board that holds ${formatQuantity(builtIn.amps, 'amp')}` : 'nothing';
}

/** Ready-wired lamps and boards: what is in them is not known, or a second limit is put before it. */
export const builtIn = rule({
  id: 'built-in',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId, layout } = bench;
    return inOrder(job.groups).flatMap((group): Finding[] => {
      const members = steady.lamps.filter((l) => job.lamps[l.lampId].groupId === group.id);
      if (members.length === 0) return [];
      const shape = {
        id: `built-in ${group.id}`,
        rule: 'built-in',
        paths: [['jobs', jobId, 'groups', group.id, 'builtIn']],
        terminals: members.map((l) => ({ part: l.part, terminal: 'anode' })),
      };
      const amps = Math.max(...members.map((l) => l.amps.mean));
      if (group.builtIn.kind === 'unknown') {
        return [
          {
            ...shape,
            severity: group.drive === 'none' ? 'mind' : 'note',
            title: 'What is in these lamps is not known',
            sentence: `They are solved as bare lamps, at ${formatQuantity(amps, 'amp')} each. With a resistor or a board inside they take less.`,
            reason:
              'A ready-wired lamp may hide a resistor, and a board may hold the current already: a second resistor makes them dim, none at all may end them. Read volts and milliamps once or twice, and enter them at the lamps.',
            figures: { amps },
            remedies: [],
          },
        ];
      }
      const second =
        group.drive !== 'none' && (group.builtIn.kind === 'resistor' || group.builtIn.kind === 'limiter');
      if (!second) return [];
      const without = change(
        layout,
        (draft) => void (coachIn(draft, jobId).groups[group.id].drive = 'none'),
      ).layout;
      const bare = benchOf(without, jobId);
      const safe = extremesOf(bare, steadyStudy(bare)).every((e) =>
        e.steady.lamps.every(
          (l) => job.lamps[l.lampId].groupId !== group.id || l.amps.greatest <= l.led.greatestAmps,
        ),
      );
      if (!safe) return [];
      const held = heldBy(group.builtIn);
      return [
        {
          ...shape,
          severity: 'note',
          title: 'Limited twice',
          sentence: `These lamps hold ${held}, and a second limit stands before it: ${formatQuantity(amps, 'amp')} flow in each.`,
          reason:
            'What is built in is enough on this supply. A second one is right only to make them dimmer.',
          figures: { amps },
          remedies: remedy('Leave the second one out', bench, steady, (draft) => {
            coachIn(draft, jobId).groups[group.id].drive = 'none';
            return true;
          }),
        },
      ];
    });
  },
});
