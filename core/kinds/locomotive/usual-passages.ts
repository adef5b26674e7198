import { usualPassage, type PassageRecord } from '../../document/passage-record';

/** A 3 mm way for the leads of each end, as deep as its wall. */
export const vehiclePassages = (wallMillimetres: number): Record<string, PassageRecord> => ({
  'end-A': usualPassage(1, 'Bore of end A', 'bore', 'A', 3, wallMillimetres),
  'end-B': usualPassage(2, 'Bore of end B', 'bore', 'B', 3, wallMillimetres),
});
