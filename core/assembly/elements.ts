import { GROUND, type Element, type Provenance } from '../circuit/netlist';
import { filamentOhms } from '../part/bulb';
import { rectifiers } from '../part/rectifier';
import type { Supply } from '../supply';
import { terminalsOf, type Part } from './assembly';
import { decoderElements } from './decoder-elements';
import { driverElements } from './driver-elements';
import { socketElements } from './socket-elements';
import { BLEED_OHMS, elementId } from './element-id';
import { lampElements, LIMITER_KNEE_VOLTS } from './lamp-elements';
import { railsElements, type Feeding } from './rails-elements';

/** Leakage of an aged aluminium electrolytic: 0.002 CV in microamperes for microfarads (from memory). */
const LEAK_OHM_FARADS = 500;

/**
 * The elements of one part.
 * @param node name of the node a terminal of the part lies on
 */
export function elementsOf(
  part: Part,
  node: (terminal: string) => string,
  supply: Supply,
  feeding: Feeding,
): Element[] {
  const of = (role: string): Provenance => ({ path: part.path, part: part.id, role });
  switch (part.kind) {
    case 'rails':
      return railsElements(part, node, supply, feeding, of);
    case 'bridge': {
      const { model } = rectifiers[part.diode];
      const [right, left, plus, minus] = terminalsOf.bridge.map(node);
      const diode = (n: number, a: string, b: string): Element => ({
        kind: 'diode',
        id: elementId('d', part.id, n),
        a,
        b,
        model,
        of: of(`diode ${n}`),
      });
      const bleed = (end: string, from: string): Element => ({
        kind: 'resistor',
        id: elementId('r', part.id, `bleed_${end}`),
        a: from,
        b: GROUND,
        ohms: BLEED_OHMS,
        of: of('bleed'),
      });
      return [
        diode(1, right, plus),
        diode(2, left, plus),
        diode(3, minus, right),
        diode(4, minus, left),
        bleed('plus', plus),
        bleed('minus', minus),
      ];
    }
    case 'resistor':
      return [
        {
          kind: 'resistor',
          id: elementId('r', part.id),
          a: node('one'),
          b: node('two'),
          ohms: part.ohms,
          of: of(part.role),
        },
      ];
    case 'electrolytic':
      return [
        {
          kind: 'capacitor',
          id: elementId('c', part.id),
          a: node('plus'),
          b: node('minus'),
          farads: part.farads,
          of: of('reservoir'),
        },
        {
          kind: 'resistor',
          id: elementId('r', part.id, 'leak'),
          a: node('plus'),
          b: node('minus'),
          ohms: LEAK_OHM_FARADS / part.farads,
          of: of('leak'),
        },
      ];
    case 'fuse':
      return [
        {
          kind: 'resistor',
          id: elementId('r', part.id),
          a: node('one'),
          b: node('two'),
          ohms: FUSE_OHM_AMPS / part.amps,
          of: of('fuse'),
        },
      ];
    case 'switch':
      return [
        {
          kind: 'switch',
          id: elementId('x', part.id),
          a: node('one'),
          b: node('two'),
          onOhms: SWITCH_OHMS,
          offOhms: 1e9,
          closed: part.on,
          toggleSeconds: [],
          of: of('switch'),
        },
      ];
    case 'diode':
      return [
        {
          kind: 'diode',
          id: elementId('d', part.id),
          a: node('anode'),
          b: node('cathode'),
          model: rectifiers[part.diode].model,
          of: of(part.role),
        },
      ];
    case 'limiter':
      return [
        {
          kind: 'limiter',
          id: elementId('x', part.id),
          a: node('in'),
          b: node('out'),
          limitAmps: part.amps,
          kneeVolts: LIMITER_KNEE_VOLTS,
          of: of('limiter'),
        },
      ];
    case 'socket':
      return socketElements(part, node, of);
    case 'regulator': {
      const [a, b, c] = [node('in'), node('out'), node('common')];
      const regulator: Element = {
        kind: 'regulator',
        id: elementId('x', part.id),
        a,
        b,
        c,
        setVolts: part.outVolts,
        dropoutVolts: Math.max(LEAST_DROPOUT_VOLTS, part.dropoutVolts),
        of: of('regulator'),
      };
      // What sets its output; without a load this alone holds the output down.
      const divider: Element = {
        kind: 'resistor',
        id: elementId('r', part.id, 'divider'),
        a: b,
        b: c,
        ohms: DIVIDER_OHMS,
        of: of('divider'),
      };
      if (part.quiescentAmps === 0) return [regulator, divider];
      const own: Element = {
        kind: 'limiter',
        id: elementId('x', part.id, 'own'),
        a,
        b: c,
        limitAmps: part.quiescentAmps,
        kneeVolts: REGULATOR_KNEE_VOLTS,
        of: of('its own current'),
      };
      return [regulator, divider, own];
    }
    case 'lamp':
      return lampElements(part, node('anode'), node('cathode'), of('lamp'));
    case 'bulb':
      // A filament is a resistor that the study sets to the warmth it finds.
      return [
        {
          kind: 'switch',
          id: elementId('x', part.id),
          a: node('one'),
          b: node('two'),
          onOhms: filamentOhms(part.bulb, part.bulb.volts),
          offOhms: BLEED_OHMS,
          closed: true,
          toggleSeconds: [],
          of: of('filament'),
        },
      ];
    case 'decoder':
      return decoderElements(part, node, of);
    // Under way a motor takes about as much of its current as it gets of its volts.
    case 'motor':
      return [
        {
          kind: 'resistor',
          id: elementId('r', part.id),
          a: node('one'),
          b: node('two'),
          ohms: part.volts / part.amps,
          of: of('motor'),
        },
      ];
    case 'driver':
      return driverElements(part, node, of);
    // Copper alone: it is the node.
    case 'junction':
      return [];
    case 'tester':
      return [
        {
          kind: 'voltage',
          id: 'v_tester',
          a: 'battery',
          b: node('minus'),
          wave: { kind: 'dc', level: part.volts },
          of: of('battery'),
        },
        {
          kind: 'resistor',
          id: 'r_tester',
          a: 'battery',
          b: node('plus'),
          ohms: part.ohms,
          of: of('tester’s resistor'),
        },
      ];
  }
}

/** A small glass fuse drops about 0.1 V at its rating (typical, from memory). */
export const FUSE_OHM_AMPS = 0.1;
/** Resistance of a small slide switch, closed. */
const SWITCH_OHMS = 0.05;
const REGULATOR_KNEE_VOLTS = 1;
const DIVIDER_OHMS = 100e3;
/** No regulator is without any; at none at all its circuit has no operating point. */
const LEAST_DROPOUT_VOLTS = 0.01;
