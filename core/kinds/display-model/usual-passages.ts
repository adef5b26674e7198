import { usualPassage, type PassageRecord } from '../../document/passage-record';

/** The tube that carries the model, and its leads down into the stand. */
export const standPassages = (standMillimetres: number): Record<string, PassageRecord> => ({
  tube: usualPassage(1, 'Tube of the stand', 'tube', 'all', 4, standMillimetres),
});
