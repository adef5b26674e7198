import { LONG_LIFE_NEAR, missOf } from '../wanted-miss';
import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { formatQuantity } from '../../../quantity/format';
import { stateWords } from '../../../study/state-words';
import { usualState } from '../../../study/states';
import { wantedLimit } from '../../../finding/cures';
import { rule } from '../../../finding/finding';
import { coachIn } from '../jobs';
import { coachLight } from '../light';
import { longLifeAmps } from '../proposal';
import type { Readings } from '../../../study/readings';
import type { CoachRecord } from '../record';

const lux = (figure: number): string => formatQuantity(figure, 'lux', { significant: 2 });

/** Why there is less light than is wanted, as the lamps burn. */
function whyLess(job: CoachRecord, now: Readings): string {
  const rooms = now.dies.flatMap((d) =>
    d.led && d.circuitId !== null && job.lamps[d.lampId].role === 'room'
      ? [{ amps: d.litAmps, bears: longLifeAmps(d.led) }]
      : [],
  );
  if (rooms.length === 0)
    return 'Bulbs give what their volts let them: other bulbs, more of them, or more volts.';
  const most = rooms.reduce((a, b) => (b.amps / b.bears > a.amps / a.bears ? b : a));
  const [amps, bears] = [most.amps, most.bears].map((a) => formatQuantity(a, 'amp', { significant: 2 }));
  if (most.amps > LONG_LIFE_NEAR * most.bears)
    return `Each lamp carries ${amps} already and lasts for years with ${bears}: only more lamps, or brighter ones, give the rest.`;
  return `Each lamp carries ${amps}; with ${bears} it lasts for years. What stands in its way lets no more through, or the supply has no more volts for it.`;
}

/** Windows that get far less light than is wanted, or far more. */
export const wantedLight = rule({
  id: 'wanted-light',
  needs: ['now'],
  isWish: true,
  about: ({ layout, jobId }) =>
    Object.values(coachIn(layout, jobId).lamps).some((l) => l.role === 'room' && l.circuitId !== null),
  judge(bench, { now }) {
    const { layout, jobId } = bench;
    const job = coachIn(layout, jobId);
    const { litLux } = coachLight(job, now);
    const miss = missOf(job, litLux);
    // What is dark is told as that.
    const seen = now.dies.some((d) => job.lamps[d.lampId].role === 'room' && d.lightness >= FAINT_LIGHTNESS);
    if (miss === null || !seen) return [];
    const words = stateWords(bench, usualState(bench), { throttle: true, otherwise: '' });
    const set = words === '' ? '' : ` (${words})`;
    const rooms = new Set(
      Object.values(job.lamps).flatMap((l) =>
        l.role === 'room' && l.circuitId !== null ? [l.circuitId] : [],
      ),
    );
    const content = Number(litLux.toPrecision(2));
    const less = miss === 'less';
    return [
      {
        id: 'wanted-light',
        severity: less ? ('mind' as const) : ('note' as const),
        title: less ? 'Darker than is wanted' : 'Brighter than is wanted',
        sentence: `${lux(litLux)} at the lit windows${set}; ${lux(job.wantedLux)} are wanted.`,
        reason: less
          ? whyLess(job, now)
          : 'A larger resistor gives the light that is wanted, draws less and lasts longer.',
        paths: [['jobs', jobId, 'wantedLux']],
        terminals: [],
        figures: [{ is: litLux, limit: job.wantedLux, unit: 'lux' as const }],
        cures: [
          ...wantedLimit(bench, [...rooms]),
          {
            label: `Be content with ${lux(content)}`,
            recipe: (draft) => void (coachIn(draft, jobId).wantedLux = content),
          },
        ],
      },
    ];
  },
});
