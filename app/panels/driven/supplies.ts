import { sceneryVariants } from '../scenery/supplies';
import type { SupplyKindName } from '../../../core/supply';
import type { SupplyVariant } from '../begin';

/** What signals and crossings are fed from, the most usual first. */
export const drivenSupplies: readonly SupplyKindName[] = [
  'layout-bus',
  'dcc-track',
  'ac-track',
  'lamp-controller',
  'cell',
];

/** Buses, USB and cells, as other scenery has them. */
export const drivenVariants: readonly SupplyVariant[] = sceneryVariants;
