import { formatQuantity } from '../quantity/format';
import type { SoldNeed } from './sold-need';

/** What is bought for lamps on a post, each (common practice, no source). */
const HOOD_PRICE = 0.1;
const LENS_PRICE = 0.15;
/** Brass tube, a metre. */
const TUBE_PRICE = 6;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Tube for posts, as it is bought; in millimetres. */
export const postTube = (
  of: { readonly outside: number; readonly inside: number; readonly height: number },
  count: number,
): SoldNeed => ({
  key: `post:${of.outside}:${of.inside}:${of.height}`,
  name: `Brass tube ${mm(of.outside)} outside, ${mm(of.inside)} inside, ${mm(of.height)} for a post`,
  count,
  priceEach: (TUBE_PRICE * of.height) / 1000,
});

/** Hoods over lamps of a sort of thing. */
export const hoodsFor = (of: string, count: number): SoldNeed => ({
  key: `hood:${of}`,
  name: `Hood of a ${of} lamp`,
  count,
  priceEach: HOOD_PRICE,
});

/** Lenses before them; a drop of glue that sets clear does for the smallest. */
export const lensesFor = (of: string, millimetres: number, count: number): SoldNeed => ({
  key: `lens:${of}:${millimetres}`,
  name: `Lens ${mm(millimetres)} of a ${of} lamp`,
  count,
  priceEach: LENS_PRICE,
});
