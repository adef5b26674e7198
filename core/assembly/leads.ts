import { plugs, standardColour } from '../part/plug';
import { decoderTypeOf } from '../document/decoder-record';
import type { WireColour } from '../part/wire-colour';
import type { WireRole } from '../document/wire-legend';
import { besideId } from './assembly';
import type { Terminal } from './assembly';
import { isDriven } from '../document/aspect-record';
import { inOrder } from '../document/in-order';
import { wireColours } from '../part/wire-colour';
import { inSentence } from '../quantity/format';
import { driverKind } from '../supply/drivers';
import { pinsOf, type DriverBuild } from '../supply/drivers/driver-kind';
import type { JobCore } from '../document/job-record';
import type { LineRecord } from '../document/wiring-record';

/** Where one of a line's two leads goes, by the name it has there. */
export interface LeadEnd {
  /** "right rail, at the pickups", "output 1, white, pin 6". */
  readonly name: string;
  /** In two words, for a drawing. */
  readonly short: string;
  readonly colour: WireColour;
  /** Which terminal of the assembly it is. */
  readonly terminal: Terminal;
  readonly role: WireRole;
}

/** Colours of the leads of a driver's outputs where the lamp's own is taken (common practice, no source). */
const otherColours: readonly WireColour[] = ['white', 'yellow', 'green', 'violet', 'orange', 'grey', 'brown'];

/** What hangs on a driver: its lamps, by what they are and where they hang. */
type OnDriver = Pick<JobCore, 'legend' | 'lines' | 'circuits' | 'lamps'>;

/**
 * Colour of the lead of each output of a driver: that of its lamp where wire is sold in it, unless the
 * common or another output has it already.
 */
function outputColours({ legend, lines, circuits, lamps }: OnDriver): ReadonlyMap<string, WireColour> {
  const found = new Map<string, WireColour>();
  const taken = new Set<WireColour>([legend.plus, legend.minus]);
  const outputs = inOrder(lines).flatMap(({ id, from }) =>
    from.kind === 'output' ? [{ id, output: from.output }] : [],
  );
  for (const { id, output } of outputs) {
    if (found.has(output)) continue;
    const lamp = Object.values(lamps).find(
      (l) => l.circuitId !== null && circuits[l.circuitId].lineId === id,
    );
    const own = wireColours.find((c) => lamp?.part === c);
    const colour =
      (own && !taken.has(own) ? own : otherColours.find((c) => !taken.has(c))) ??
      otherColours[found.size % otherColours.length];
    found.set(output, colour);
    taken.add(colour);
  }
  return found;
}

/** Colours of the leads of contacts that outputs hang between: one after the other, beside those of the feed. */
function pinColours(build: DriverBuild, legend: OnDriver['legend']): ReadonlyMap<string, WireColour> {
  const free = otherColours.filter((c) => c !== legend.plus && c !== legend.minus);
  return new Map(pinsOf(build).map(({ id }, i) => [id, free[i % free.length]]));
}

const tapWords = {
  pickups: 'at the pickups',
  'motor-tags': 'at the motor tag',
  board: 'at the board’s contact',
} as const;

/**
 * The two leads a line begins with: the first goes towards the plus side, the second back. Each is
 * named by the rail, motor tag, contact or pin it comes from, swapped where they are built so.
 * @returns null for a line that another one feeds
 */
export function leadsOf(
  job: OnDriver & Pick<JobCore, 'decoder'>,
  { from, swapped }: Pick<LineRecord, 'from' | 'swapped'>,
): readonly [LeadEnd, LeadEnd] | null {
  if (from.kind === 'line') return null;
  const { decoder, legend } = job;
  let pair: [LeadEnd, LeadEnd];
  if (from.kind === 'output' && isDriven(job) && job.driver) {
    // How the head is joined decides which side of its lamps goes to the common, right or wrong.
    const build = driverKind(job.driver).build(job.driver);
    const { outputs, switches } = build;
    const output = outputs.find((o) => o.id === from.output);
    if (output?.between) {
      const colours = pinColours(build, legend);
      const [plus, minus] = output.between.map((pin): LeadEnd => {
        const { name } = pinsOf(build).find((p) => p.id === pin)!;
        return {
          name: inSentence(name),
          short: name,
          colour: colours.get(pin)!,
          terminal: { part: 'driver', terminal: pin },
          role: 'lamp',
        };
      });
      return swapped ? [minus, plus] : [plus, minus];
    }
    const sharesPlus = switches === 'minus';
    const common: LeadEnd = {
      name: `common ${sharesPlus ? 'plus' : 'minus'} of the driver`,
      short: sharesPlus ? 'common +' : 'common −',
      colour: sharesPlus ? legend.plus : legend.minus,
      terminal: { part: 'driver', terminal: 'common' },
      role: sharesPlus ? 'plus' : 'minus',
    };
    const own: LeadEnd = {
      name: output?.name.toLowerCase() ?? from.output,
      short: output?.name ?? from.output,
      colour: outputColours(job).get(from.output) ?? 'white',
      terminal: { part: 'driver', terminal: from.output },
      role: 'lamp',
    };
    pair = job.common === 'anode' ? [common, own] : [own, common];
  } else if (from.kind === 'supply' && from.supplyId !== null) {
    const part = besideId(from.supplyId);
    const end = (role: 'plus' | 'minus', terminal: 'right' | 'left'): LeadEnd => ({
      name: `${role} of its own supply`,
      short: role,
      colour: legend[role],
      terminal: { part, terminal },
      role,
    });
    pair = [end('plus', 'right'), end('minus', 'left')];
  } else if (from.kind === 'supply' || !decoder) {
    const tap = from.kind === 'supply' ? from.tap : 'pickups';
    const tag = tap === 'motor-tags' ? { right: 'orange side', left: 'grey side' } : null;
    const end = (side: 'right' | 'left'): LeadEnd => ({
      name: `${side} rail, ${tapWords[tap]}${tag ? ` (${tag[side]})` : ''}`,
      short: `${side} rail`,
      colour: legend[side],
      terminal: { part: 'rails', terminal: side },
      role: side,
    });
    pair = [end('right'), end('left')];
  } else {
    const plug = plugs[decoder.plug];
    const pin = (role: string): string => {
      const found = plug.pins.find((p) => p.role === role);
      return found && plug.id !== 'wires' ? `, pin ${found.pin}` : ', loose wire';
    };
    const plus = {
      common: {
        name: `common positive, blue${pin('common')}`,
        short: 'blue +',
        colour: legend.plus,
        terminal: { part: 'decoder', terminal: 'blue' },
      },
      'right-rail': {
        name: `right rail, red${pin('right-rail')}`,
        short: 'right rail',
        colour: legend.right,
        terminal: { part: 'decoder', terminal: 'red' },
      },
      'left-rail': {
        name: `left rail, black${pin('left-rail')}`,
        short: 'left rail',
        colour: legend.left,
        terminal: { part: 'decoder', terminal: 'black' },
      },
    } as const;
    const type = decoderTypeOf(decoder);
    const output = type.outputs.find((o) => o.id === from.output);
    const colour = standardColour(from.output as `out${number}`);
    const back: LeadEnd =
      from.returnTo === 'common' && type.switches === 'plus'
        ? {
            name: `common negative${pin('ground')}`,
            short: 'common −',
            colour: legend.minus,
            terminal: { part: 'decoder', terminal: 'ground' },
            role: 'minus',
          }
        : {
            ...plus[from.returnTo],
            role: from.returnTo === 'common' ? 'plus' : from.returnTo === 'right-rail' ? 'right' : 'left',
          };
    const own: LeadEnd = {
      name: `${output?.name.toLowerCase() ?? from.output}${pin(from.output)}`,
      short: output?.name.replace('Output ', 'out ').replace(', ', ' ') ?? from.output,
      colour: colour ?? 'brown',
      terminal: { part: 'decoder', terminal: from.output },
      role: 'lamp',
    };
    pair = type.switches === 'minus' ? [back, own] : [own, back];
  }
  return swapped ? [pair[1], pair[0]] : pair;
}
