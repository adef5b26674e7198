import { GROUND, type Element, type Provenance } from '../circuit/netlist';
import { filamentOhms } from '../part/bulb';
import { fitLed, type LedPart } from '../part/led';
import { rectifiers } from '../part/rectifier';
import { supplyKind, usualControls, type Feeding as SupplyFeeding, type Supply } from '../supply';
import { terminalsOf, type Part, type ShiningPart } from './assembly';
import { besideElements } from './beside-elements';
import { decoderElements } from './decoder-elements';
import { driverElements } from './driver-elements';
import { socketElements } from './socket-elements';
import { BLEED_OHMS, elementId } from './element-id';

/** Leakage of an aged aluminium electrolytic: 0.002 CV in microamperes for microfarads (from memory). */
const LEAK_OHM_FARADS = 500;

/** How a job is fed for one study. */
export interface Feeding extends Partial<SupplyFeeding> {
  /** Contact of wheels and rail: whether it is made at first, and the moments at which it changes, in seconds. */
  readonly contact?: { readonly made: boolean; readonly toggleSeconds: readonly number[] };
  /** True for rails that nothing feeds any more. */
  readonly cut?: boolean;
}

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
    case 'rails': {
      if (part.beside) return besideElements(part, part.beside, node, feeding.stress, of);
      const rails = { right: node('right'), left: node('left') };
      // Dead rails still tie both sides to something, through what leaks.
      if (feeding.cut) {
        return [
          {
            kind: 'resistor',
            id: 'r_dead_rails',
            a: rails.right,
            b: rails.left,
            ohms: BLEED_OHMS,
            of: of('dead rails'),
          },
        ];
      }
      const { contact } = feeding;
      const fed = contact ? { right: 'wheel', left: rails.left } : rails;
      const source = supplyKind(supply).lower(
        supply,
        fed,
        { controls: feeding.controls ?? usualControls, stress: feeding.stress },
        of('supply'),
      );
      if (!contact) return source;
      return [
        ...source,
        {
          kind: 'switch',
          id: 'x_contact',
          a: fed.right,
          b: rails.right,
          onOhms: CONTACT_OHMS,
          offOhms: BLEED_OHMS,
          closed: contact.made,
          toggleSeconds: contact.toggleSeconds,
          of: of('contact'),
        },
      ];
    }
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

/** Wheels on clean rail, in series with the track's own resistance, which counts the rest. */
const CONTACT_OHMS = 0.01;
/** A small glass fuse drops about 0.1 V at its rating (typical, from memory). */
export const FUSE_OHM_AMPS = 0.1;
/** Resistance of a small slide switch, closed. */
const SWITCH_OHMS = 0.05;
/** Knee of a two-terminal limiter: it holds its current from about twice this on. */
export const LIMITER_KNEE_VOLTS = 0.9;
const REGULATOR_KNEE_VOLTS = 1;
const DIVIDER_OHMS = 100e3;
/** No regulator is without any; at none at all its circuit has no operating point. */
const LEAST_DROPOUT_VOLTS = 0.01;

/** The element that carries the current of one colour of a lamp, or of a bulb. */
export const dieElement = (part: ShiningPart, die: 0 | 1): string =>
  part.kind === 'bulb' ? elementId('x', part.id) : elementId('d', part.id, die === 0 ? undefined : 'second');

/** The nodes one colour of a lamp itself lies between, behind what is built in; of a bulb its ends. */
export function dieNodes(
  part: ShiningPart,
  die: 0 | 1,
  node: (terminal: string) => string,
): [string, string] {
  if (part.kind === 'bulb') return [node('one'), node('two')];
  const inner = innerNode(part, node('anode'));
  return die === 0 ? [inner, node('cathode')] : [node('cathode'), inner];
}

/** Behind a lamp's own limiter and the resistance both of its colours share. */
const innerNode = (part: Extract<Part, { kind: 'lamp' }>, anode: string): string =>
  sharedOhms(part) > 0 || part.builtIn.kind === 'limiter' ? elementId('n', part.id, 'in') : anode;

/** Resistance in the common lead of a lamp's colours, in ohms. */
function sharedOhms({ led, second, builtIn }: Extract<Part, { kind: 'lamp' }>): number {
  const own = second ? Math.min(led.builtInOhms, second.builtInOhms) : led.builtInOhms;
  return own + (builtIn.kind === 'resistor' ? builtIn.ohms : 0);
}

/**
 * A lamp's own limiter and resistance, then its junctions in a row; those of a second colour lie the
 * other way round behind the same resistance.
 */
function lampElements(
  part: Extract<Part, { kind: 'lamp' }>,
  anode: string,
  cathode: string,
  of: Provenance,
): Element[] {
  const { led, second, builtIn } = part;
  const elements: Element[] = [];
  const inner = innerNode(part, anode);
  const ohms = sharedOhms(part);
  let at = anode;
  if (builtIn.kind === 'limiter') {
    const b = ohms > 0 ? elementId('n', part.id, 'limited') : inner;
    elements.push({
      kind: 'limiter',
      id: elementId('x', part.id),
      a: at,
      b,
      limitAmps: builtIn.amps,
      kneeVolts: LIMITER_KNEE_VOLTS,
      of,
    });
    at = b;
  }
  if (ohms > 0) elements.push({ kind: 'resistor', id: elementId('r', part.id), a: at, b: inner, ohms, of });
  const row = (die: 0 | 1, from: string, to: string, type: LedPart): void => {
    const model = fitLed(type);
    const own = type.builtInOhms - (second ? Math.min(led.builtInOhms, second.builtInOhms) : led.builtInOhms);
    let node = from;
    if (own > 0) {
      const b = elementId('n', part.id, `own${die}`);
      elements.push({
        kind: 'resistor',
        id: elementId('r', part.id, `own${die}`),
        a: node,
        b,
        ohms: own,
        of,
      });
      node = b;
    }
    for (let i = 1; i <= type.inSeries; i++) {
      const b = i === type.inSeries ? to : elementId('n', part.id, `${die}_${i}`);
      const id = i === 1 ? dieElement(part, die) : elementId('d', part.id, die === 0 ? i : `second_${i}`);
      elements.push({ kind: 'diode', id, a: node, b, model, of });
      node = b;
    }
  };
  row(0, inner, cathode, led);
  if (second) row(1, cathode, inner, second);
  if (part.leakOhms !== null)
    elements.push({
      kind: 'resistor',
      id: elementId('r', part.id, 'leak'),
      a: inner,
      b: cathode,
      ohms: part.leakOhms,
      of,
    });
  return elements;
}
