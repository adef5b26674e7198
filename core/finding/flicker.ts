import { CircuitError } from '../circuit/error';
import { change, patched } from '../document/patch';
import { ratingFor, stockFarads } from '../part/electrolytic';
import { formatQuantity } from '../quantity/format';
import { benchOf } from '../study/bench';
import { noLoadStudy } from '../study/no-load';
import { steadyStudy, type LampReading, type SteadyStudy } from '../study/steady';
import { nextPreferred } from '../part/preferred';
import { supplyKind } from '../supply';
import { rule, type Remedy } from './finding';
import { lampNames, plural } from './names';
import { CHARGE_SHARE, remedy } from './remedy';
import { coachIn } from '../document/jobs';
import type { FlickerComponent } from '../light/flicker';
import type { Layout } from '../document/layout';
import type { Bench } from '../study/bench';
import type { Draft } from 'immer';

/** Light that the eye can see flicker, judged against the low-risk level of IEEE 1789-2015. */
export const flicker = rule({
  id: 'flicker',
  needs: ['steady'],
  judge(bench, { steady }) {
    const seen = flickering(steady);
    if (seen.length === 0) return [];
    const worst = seen.map((l) => l.flicker!).reduce(worse);
    const stillAt = (layout: Layout): boolean => {
      try {
        return flickering(steadyStudy(benchOf(layout, bench.jobId))).length > 0;
      } catch (error) {
        // A cure that cannot be solved is none.
        if (error instanceof CircuitError) return true;
        throw error;
      }
    };
    const remedies = (): Remedy[] => {
      for (const { label, recipe } of cures(bench)) {
        if (stillAt(change(bench.layout, recipe).layout)) continue;
        // What goes with it (a charge resistor, a resistor for the wanted light) may bring the flicker back.
        const offered = remedy(label, bench, steady, recipe);
        if (offered.every((r) => !stillAt(patched(bench.layout, r.patches)))) return offered;
      }
      return [];
    };
    return [
      {
        id: 'flicker',
        rule: 'flicker',
        severity: 'mind' as const,
        title: 'The light flickers',
        sentence: `${lampNames(seen.map((l) => l.number))} ${plural(seen.length, 'flickers', 'flicker')} at ${worst.hertz.toPrecision(3)} Hz by ${worst.percent.toFixed(0)} %; up to ${worst.lowRiskPercent.toPrecision(2)} % goes unnoticed.`,
        reason: reasons[bench.supply.kind],
        paths: [
          [
            'jobs',
            bench.jobId,
            'conditioning',
            bench.job.conditioning.rectifier === 'none' ? 'rectifier' : 'reservoir',
          ],
        ],
        terminals: seen.map((l) => ({ part: l.part, terminal: 'anode' })),
        figures: { hertz: worst.hertz, percent: worst.percent, lowRiskPercent: worst.lowRiskPercent },
        remedies: remedies(),
      },
    ];
  },
});

const reasons: Readonly<Record<Bench['supply']['kind'], string>> = {
  'dcc-track':
    'The track dwells on one side for so long that the eye sees the lamps go out. A bridge uses both sides.',
  'dc-track':
    'The controller gives its current in pulses, and the lamps go out between them. A reservoir bridges the pauses.',
  'ac-track':
    'The mains pass through nothing twice a cycle, and the lamps with them. A bridge uses both halves, a reservoir bridges the pauses.',
  'layout-bus': 'The supply is not steady. A reservoir bridges the pauses.',
  cell: 'The cell is not steady. A reservoir bridges the pauses.',
};

const worse = (a: FlickerComponent, b: FlickerComponent): FlickerComponent =>
  b.percent / b.lowRiskPercent > a.percent / a.lowRiskPercent ? b : a;

const flickering = (steady: SteadyStudy): LampReading[] =>
  steady.lamps.filter((l) => l.flicker && l.flicker.percent > l.flicker.lowRiskPercent);

interface Cure {
  readonly label: string;
  readonly recipe: (draft: Draft<Layout>) => true;
}

/** What may be fitted against flicker, the least first: a bridge, then a reservoir of each size behind one. */
function cures({ layout, jobId, job, supply }: Bench): Cure[] {
  // As much before the reservoir as keeps its charging within the supply's limit.
  const kind = supplyKind(supply);
  const ohms = nextPreferred(kind.highestVolts(supply) / (CHARGE_SHARE * kind.limit(supply).amps), 'E12');
  const whole =
    job.conditioning.rectifier.endsWith('bridge') || job.conditioning.rectifier.endsWith('diodes');
  const bridge = (draft: Draft<Layout>): true => {
    if (!whole) coachIn(draft, jobId).conditioning.rectifier = 'silicon-bridge';
    return true;
  };
  const list: Cure[] = whole ? [] : [{ label: 'Fit a silicon bridge', recipe: bridge }];
  for (const farads of stockFarads) {
    if (job.conditioning.reservoir && farads <= job.conditioning.reservoir.farads) continue;
    const fit = (draft: Draft<Layout>, ratedVolts: number): true => {
      bridge(draft);
      const { conditioning } = coachIn(draft, jobId);
      conditioning.reservoir = {
        farads,
        ratedVolts: Math.max(ratedVolts, conditioning.reservoir?.ratedVolts ?? 0),
      };
      if (conditioning.chargeResistor)
        conditioning.chargeResistor.ohms = Math.max(ohms, conditioning.chargeResistor.ohms);
      else conditioning.chargeResistor = { ohms, ratedWatts: 0.25 };
      return true;
    };
    const tried = change(layout, (draft) => void fit(draft, 100)).layout;
    const highest = noLoadStudy(benchOf(tried, jobId))?.volts.greatest ?? 0;
    const rating = ratingFor(highest);
    if (rating === null) continue;
    list.push({
      label: `Fit a reservoir of ${formatQuantity(farads, 'farad')}, ${formatQuantity(rating, 'volt')}`,
      recipe: (draft) => fit(draft, rating),
    });
  }
  return list;
}
