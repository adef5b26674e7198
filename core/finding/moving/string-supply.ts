import { LOADED_SHARE } from '../../supply';
import { formatQuantity } from '../../quantity/format';
import { draftOf, hasString, momentWords, movingOf, studyOf } from './moving';
import { rule } from '../finding';

/** A string that draws more than its own supply gives, or nearly so, in its brightest moment. */
export const stringSupply = rule({
  id: 'string-supply',
  needs: ['highest'],
  about: hasString,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { jobId } = bench;
    const { string, timeline } = movingOf(bench);
    const { milliseconds, amps } = moving.worst.string;
    const { supplyAmps, supplyVolts, name } = string!;
    if (amps <= LOADED_SHARE * supplyAmps) return [];
    const stronger = Math.ceil((2 * amps) / LOADED_SHARE) / 2;
    const cap = Math.floor((timeline.capPercent * LOADED_SHARE * supplyAmps) / amps);
    return [
      {
        id: 'string-supply',
        severity: amps > supplyAmps ? ('stop' as const) : ('mind' as const),
        title: `${name}: more than its supply gives`,
        sentence: `At ${momentWords(milliseconds)} it draws ${formatQuantity(amps, 'amp')}; its supply gives ${formatQuantity(supplyAmps, 'amp')} and is best loaded to ${formatQuantity(LOADED_SHARE * supplyAmps, 'amp')}.`,
        reason:
          'A supply at its limit lets its volts fall: colours shift, then lamps show what they like, and the computer begins anew.',
        paths: [['jobs', jobId, 'string', 'supplyAmps']],
        terminals: [],
        figures: [{ is: amps, limit: supplyAmps, unit: 'amp' as const }],
        cures: [
          {
            label: `A supply of ${formatQuantity(supplyVolts, 'volt')}, ${formatQuantity(stronger, 'amp')}`,
            recipe: (draft) => void (draftOf(draft, jobId).string!.supplyAmps = stronger),
          },
          ...(cap >= 1
            ? [
                {
                  label: `Nothing brighter than ${cap} % of full`,
                  recipe: (draft: Parameters<typeof draftOf>[0]) =>
                    void (draftOf(draft, jobId).timeline.capPercent = cap),
                },
              ]
            : []),
        ],
      },
    ];
  },
});
