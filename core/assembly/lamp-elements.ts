import { fitLed, type LedPart } from '../part/led';
import { elementId } from './element-id';
import type { Element, Provenance } from '../circuit/netlist';
import type { Part, ShiningPart } from './assembly';

/** Knee of a two-terminal limiter: it holds its current from about twice this on. */
export const LIMITER_KNEE_VOLTS = 0.9;

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
export function lampElements(
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
