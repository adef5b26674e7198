import { decoderTypeOf } from '../../document/decoder-record';
import { stageOf } from '../../document/line-stages';
import { wireBy } from '../../document/presets';
import { bulbs } from '../../part/bulb';
import { leds } from '../../part/led';
import type { LineRecord } from '../../document/wiring-record';
import type { LocomotiveRecord, VehicleLampRecord } from './record';

export const isBulb = (lamp: Pick<VehicleLampRecord, 'part'>): boolean => Object.hasOwn(bulbs, lamp.part);

/** Whether a lamp has nothing in itself that limits its current, as far as is known. */
const isBare = ({ builtIn, part }: VehicleLampRecord): boolean =>
  builtIn.kind === 'nothing' && Object.hasOwn(leds, part) && leds[part].builtInOhms === 0;

/**
 * Limits every circuit by what hangs in it now: LEDs that came where bulbs were straight on the leads get
 * their resistors, bulbs that came where LEDs were need none.
 */
export function suitLimits(job: LocomotiveRecord): void {
  for (const [id, circuit] of Object.entries(job.circuits)) {
    const own = Object.values(job.lamps).filter((l) => l.circuitId === id);
    if (own.length === 0 || !Object.hasOwn(job.lines, circuit.lineId)) continue;
    const line = job.lines[circuit.lineId];
    const wired = (['constant-current', 'regulator'] as const).some((kind) => stageOf(line, kind));
    if (
      circuit.limit === 'none' &&
      own.some(isBare) &&
      !own.some(isBulb) &&
      !wired &&
      !heldByDecoder(job, line)
    )
      wireBy(line, circuit, job.decoder ? 'resistor-each' : 'shared-both-ways');
    else if (circuit.limit !== 'none' && own.every(isBulb)) circuit.limit = 'none';
  }
}

/** Whether the board limits an output itself. */
function heldByDecoder({ decoder }: LocomotiveRecord, { from }: LineRecord): boolean {
  if (!decoder || from.kind !== 'output') return false;
  const output = decoderTypeOf(decoder).outputs.find((o) => o.id === from.output);
  return output !== undefined && output.holds.kind !== 'nothing';
}
