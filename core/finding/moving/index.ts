import { flashesHarm } from './flashes-harm';
import { lampUnmoved } from './lamp-unmoved';
import { momentOverload } from './moment-overload';
import { motorVolts } from './motor-volts';
import { stringLogic, stringStart } from './string-data';
import { stringBrownsOut, stringShifts } from './string-fades';
import { stringSupply } from './string-supply';
import type { Rule } from '../finding';

/** What is judged of everything whose light moves by a time line. A new one is a file beside these, and a line here. */
export const movingRules: readonly Rule[] = [
  flashesHarm,
  momentOverload,
  motorVolts,
  stringLogic,
  stringSupply,
  stringBrownsOut,
  stringShifts,
  stringStart,
  lampUnmoved,
];
