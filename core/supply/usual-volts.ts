import type { Supply } from '.';

/** The volts a supply is set to: of what changes sides, amplitude or true RMS; null for what feeds nothing but its own job. */
export function usualVoltsOf(supply: Supply): number | null {
  switch (supply.kind) {
    case 'dcc-track':
      return supply.amplitudeVolts;
    case 'dc-track':
      return supply.greatestVolts;
    case 'ac-track':
      return supply.rmsVolts;
    case 'layout-bus':
    case 'accessory-output':
      return supply.volts;
    case 'lamp-controller':
      return supply.usualVolts;
    case 'cell':
      return null;
  }
}
