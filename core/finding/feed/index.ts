import { commonReturn } from './common-return';
import { contactOverload } from './contact-overload';
import { converterLimits } from './converters';
import { dimmerFarOut } from './dimmer-far-out';
import { feedNoAnswer } from './no-answer';
import { fuseNeverBlows } from './fuse-never-blows';
import { inrushTogether } from './inrush-together';
import { jointReach } from './joint-reach';
import { notFed } from './not-fed';
import { planLamps } from './plan-lamps';
import { runColours } from './run-colours';
import { shortNotCleared } from './short-not-cleared';
import { trackVolts } from './track-volts';
import { suppliesJoined } from './supplies-joined';
import { supplyLoaded } from './supply-loaded';
import { wireAndFuse, wireTooThin } from './wire-and-fuse';
import type { FeedRule } from './feed-rule';

/** Every rule about the power under the boards. A new one is a file beside these, and a line here. */
export const feedRules: readonly FeedRule[] = [
  feedNoAnswer,
  suppliesJoined,
  commonReturn,
  supplyLoaded,
  inrushTogether,
  wireTooThin,
  wireAndFuse,
  shortNotCleared,
  fuseNeverBlows,
  contactOverload,
  converterLimits,
  planLamps,
  dimmerFarOut,
  trackVolts,
  notFed,
  jointReach,
  runColours,
];
