import { GROUND, type Element } from '../circuit/netlist';
import { rectifiers } from '../part/rectifier';
import { directionInput, THROTTLE } from './state';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** Track fed by a controller: the throttle sets the voltage, the direction which rail is positive. */
export interface DcTrack {
  readonly kind: 'dc-track';
  /** At full throttle: the volts of a smooth controller, the height of the pulses, or the RMS volts before an unsmoothed rectifier. */
  readonly greatestVolts: number;
  /** How the controller makes it. */
  readonly making: 'smooth' | 'pulse-width' | 'full-wave' | 'half-wave';
  readonly pulseHertz: number;
  readonly mainsHertz: number;
  /** Throttle the lights are made for. */
  readonly usualThrottle: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  readonly trackOhms: number;
}

/** How long the edges of a pulse-width controller take. */
const PULSE_EDGE_SECONDS = 2e-6;
const LEAST_THROTTLE = 0.005;
/** Keeps the controller's own rectifier from floating. */
const BLEED_OHMS = 10e6;

const unsmoothed = (supply: DcTrack): boolean =>
  supply.making === 'full-wave' || supply.making === 'half-wave';

/** Peak of what a controller can put on the rails, in volts. */
const peak = (supply: DcTrack): number => supply.greatestVolts * (unsmoothed(supply) ? Math.SQRT2 : 1);

export const dcTrack: SupplyKind<DcTrack> = {
  kind: 'dc-track',
  name: 'DC track',
  onTrack: true,
  changesSides: true,
  ownSwitch: false,
  inputs: (supply) => [
    directionInput,
    {
      id: THROTTLE,
      name: 'Throttle',
      domain: { least: 0, most: 1, step: 0.05 },
      usual: supply.usualThrottle,
    },
  ],
  highestWords: () => ' at full throttle',
  sides: { right: 'right rail', left: 'left rail' },
  words: (supply, { throttle, direction }) =>
    `DC ${Number((throttle * supply.greatestVolts).toPrecision(3))} V ${direction === 'forward' ? 'forward' : 'reverse'}`,
  highestVolts: peak,
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  // Unsmoothed, it is a transformer with a rectifier.
  feels: (supply) => (unsmoothed(supply) ? 'rms' : 'moment'),
  sourceOhms: (supply) => supply.trackOhms,
  behind: (supply, ohms) => ({ ...supply, trackOhms: supply.trackOhms + ohms }),
  faults: () => [
    {
      id: 'station-stop',
      name: 'Station stop',
      says: 'With the throttle closed there is no voltage on the rails: what hangs on them goes dark.',
    },
    { id: 'reversed', name: 'Direction reversed', says: 'The other rail becomes the positive one.' },
  ],
  lower(supply, nodes, { controls, stress }, of): Element[] {
    const throttle = high(stress) ? 1 : Math.min(1, Math.max(0, controls.throttle));
    const sign = controls.direction === 'forward' ? 1 : -1;
    const { greatestVolts, making, trackOhms } = supply;
    if (throttle < LEAST_THROTTLE || making === 'smooth') {
      return sourceBehindOhms(
        { kind: 'dc', level: throttle < LEAST_THROTTLE ? 0 : sign * throttle * greatestVolts },
        trackOhms,
        nodes,
        of,
      );
    }
    if (making === 'pulse-width') {
      const period = 1 / supply.pulseHertz;
      const edge = Math.min(PULSE_EDGE_SECONDS, period / 100);
      if (throttle > 1 - (2 * edge) / period)
        return sourceBehindOhms({ kind: 'dc', level: sign * greatestVolts }, trackOhms, nodes, of);
      return sourceBehindOhms(
        {
          kind: 'pulse',
          low: 0,
          high: sign * greatestVolts,
          delay: 0,
          rise: edge,
          fall: edge,
          width: Math.max(edge, throttle * period - edge),
          period,
        },
        trackOhms,
        nodes,
        of,
      );
    }
    const amplitude = throttle * greatestVolts * Math.SQRT2;
    const { model } = rectifiers.silicon;
    const diode = (id: string, from: string, to: string): Element =>
      sign > 0
        ? { kind: 'diode', id, a: from, b: to, model, of }
        : { kind: 'diode', id, a: to, b: from, model, of };
    const winding = (b: string): Element => ({
      kind: 'voltage',
      id: 'v_supply',
      a: 'winding',
      b,
      of,
      wave: {
        kind: 'sine',
        offset: 0,
        amplitude,
        hertz: supply.mainsHertz,
        delay: 0,
        damping: 0,
        phaseDegrees: 0,
      },
    });
    const out: Element = {
      kind: 'resistor',
      id: 'r_supply',
      a: 'supply',
      b: nodes.right,
      ohms: trackOhms,
      of,
    };
    const bleed = (id: string, a: string): Element => ({
      kind: 'resistor',
      id,
      a,
      b: GROUND,
      ohms: BLEED_OHMS,
      of,
    });
    if (making === 'half-wave') {
      return [
        winding(nodes.left),
        diode('d_supply_1', 'winding', 'supply'),
        bleed('r_supply_bleed', 'supply'),
        out,
      ];
    }
    return [
      winding('winding_end'),
      diode('d_supply_1', 'winding', 'supply'),
      diode('d_supply_2', 'winding_end', 'supply'),
      diode('d_supply_3', nodes.left, 'winding'),
      diode('d_supply_4', nodes.left, 'winding_end'),
      bleed('r_supply_bleed', 'supply'),
      bleed('r_supply_bleed_winding', 'winding_end'),
      out,
    ];
  },
};
