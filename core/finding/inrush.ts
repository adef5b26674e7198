import { formatQuantity } from '../quantity/format';
import { nextPreferred } from '../part/preferred';
import { supplyKind } from '../supply';
import { sourceName } from './names';
import { rule } from './finding';
import { remedy } from './remedy';

/** Share of the booster's limit that one coach's charging is kept to. */
const SHARE_OF_LIMIT = 0.5;

/** A reservoir that, empty, asks more of the booster than it gives. */
export const inrush = rule({
  id: 'inrush',
  needs: ['inrush', 'steady'],
  judge(bench, { inrush: study, steady }) {
    // A cell suffers no trip: what is too much for it for long is another rule's.
    if (!study || bench.supply.kind === 'cell' || study.peakAmps <= study.limitAmps) return [];
    const trips = study.overSeconds > study.tripSeconds;
    const { supply, jobId, job } = bench;
    const source = sourceName(supply);
    const ohms = nextPreferred(
      supplyKind(supply).highestVolts(supply) / (SHARE_OF_LIMIT * study.limitAmps),
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
        remedies: rectified
          ? remedy(`Fit a charge resistor of ${formatQuantity(ohms, 'ohm')}`, bench, steady, (draft) => {
              const { conditioning } = draft.jobs[jobId];
              if (conditioning.chargeResistor)
                conditioning.chargeResistor.ohms = Math.max(ohms, conditioning.chargeResistor.ohms);
              else conditioning.chargeResistor = { ohms, ratedWatts: 0.25 };
              return true;
            })
          : [],
      },
    ];
  },
});
