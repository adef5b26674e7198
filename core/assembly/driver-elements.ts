import { GROUND, type Element, type Provenance } from '../circuit/netlist';
import { rectifiers } from '../part/rectifier';
import { BLEED_OHMS, elementId } from './element-id';
import { LIMITER_KNEE_VOLTS, outputElement, OUTPUT_OFF_OHMS } from './decoder-elements';
import { pinsOf, type SwitchedSide } from '../supply/drivers/driver-kind';
import type { OutputHold } from '../part/decoder-type';
import type { Part } from './assembly';

/** Its two sides, behind its bridge and its regulator; no wire but the common leads out of it. */
const PLUS = 'driver_plus';
const MINUS = 'driver_minus';
const LOGIC = 'driver_logic';

/** What it takes for itself stays the same from a few volts on; regulators on small boards need little (typical, from memory). */
const OWN_KNEE_VOLTS = 1.5;
const DROPOUT_VOLTS = 0.25;
const DIVIDER_OHMS = 100e3;
/** Joints and copper within it, in ohms. */
const WITHIN_OHMS = 0.01;
/** Leak of its reservoir, as of any aluminium electrolytic: 0.002 CV (from memory). */
const LEAK_OHM_FARADS = 500;

const NOTHING_HELD: OutputHold = { kind: 'nothing' };

/** The element that holds an output that is off at the other side. */
export const holdElement = (output: string): string => elementId('x', 'driver', `${output}_held`);

/**
 * A driver as its lamps see it: a bridge and a reservoir where it has them, what it takes for itself, a
 * regulator where its outputs have volts of their own, and a switch to one side at each output.
 */
export function driverElements(
  part: Extract<Part, { kind: 'driver' }>,
  node: (terminal: string) => string,
  of: (role: string) => Provenance,
): Element[] {
  const [right, left] = [node('right'), node('left')];
  const elements: Element[] = [];
  const join = (id: string, a: string, b: string, ohms: number, role: string): void =>
    void elements.push({ kind: 'resistor', id, a, b, ohms, of: of(role) });
  if (part.unplugged) {
    for (const terminal of ['right', 'left', 'common', ...pinsOf(part).map((p) => p.id)])
      join(elementId('r', 'driver', `bleed_${terminal}`), node(terminal), GROUND, BLEED_OHMS, 'bleed');
    return elements;
  }
  if (part.feed.bridge) {
    const { model } = rectifiers.silicon;
    (
      [
        [right, PLUS],
        [left, PLUS],
        [MINUS, right],
        [MINUS, left],
      ] as const
    ).forEach(([a, b], i) =>
      elements.push({
        kind: 'diode',
        id: elementId('d', 'driver', i + 1),
        a,
        b,
        model,
        of: of(`bridge diode ${i + 1}`),
      }),
    );
    join('r_driver_bleed_plus', PLUS, GROUND, BLEED_OHMS, 'bleed');
    join('r_driver_bleed_minus', MINUS, GROUND, BLEED_OHMS, 'bleed');
  } else {
    join('r_driver_plus', right, PLUS, WITHIN_OHMS, 'within');
    join('r_driver_minus', left, MINUS, WITHIN_OHMS, 'within');
  }
  if (part.feed.farads > 0) {
    elements.push({
      kind: 'capacitor',
      id: 'c_driver',
      a: PLUS,
      b: MINUS,
      farads: part.feed.farads,
      of: of('reservoir'),
    });
    join('r_driver_leak', PLUS, MINUS, LEAK_OHM_FARADS / part.feed.farads, 'leak');
  }
  // What flows back through a pin is taken by what the board itself takes behind its regulator.
  const ownAt = part.commonAtFeed && part.ownVolts !== null ? LOGIC : PLUS;
  if (part.ownAmps > 0)
    elements.push({
      kind: 'limiter',
      id: 'i_driver_own',
      a: ownAt,
      b: MINUS,
      limitAmps: part.ownAmps,
      kneeVolts: OWN_KNEE_VOLTS,
      of: of('own current'),
    });
  let plus = PLUS;
  if (part.ownVolts !== null) {
    plus = LOGIC;
    elements.push({
      kind: 'regulator',
      id: 'x_driver_regulator',
      a: PLUS,
      b: LOGIC,
      c: MINUS,
      setVolts: part.ownVolts,
      dropoutVolts: DROPOUT_VOLTS,
      of: of('regulator'),
    });
    join('r_driver_divider', LOGIC, MINUS, DIVIDER_OHMS, 'divider');
  }
  const sideOf = (switches: SwitchedSide): string => (switches === 'minus' ? MINUS : plus);
  const shared = part.commonAtFeed ? PLUS : plus;
  join('r_driver_common', part.switches === 'minus' ? shared : MINUS, node('common'), WITHIN_OHMS, 'within');
  for (const { id, name, switches, holds = NOTHING_HELD } of pinsOf(part)) {
    const switched = sideOf(switches);
    const at = holds.kind === 'nothing' ? node(id) : `driver_${id}_held`;
    if (holds.kind === 'resistor')
      join(elementId('r', 'driver', `${id}_board`), at, node(id), holds.ohms, `resistor of ${name}`);
    if (holds.kind === 'limiter') {
      const [a, b] = switched === MINUS ? [node(id), at] : [at, node(id)];
      elements.push({
        kind: 'limiter',
        id: elementId('i', 'driver', id),
        a,
        b,
        limitAmps: holds.amps,
        kneeVolts: LIMITER_KNEE_VOLTS,
        of: of(`limiter of ${name}`),
      });
    }
    const toggle = (element: string, side: string, closed: boolean): void => {
      // Current counts from plus to minus, whichever side is switched.
      const [a, b] = side === MINUS ? [at, MINUS] : [side, at];
      elements.push({
        kind: 'switch',
        id: element,
        a,
        b,
        onOhms: part.onOhms,
        offOhms: OUTPUT_OFF_OHMS,
        closed,
        toggleSeconds: [],
        of: of(name),
      });
    };
    toggle(outputElement('driver', id), switched, false);
    if (part.heldWhenOff) toggle(holdElement(id), switched === MINUS ? plus : MINUS, true);
  }
  return elements;
}
