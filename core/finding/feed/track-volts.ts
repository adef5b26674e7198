import { formatQuantity } from '../../quantity/format';
import { nearestJoint, placesOnRails, putRun } from '../../feed/begin';
import { placePath, type FeedRule } from './feed-rule';
import type { FeedStudy } from '../../feed/study';

/** What a train takes under way with its lamps, at most; where its supply gives less, what that gives (common practice, no source). */
const TRAIN_AMPS = 1;
/** A locomotive that has lost more of its volts slows down and its lamps sink (common practice, no source). */
const LOST_SHARE = 0.08;

/** Places on the rails, by what a train that stands there loses of its volts. */
function losses({
  layout,
  fed,
  shorts,
}: FeedStudy): { place: string; amps: number; lost: number; volts: number }[] {
  const onRails = placesOnRails(layout);
  return Object.keys(layout.network.nodes).flatMap((place) => {
    const of = fed.get(place);
    const short = shorts.get(place);
    if (!onRails.has(place) || !of || !short) return [];
    const amps = Math.min(TRAIN_AMPS, short.limitAmps);
    return [{ place, amps, lost: amps * short.wayOhms, volts: of.volts }];
  });
}

/** A train far from a dropper that the rails alone feed. */
export const trackVolts: FeedRule = {
  id: 'track-volts',
  judge(study) {
    const { layout, fed } = study;
    const worst = new Map<string, ReturnType<typeof losses>[number]>();
    for (const l of losses(study)) {
      const { supplyId } = fed.get(l.place)!;
      if (l.lost > LOST_SHARE * l.volts && l.lost > (worst.get(supplyId)?.lost ?? 0)) worst.set(supplyId, l);
    }
    return [...worst].map(([supplyId, { place, amps, lost, volts }]) => {
      const { name, xMillimetres: x, yMillimetres: y } = layout.network.nodes[place];
      return {
        id: `track-volts ${supplyId}`,
        severity: 'mind' as const,
        title: `A train at ${name} has fewer volts`,
        sentence: `A train that takes ${formatQuantity(amps, 'amp')} there has ${formatQuantity(volts - lost, 'volt', { significant: 3 })} of ${formatQuantity(volts, 'volt')}: ${formatQuantity(lost, 'volt', { significant: 2 })} stay in wires, rails and their joiners.`,
        reason:
          'Nickel silver conducts some seventeen times worse than copper, and joiners get worse with the years. A dropper at every length of track keeps the volts, and lets a short be told from a train.',
        paths: [placePath(place)],
        terminals: [],
        subject: { part: place },
        figures: [{ is: lost, limit: LOST_SHARE * volts, unit: 'volt' as const }],
        cures: [
          {
            label: 'A dropper there, of 24/0.2',
            recipe: (draft) => {
              const joint = nearestJoint(draft, supplyId, { x, y });
              if (joint === null) return false;
              putRun(draft, joint, place, { wire: '24-0.2' });
              return true;
            },
          },
        ],
      };
    });
  },
};
