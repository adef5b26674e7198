import type { SupplyKindName } from '../../../core/supply';

/** What scenery is fed from, the most usual first. */
export const scenerySupplies: readonly SupplyKindName[] = [
  'layout-bus',
  'lamp-controller',
  'cell',
  'accessory-output',
  'ac-track',
  'dcc-track',
  'dc-track',
];
