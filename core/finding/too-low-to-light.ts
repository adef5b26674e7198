import { formatQuantity } from '../quantity/format';
import { change } from '../document/patch';
import { benchOf } from '../study/bench';
import { steadyStudy, type LampReading, type SteadyStudy } from '../study/steady';
import { refusedCombination } from '../study/combination';
import { rule } from './finding';
import { lampNames, plural } from './names';
import { fitProposal, remedy } from './remedy';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';
import type { Draft } from 'immer';

/** Mean current at which a small lamp is first seen to glow in a lit room (common practice, no source). */
export const FIRST_SHOW_AMPS = 50e-6;
const USUAL_CHARGE_OHMS = 100;

/** Connected lamps that stay dark: the supply is too low, or too much stands in its way. */
export const tooLowToLight = rule({
  id: 'too-low-to-light',
  needs: ['steady'],
  judge(bench, { steady }) {
    const darkIn = (study: SteadyStudy): LampReading[] =>
      study.lamps.filter((l) => {
        const { groupId } = bench.job.lamps[l.lampId];
        const switchedOff = groupId !== null && bench.job.groups[groupId].switch?.on === false;
        return groupId !== null && !switchedOff && l.amps.mean < FIRST_SHOW_AMPS;
      });
    const dark = darkIn(steady);
    if (dark.length === 0) return [];
    const amps = Math.max(...dark.map((l) => l.amps.mean));
    const roof = steady.roofVolts?.mean ?? 0;
    const { jobId, layout } = bench;
    const groups = [...new Set(dark.flatMap((l) => bench.job.lamps[l.lampId].groupId ?? []))];
    const refit = (draft: Draft<Layout>, from: Layout): boolean =>
      groups.map((g) => fitProposal(draft, jobId, g, from)).some(Boolean);
    const lessInTheWay = (draft: Draft<Layout>): void => {
      const { chargeResistor } = coachIn(draft, jobId).conditioning;
      if (chargeResistor && chargeResistor.ohms > USUAL_CHARGE_OHMS) chargeResistor.ohms = USUAL_CHARGE_OHMS;
    };
    // A cure that leaves another lamp dark in its place is none.
    const lights = (recipe: (draft: Draft<Layout>) => boolean): boolean => {
      let useful = false;
      const tried = change(layout, (draft) => {
        useful = recipe(draft);
      }).layout;
      return useful && darkIn(steadyStudy(benchOf(tried, jobId))).length === 0;
    };
    const options: { label: string; recipe: (draft: Draft<Layout>) => boolean }[] = [
      {
        label: groups.every((g) => bench.job.groups[g].drive === 'limiter')
          ? 'Set the limiter for the wanted light'
          : 'Fit the resistor for the wanted light',
        recipe: (draft) => refit(draft, layout),
      },
      {
        label: 'Wire each lamp by itself, not in strings',
        recipe: (draft) => {
          const strung = groups.filter((g) => bench.job.groups[g].inSeries > 1);
          if (strung.length === 0) return false;
          const single = (d: Draft<Layout>): void =>
            strung.forEach((g) => void (coachIn(d, jobId).groups[g].inSeries = 1));
          const freed = change(layout, single).layout;
          single(draft);
          return refit(draft, freed);
        },
      },
      {
        label: 'Fit a smaller charge resistor, and lamp resistors to suit',
        recipe: (draft) => {
          const freed = change(layout, lessInTheWay).layout;
          lessInTheWay(draft);
          return refit(draft, freed);
        },
      },
    ];
    const cure = options.find((o) => lights((draft) => o.recipe(draft)));
    return [
      {
        id: 'too-low-to-light',
        rule: 'too-low-to-light',
        severity: 'mind' as const,
        title: plural(dark.length, 'A lamp stays dark', 'Lamps stay dark'),
        sentence: `${lampNames(dark.map((l) => l.number))} ${plural(dark.length, 'gets', 'get')} ${formatQuantity(amps, 'amp')} at ${formatQuantity(roof, 'volt')}; a glow first shows at ${formatQuantity(FIRST_SHOW_AMPS, 'amp')}.`,
        reason:
          refusedCombination(layout, jobId) ??
          'What the supply gives, less what stands in its way, does not reach the voltage at which these lamps begin.',
        paths: dark.map((l) => ['jobs', jobId, 'lamps', l.lampId]),
        terminals: dark.map((l) => ({ part: l.part, terminal: 'anode' })),
        figures: { amps, firstShowAmps: FIRST_SHOW_AMPS, roofVolts: roof },
        remedies: cure ? remedy(cure.label, bench, steady, cure.recipe) : [],
      },
    ];
  },
});
