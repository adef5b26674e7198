import { rigStudy } from '../../overhead/study';
import { judgeWhole } from '../judge-whole';
import { mountingOf } from '../../overhead/mounting';
import { colourDrift, notWantedColour } from './colour';
import { rigFeedDrop, rigFuse, rigPlug, rigSupply, rigWire } from './feed';
import { rigFlicker, rigHeat, tooLong, wrongVolts } from './power';
import { seenLamps } from './seen-lamps';
import { tooDim } from './too-dim';
import { darkJoint, dimEnds } from './uneven';
import type { Finding } from '../finding';
import type { Layout } from '../../document/layout';
import type { RigRule } from './rig-rule';

/** Every rule about the light above the layout. A new one is a file beside these, and a line here. */
export const rigRules: readonly RigRule[] = [
  wrongVolts,
  rigSupply,
  rigPlug,
  rigWire,
  rigFuse,
  rigFeedDrop,
  tooDim,
  dimEnds,
  darkJoint,
  colourDrift,
  notWantedColour,
  seenLamps,
  tooLong,
  rigHeat,
  rigFlicker,
];

/** Places of the map while cures are tried: coarse is enough to compare. */
const TRIED_STEP = 25;

/** Judges a rig; cures are tried, and offered with what they cost where they hold. */
export const judgeRig = (layout: Layout, rigId: string): Finding[] =>
  judgeWhole(layout, {
    rules: rigRules,
    studyOf: (of) => ({
      // As it stands it is judged by the figures that are shown.
      ...rigStudy(of, rigId, of === layout ? undefined : TRIED_STEP),
      layout: of,
      rigId,
      rig: of.rigs[rigId],
    }),
    cost: (of) => mountingOf(of, of.rigs[rigId]).price,
  });
