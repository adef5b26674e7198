import { GROUND, type Element, type Provenance } from '../circuit/netlist';
import { rectifiers } from '../part/rectifier';
import { BLEED_OHMS, elementId } from './element-id';
import type { Part } from './assembly';

/** A decoder's negative side. */
const DECODER_MINUS = 'decoder_minus';

/** What a decoder takes for itself goes through a linear regulator: the same from a few volts on (typical, from memory). */
const OWN_KNEE_VOLTS = 1.5;
/** Volts a limiter on the board needs to hold its current (typical, from memory). */
export const LIMITER_KNEE_VOLTS = 1.5;
/** Joints and copper within it, in ohms. */
const WITHIN_OHMS = 0.01;

/**
 * A decoder as its lamps see it: a full bridge from the rails, what it takes for itself behind it, and
 * a switch to one side at each output, with what limits it on the board. A lead to its negative side,
 * where it leads one out, has a hundredth of an ohm.
 */
export function decoderElements(
  part: Extract<Part, { kind: 'decoder' }>,
  node: (terminal: string) => string,
  of: (role: string) => Provenance,
): Element[] {
  const { model } = rectifiers.silicon;
  const diode = (n: number, a: string, b: string): Element => ({
    kind: 'diode',
    id: `d_decoder_${n}`,
    a,
    b,
    model,
    of: of(`bridge diode ${n}`),
  });
  const [red, black, blue] = ['red', 'black', 'blue'].map(node);
  const bleed = (id: string, a: string): Element => ({
    kind: 'resistor',
    id,
    a,
    b: GROUND,
    ohms: BLEED_OHMS,
    of: of('bleed'),
  });
  const ground = part.switches === 'plus' ? ['ground'] : [];
  // Its socket is bare: only what keeps the contacts from floating is left.
  if (part.unplugged)
    return ['red', 'black', 'blue', ...ground, ...part.outputs.map((o) => o.id)].map((terminal) =>
      bleed(elementId('r', 'decoder', `bleed_${terminal}`), node(terminal)),
    );
  return [
    diode(1, red, blue),
    diode(2, black, blue),
    diode(3, DECODER_MINUS, red),
    diode(4, DECODER_MINUS, black),
    bleed('r_decoder_bleed_plus', blue),
    bleed('r_decoder_bleed_minus', DECODER_MINUS),
    {
      kind: 'limiter',
      id: 'i_decoder_own',
      a: blue,
      b: DECODER_MINUS,
      limitAmps: part.ownAmps,
      kneeVolts: OWN_KNEE_VOLTS,
      of: of('own current'),
    },
    ...(part.switches === 'plus'
      ? [
          {
            kind: 'resistor' as const,
            id: 'r_decoder_ground',
            a: node('ground'),
            b: DECODER_MINUS,
            ohms: WITHIN_OHMS,
            of: of('within'),
          },
        ]
      : []),
    ...part.outputs.flatMap((output): Element[] => {
      const { holds } = output;
      const held = holds.kind === 'limiter' ? `decoder_${output.id}_held` : node(output.id);
      // Current counts from plus to minus, whichever side is switched.
      const [a, b] = part.switches === 'minus' ? [held, DECODER_MINUS] : [blue, held];
      const own = output.level === 'logic' ? LOGIC_OHMS : part.onOhms;
      return [
        {
          kind: 'switch',
          id: outputElement('decoder', output.id),
          a,
          b,
          onOhms: own + (holds.kind === 'resistor' ? holds.ohms : 0),
          offOhms: OUTPUT_OFF_OHMS,
          closed: false,
          toggleSeconds: [],
          of: of(output.name),
        },
        ...(holds.kind === 'limiter'
          ? [
              {
                kind: 'limiter' as const,
                id: elementId('i', 'decoder', output.id),
                a: part.switches === 'minus' ? node(output.id) : held,
                b: part.switches === 'minus' ? held : node(output.id),
                limitAmps: holds.amps,
                kneeVolts: LIMITER_KNEE_VOLTS,
                of: of(`limiter of ${output.name}`),
              },
            ]
          : []),
      ];
    }),
  ];
}

/** The element that conducts while an output of a decoder or a driver does. */
export const outputElement = (part: string, output: string): string => elementId('x', part, output);

/** An output that is off leaks next to nothing. */
export const OUTPUT_OFF_OHMS = 1e9;
/** A logic-level output can sink no more than a signal (typical, from memory). */
const LOGIC_OHMS = 4700;
