import { formatQuantity } from '../quantity/format';
import { reservoirsOf } from '../study/line-readings';
import { LOADED_SHARE, supplyKind } from '../supply';
import { sourceName } from './about';
import { chargeGently, chargeOhms } from './cures';
import { recordFacts } from '../kinds/records';
import { rule } from './finding';

/** Share of the time a fixed supply bears under which one reservoir is not worth a worry. */
const SLIGHT_SHARE = 0.05;

/** A reservoir that, empty, asks more of the supply than it gives. */
export const inrush = rule({
  id: 'inrush',
  needs: ['inrush', 'highest'],
  // A cell suffers no trip: what is too much for it for long is another rule's.
  about: (bench) => bench.supply.kind !== 'cell' && reservoirsOf(bench).length > 0,
  judge(bench, { inrush: study, highest }) {
    if (!study || study.peakAmps <= study.limitAmps) return [];
    // What the lamps alone draw is another rule's.
    if (highest.some((r) => r.readings.supplyAmps.mean > study.limitAmps)) return [];
    const trips = study.tripsAtSeconds !== null;
    // A transformer is warmed by the RMS: a crest or two above its limit is nothing to it.
    if (!trips && study.rmsAmps !== null && study.rmsAmps <= LOADED_SHARE * study.limitAmps) return [];
    const fixed = !recordFacts(bench.job.kind).onRails;
    const slight = fixed && study.overSeconds < SLIGHT_SHARE * study.tripSeconds;
    const source = sourceName(bench.supply);
    const [first] = reservoirsOf(bench);
    const bears =
      study.rmsAmps === null
        ? `the ${source} bears ${formatQuantity(study.tripSeconds, 'second')}`
        : `it feels ${formatQuantity(study.rmsAmps, 'amp')} RMS over the ${formatQuantity(study.tripSeconds, 'second')} it bears more`;
    const angle =
      study.angleDegrees === null ? '' : `, contact being made ${study.angleDegrees}° into the wave`;
    return [
      {
        id: 'inrush',
        severity: trips ? ('stop' as const) : slight ? ('note' as const) : ('mind' as const),
        title: trips ? `Charging trips the ${source}` : `Charging strains the ${source}`,
        sentence: `The empty reservoir draws up to ${formatQuantity(study.peakAmps, 'amp')}${supplyKind(bench.supply).highestWords(bench.supply)}${angle}, over the limit of ${formatQuantity(study.limitAmps, 'amp')} for ${formatQuantity(study.overSeconds, 'second')}; ${bears}.`,
        reason: trips
          ? 'It takes the overload for a short circuit and switches off, again and again.'
          : fixed
            ? 'One hub passes; all of a layout switched on together add up.'
            : 'One vehicle passes; a train of them charging together does not.',
        subject: { part: first.id, line: first.line! },
        paths: [first.path],
        terminals: [{ part: first.id, terminal: 'plus' }],
        figures: [
          { is: study.peakAmps, limit: study.limitAmps, unit: 'amp' as const },
          { is: study.overSeconds, limit: study.tripSeconds, unit: 'second' as const },
        ],
        cures: [
          {
            label: `Fit a charge resistor of ${formatQuantity(chargeOhms(bench.supply), 'ohm')}`,
            recipe: chargeGently(bench),
          },
        ],
      },
    ];
  },
});
