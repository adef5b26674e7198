import { LEAST_TRIMMER_OHMS, socketTransistor } from '../part/hub-socket';
import { elementId } from './element-id';
import type { Element, Provenance } from '../circuit/netlist';
import type { Part } from './assembly';

/** A jumper that is out. */
const OPEN_OHMS = 1e9;
const JUMPER_OHMS = 0.02;
/** What leaks past a transistor that is off: some nanoamperes (typical, from memory). */
const LEAK_OHMS = 1e9;

/**
 * A hub's socket: jumper and resistor from the lamp to the collector, the base fed from plus, the
 * trimmer from base to minus.
 */
export function socketElements(
  part: Extract<Part, { kind: 'socket' }>,
  node: (terminal: string) => string,
  of: (role: string) => Provenance,
): Element[] {
  const inner = (name: string): string => elementId('n', part.id, name);
  const [plus, minus] = [node('plus'), node('minus')];
  const resistor = (name: string | undefined, a: string, b: string, ohms: number, role: string): Element => ({
    kind: 'resistor',
    id: elementId('r', part.id, name),
    a,
    b,
    ohms,
    of: of(role),
  });
  return [
    resistor('jumper', node('out'), inner('jumper'), part.on ? JUMPER_OHMS : OPEN_OHMS, 'jumper'),
    resistor(undefined, inner('jumper'), inner('collector'), part.seriesOhms, 'series resistor'),
    resistor('base', plus, inner('base'), part.baseOhms, 'base resistor'),
    resistor(
      'trimmer',
      inner('base'),
      minus,
      Math.max(LEAST_TRIMMER_OHMS, part.turn * part.trimmerOhms),
      'trimmer',
    ),
    resistor('leak', inner('collector'), minus, LEAK_OHMS, 'leak'),
    {
      kind: 'transistor',
      id: elementId('q', part.id),
      a: inner('collector'),
      b: minus,
      c: inner('base'),
      polarity: 'npn',
      model: socketTransistor,
      of: of('transistor'),
    },
  ];
}
