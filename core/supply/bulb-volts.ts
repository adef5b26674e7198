import type { Supply } from '.';

/** RMS volts that bulbs straight on a supply would get, with the throttle it is made for; 0 on a cell. */
export function bulbVolts(supply: Supply): number {
  switch (supply.kind) {
    case 'dcc-track':
      return supply.amplitudeVolts;
    case 'ac-track':
      return supply.rmsVolts;
    case 'dc-track':
      // Pulses of full height for a share of the time have an RMS of its root.
      return (
        supply.greatestVolts *
        (supply.making === 'pulse-width' ? Math.sqrt(supply.usualThrottle) : supply.usualThrottle)
      );
    case 'layout-bus':
    case 'accessory-output':
      return supply.volts;
    case 'lamp-controller':
      return supply.usualVolts;
    case 'cell':
      return 0;
  }
}
