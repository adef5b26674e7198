import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { nextPreferred } from '../part/preferred';
import { supplyKind } from '../supply';
import { sourceName } from './names';
import { patched } from '../document/patch';
import { benchOf } from '../study/bench';
import { inrushStudy } from '../study/inrush';
import { rule, type Remedy } from './finding';
import { CHARGE_SHARE, remedy } from './remedy';

/** A reservoir that, empty, asks more of the booster than it gives. */
export const inrush = rule({
  id: 'inrush',
  needs: ['inrush', 'steady'],
  judge(bench, { inrush: study, steady }) {
    // A cell suffers no trip: what is too much for it for long is another rule's.
    if (!study || bench.supply.kind === 'cell' || study.peakAmps <= study.limitAmps) return [];
    // What the lamps alone draw is another rule's.
    if (steady.supplyAmps.greatest > study.limitAmps) return [];
    const trips = study.overSeconds > study.tripSeconds;
    const { supply, jobId, job } = bench;
    const source = sourceName(supply);
    const ohms = nextPreferred(
      supplyKind(supply).highestVolts(supply) / (CHARGE_SHARE * study.limitAmps),
      'E12',
    );
    const rectified = job.conditioning.rectifier !== 'none' || !supplyKind(supply).changesSides;
    return [
      {
        id: 'inrush',
        rule: 'inrush',
        severity: trips ? ('stop' as const) : ('mind' as const),
        title: trips ? `Charging trips the ${source}` : `Charging strains the ${source}`,
        sentence: `The empty reservoir draws up to ${formatQuantity(study.peakAmps, 'amp')}, over the limit of ${formatQuantity(study.limitAmps, 'amp')} for ${formatQuantity(study.overSeconds, 'second')}; the ${source} bears ${formatQuantity(study.tripSeconds, 'second')}.`,
        reason: trips
          ? 'It takes the overload for a short circuit and switches off, again and again.'
          : 'One coach passes; a train of them charging together does not.',
        paths: [['jobs', jobId, 'conditioning', 'chargeResistor']],
        terminals: [{ part: 'reservoir', terminal: 'plus' }],
        figures: {
          peakAmps: study.peakAmps,
          limitAmps: study.limitAmps,
          overSeconds: study.overSeconds,
          tripSeconds: study.tripSeconds,
        },
        remedies: rectified ? cures() : [],
      },
    ];

    /** A charge resistor, where it is enough: what the lamps draw does not pass through every one. */
    function cures(): Remedy[] {
      const label = `Fit a charge resistor of ${formatQuantity(ohms, 'ohm')}`;
      const offered = remedy(label, bench, steady, (draft) => {
        const { conditioning } = coachIn(draft, jobId);
        if (conditioning.chargeResistor)
          conditioning.chargeResistor.ohms = Math.max(ohms, conditioning.chargeResistor.ohms);
        else conditioning.chargeResistor = { ohms, ratedWatts: 0.25 };
        return true;
      });
      return offered.filter(({ patches }) => {
        const after = inrushStudy(benchOf(patched(bench.layout, patches), jobId));
        return after !== null && after.peakAmps <= after.limitAmps;
      });
    }
  },
});
