import { plugs, standardColour } from '../part/plug';
import { decoderTypes } from '../part/decoder-type';
import type { WireColour, WireRole } from '../document/wire-legend';
import type { LampCircuitRecord, LocomotiveRecord } from '../document/locomotive-record';

/** Where one of a circuit's two leads goes, by the name it has there. */
export interface LeadEnd {
  /** "right rail, at the pickups", "output 1, white, pin 6". */
  readonly name: string;
  /** In two words, for a drawing. */
  readonly short: string;
  readonly colour: WireColour;
  /** Which terminal of the assembly it is. */
  readonly terminal: string;
  readonly role: WireRole;
}

const tapWords = {
  pickups: 'at the pickups',
  'motor-tags': 'at the motor tag',
  board: 'at the board’s contact',
} as const;

/**
 * The two leads that feed a circuit: the first goes to its resistors and switch, the second back.
 * Each is named by the rail, motor tag, contact or pin it comes from, swapped where they are built so.
 */
export function leadsOf(job: LocomotiveRecord, circuit: LampCircuitRecord): readonly [LeadEnd, LeadEnd] {
  const { feed } = circuit;
  let pair: [LeadEnd, LeadEnd];
  if (feed.kind === 'track' || !job.decoder) {
    const tap = feed.kind === 'track' ? feed.tap : 'pickups';
    const tag = tap === 'motor-tags' ? { right: 'orange side', left: 'grey side' } : null;
    const end = (side: 'right' | 'left', colour: WireColour): LeadEnd => ({
      name: `${side} rail, ${tapWords[tap]}${tag ? ` (${tag[side]})` : ''}`,
      short: `${side} rail`,
      colour,
      terminal: `rails.${side}`,
      role: side,
    });
    pair = [end('right', 'red'), end('left', 'black')];
  } else {
    const plug = plugs[job.decoder.plug];
    const pin = (role: string): string => {
      const found = plug.pins.find((p) => p.role === role);
      return found && plug.id !== 'wires' ? `, pin ${found.pin}` : ', loose wire';
    };
    const plus = {
      common: {
        name: `common positive, blue${pin('common')}`,
        short: 'blue +',
        colour: 'blue',
        terminal: 'decoder.blue',
      },
      'right-rail': {
        name: `right rail, red${pin('right-rail')}`,
        short: 'right rail',
        colour: 'red',
        terminal: 'decoder.red',
      },
      'left-rail': {
        name: `left rail, black${pin('left-rail')}`,
        short: 'left rail',
        colour: 'black',
        terminal: 'decoder.black',
      },
    } as const;
    const output = decoderTypes[job.decoder.type].outputs.find((o) => o.id === feed.output);
    const colour = standardColour(feed.output as `out${number}`);
    pair = [
      { ...plus[feed.returnTo], role: 'plus' },
      {
        name: `${output?.name.toLowerCase() ?? feed.output}${pin(feed.output)}`,
        short: output?.name.replace('Output ', 'out ').replace(', ', ' ') ?? feed.output,
        colour: colour ?? 'brown',
        terminal: `decoder.${feed.output}`,
        role: 'lamp',
      },
    ];
  }
  return circuit.leadsSwapped ? [pair[1], pair[0]] : pair;
}
