import { accessoryPairs, type AccessoryPairs } from './accessory-pairs';
import { accessoryReversing, type AccessoryReversing } from './accessory-reversing';
import { alternating, type Alternating } from './alternating';
import { contacts, type Contacts } from './contacts';
import { flasher, type Flasher } from './flasher';
import { matrix, type Matrix } from './matrix';
import { pins, type Pins } from './pins';
import { timer, type Timer } from './timer';
import type { DriverKind } from './driver-kind';

/** Every driver of aspects. A new kind is a file beside these, and a line here. */
export type Driver =
  Contacts | AccessoryPairs | AccessoryReversing | Alternating | Flasher | Timer | Pins | Matrix;
export type DriverKindName = Driver['kind'];

export const driverKinds = {
  contacts,
  'accessory-pairs': accessoryPairs,
  'accessory-reversing': accessoryReversing,
  alternating,
  flasher,
  timer,
  pins,
  matrix,
} as const;

/** The kind of a driver, ready to answer for it. */
export const driverKind = (driver: Driver): DriverKind<Driver> =>
  // Each kind answers for its own sort of record, and the record says which it is.
  driverKinds[driver.kind] as unknown as DriverKind<Driver>;

export type { AccessoryPairs, AccessoryReversing, Matrix, Alternating, Contacts, Flasher, Pins, Timer };
