import { usualPassage, type PassageRecord } from '../../document/passage-record';

/** Bore of a hollow post, and of the channel that hides the link from one side to the other, in millimetres (common practice, no source). */
const POST = 1.6;
const LINK = 1.5;

/** Up a hollow post to the roof; from there along a hidden channel to the far side. */
export const canopyPassages = (
  heightMillimetres: number,
  widthMillimetres: number,
): Record<string, PassageRecord> => ({
  post: usualPassage(1, 'Hollow post', 'tube', 'all', POST, heightMillimetres),
  link: usualPassage(2, 'Hidden link to the far side', 'slot', 'far', LINK, widthMillimetres),
});
