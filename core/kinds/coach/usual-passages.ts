import { usualPassage, type PassageRecord } from '../../document/passage-record';

/** A hole over the bogie for the leads of the pickups. */
export const coachPassages = (): Record<string, PassageRecord> => ({
  floor: usualPassage(1, 'Floor over the bogie', 'hole', 'feed', 3, 2),
});
