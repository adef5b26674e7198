import { sourceOfLamp } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { stockFarads } from '../part/electrolytic';
import { chainOf, reservoirLineId, stageOf } from '../document/line-stages';
import { aboutLamps, lampWords, plural } from './about';
import { fitBridge, fitReservoir } from './cures';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';
import type { DieVerdict } from '../study/truth-table';
import type { FlickerComponent } from '../light/flicker';

const reasons: Readonly<Record<Bench['supply']['kind'], string>> = {
  'dcc-track':
    'The track dwells on one side for so long that the eye sees the lamps go out. A bridge uses both sides.',
  'dc-track':
    'The controller gives its current in pulses, and the lamps go out between them. A reservoir bridges the pauses.',
  'ac-track':
    'The mains pass through nothing twice a cycle, and the lamps with them. A bridge uses both halves, a reservoir bridges the pauses.',
  'layout-bus': 'The supply is not steady. A reservoir bridges the pauses.',
  'lamp-controller': 'The controller is not steady. A reservoir bridges the pauses.',
  'accessory-output':
    'The board reverses its output, and a lamp is lit for one of the two senses. A bridge uses both.',
  cell: 'The cell is not steady. A reservoir bridges the pauses.',
};

const flickers = (d: DieVerdict): d is DieVerdict & { flicker: FlickerComponent } =>
  d.flicker !== null && d.does === 'lit' && d.flicker.percent > d.flicker.lowRiskPercent;
const worse = (a: FlickerComponent, b: FlickerComponent): FlickerComponent =>
  b.percent / b.lowRiskPercent > a.percent / a.lowRiskPercent ? b : a;

/** Sizes that are tried, of those in stock. */
const TRIED_FARADS = stockFarads.filter((_, i) => i % 2 === 1);

/** What may be fitted against flicker, the least first: a bridge, then a reservoir of each size behind one. */
function cures(bench: Bench, lampIds: readonly string[]): Cure[] {
  const { job, jobId } = bench;
  const lineId = reservoirLineId(job, true);
  const has = lineId === null ? null : stageOf(job.lines[lineId], 'reservoir');
  // On an output the pauses come through the decoder: nothing in the lamps' own line holds them.
  const driven = lampIds.some((id) => {
    const { circuitId } = job.lamps[id];
    return circuitId !== null && chainOf(job, job.circuits[circuitId].lineId)[0].from.kind === 'output';
  });
  if (driven) return [];
  return [
    ...fitBridge(bench),
    ...TRIED_FARADS.filter((farads) => !has || farads > has.farads).flatMap((farads): Cure[] => {
      const recipe = fitReservoir(bench, farads, 25);
      if (!recipe) return [];
      return [
        {
          label: (cured) => {
            const own = cured.jobs[jobId];
            const stage = Object.values(own.lines)
              .map((l) => stageOf(l, 'reservoir'))
              .find((s) => s !== null);
            return `Fit a reservoir of ${formatQuantity(farads, 'farad')}, ${formatQuantity(stage?.ratedVolts ?? 25, 'volt')}`;
          },
          recipe,
        },
      ];
    }),
  ];
}

/** Light that the eye can see flicker, judged against the low-risk level of IEEE 1789-2015. */
export const flicker = rule({
  id: 'flicker',
  needs: ['usual'],
  judge(bench, { usual }) {
    const seen = usual.flatMap((row) => row.dies.filter(flickers));
    if (seen.length === 0) return [];
    const ids = [...new Set(seen.map((d) => d.lampId))];
    const worst = seen.map((d) => d.flicker).reduce(worse);
    return [
      {
        id: 'flicker',
        severity: 'mind' as const,
        title: 'The light flickers',
        sentence: `${lampWords(bench, ids)} ${plural(ids.length, 'flickers', 'flicker')} at ${worst.hertz.toPrecision(3)} Hz with ${worst.percent.toFixed(0)} % percent flicker; up to ${worst.lowRiskPercent.toPrecision(2)} % is of low risk (IEEE 1789).`,
        reason: reasons[sourceOfLamp(bench, ids[0]).supply.kind],
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [
          { is: worst.percent, limit: worst.lowRiskPercent, unit: '%' as const },
          { is: worst.hertz, limit: null, unit: 'Hz' as const },
        ],
        cures: [cures(bench, ids)],
      },
    ];
  },
});
