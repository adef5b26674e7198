import { aspectDark } from './aspect-dark';
import { aspectGlares } from './aspect-glares';
import { aspectNotShown } from './aspect-not-shown';
import { aspectStrays } from './aspect-strays';
import { aspectsAlike } from './aspects-alike';
import { aspectsUneven } from './aspects-uneven';
import { breaksFirst } from './breaks-first';
import { backIntoPins } from './back-into-pins';
import { commonSide } from './common-side';
import { flashRate } from './flash-rate';
import { flasherBase, flasherStarts } from './flasher-throws';
import type { Rule } from '../finding';

/** What is judged of everything that shows aspects; the kinds that do have these among their own. A new one is a file beside these, and a line here. */
export const drivenRules: readonly Rule[] = [
  commonSide,
  backIntoPins,
  aspectNotShown,
  aspectDark,
  aspectStrays,
  aspectsAlike,
  flashRate,
  flasherStarts,
  flasherBase,
  aspectGlares,
  aspectsUneven,
  breaksFirst,
];
