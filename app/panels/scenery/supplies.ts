import { usbFigures } from '../../../core/study/begin-scenery';
import type { SupplyKindName } from '../../../core/supply';
import type { SupplyVariant } from '../begin';

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

const bus = (volts: number): SupplyVariant => ({
  kind: 'layout-bus',
  name: `Bus ${volts} V`,
  says: 'two wires, DC',
  figures: { name: `Lighting bus ${volts} V`, volts, highestVolts: Number((volts * 1.05).toFixed(1)) },
});

/** Buses as they are common, USB, and cells in a holder. */
export const sceneryVariants: readonly SupplyVariant[] = [
  bus(12),
  bus(16),
  bus(24),
  { kind: 'layout-bus', name: 'USB', says: '5 V', figures: usbFigures },
  {
    kind: 'cell',
    name: 'Battery pack',
    says: 'three AA',
    figures: { name: 'Battery pack', cell: 'aa', inSeries: 3, spent: 0 },
  },
];
