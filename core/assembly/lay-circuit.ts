import { bulbs } from '../part/bulb';
import { t, type Laying, type LineLead, type Sense } from './laying';
import type { CircuitRecord } from '../document/wiring-record';
import type { LampCore } from '../document/lamp-record';
import type { Part, Terminal } from './assembly';

type Circuit = CircuitRecord & { readonly id: string };
export type LaidLamp = LampCore & { readonly id: string };

/** Where a circuit hangs: the two leads of its line, and whether the first is always plus. */
export interface CircuitFeed {
  readonly line: string;
  readonly leads: readonly [LineLead, LineLead];
  readonly polarised: boolean;
}

/** The way a lamp of a circuit conducts, by how its senses are set. */
export function senseIn(
  laying: Laying,
  circuit: CircuitRecord,
  polarised: boolean,
  lampId: string,
  place: number,
): Sense {
  if (circuit.senses === 'in-turn') return place % 2 === 0 ? 1 : -1;
  if (circuit.senses === 'alike' || polarised) return 1;
  return laying.wiring.sense(laying.layout.jobs[laying.jobId], lampId);
}

/** Lays the lamps of a circuit on its line: what limits them, then strings of lamps one after another. */
export function layCircuit(
  laying: Laying,
  circuit: Circuit,
  members: readonly LaidLamp[],
  feed: CircuitFeed,
): void {
  const belongs = { circuit: circuit.id, line: feed.line };
  const resistor = (id: string, label: string, of: Partial<Pick<Part, 'lamp'>>, own: number | null): void =>
    laying.add(
      id,
      label,
      {
        kind: 'resistor',
        role: circuit.limit === 'shared' ? 'shared' : 'each',
        ohms: own ?? circuit.ohms,
        ratedWatts: circuit.ratedWatts,
      },
      own === null ? laying.at('circuits', circuit.id) : laying.at('lamps', of.lamp!),
      { ...belongs, ...of },
      {
        ohms: own === null ? laying.at('circuits', circuit.id, 'ohms') : laying.at('lamps', of.lamp!, 'ohms'),
        ratedWatts: laying.at('circuits', circuit.id, 'ratedWatts'),
      },
    );
  let leads: readonly [LineLead, LineLead] = circuit.swapped ? [feed.leads[1], feed.leads[0]] : feed.leads;
  if (circuit.limit === 'shared' || circuit.limit === 'limiter') {
    const shared = circuit.limit === 'shared';
    const id = `${shared ? 'shared-resistor' : 'limiter'}-${circuit.id}`;
    const label = `${shared ? 'Resistor' : 'Limiter'} of ${circuit.name}`;
    if (shared) resistor(id, label, {}, null);
    else
      laying.add(
        id,
        label,
        { kind: 'limiter', amps: circuit.limiterAmps },
        laying.at('circuits', circuit.id),
        belongs,
        { amps: laying.at('circuits', circuit.id, 'limiterAmps') },
      );
    laying.from(leads[0], t(id, shared ? 'one' : 'in'));
    const behind: LineLead = { at: t(id, shared ? 'two' : 'out'), role: 'lamp', colour: null };
    leads = [laying.wiring.runs === 'by-place' ? { ...behind, places: new Map() } : behind, leads[1]];
  }
  const strings = stringsOf(laying, circuit, members, feed.polarised);
  for (const [n, { sense, lamps }] of strings.entries()) {
    const [plus, minus] = sense > 0 ? leads : [leads[1], leads[0]];
    const fairy = (lamp: LaidLamp): 'lacquered' | null =>
      lamp.part.startsWith('fairy') ? 'lacquered' : null;
    // In one lead of a string its resistor; the next joint begins at its far end.
    let joint: Terminal | null = null;
    const [first] = lamps;
    const ownResistor = `resistor-${first.id}`;
    const atEnd = circuit.limit === 'each' && minus.switched === true;
    if (circuit.limit === 'each') {
      const label =
        lamps.length === 1
          ? `Resistor of ${laying.names.get(first.id)!}`
          : `Resistor of ${circuit.name}${strings.length > 1 ? `, string ${n + 1}` : ''}`;
      resistor(ownResistor, label, { lamp: first.id }, lamps.length > 1 ? null : first.ohms);
      if (!atEnd) {
        laying.from(plus, t(ownResistor, 'one'));
        joint = t(ownResistor, 'two');
      }
    }
    lamps.forEach((lamp, i) => {
      const [near, far] = laying.lamp(lamp, feed.line);
      if (joint) laying.wire(joint, near, 'lamp', fairy(lamp));
      else if (i === 0) laying.from(plus, near, fairy(lamp));
      joint = far;
      if (i < lamps.length - 1) return;
      if (!atEnd) laying.from(minus, far, fairy(lamp));
      else {
        laying.wire(far, t(ownResistor, 'one'), 'lamp', fairy(lamp));
        laying.from(minus, t(ownResistor, 'two'));
      }
    });
  }
}

interface LampString {
  readonly sense: Sense;
  readonly lamps: readonly LaidLamp[];
}

/** Lamps of one way in strings as long as the circuit has them; bulbs are never strung. */
function stringsOf(
  laying: Laying,
  circuit: Circuit,
  members: readonly LaidLamp[],
  polarised: boolean,
): LampString[] {
  const length = members.some((l) => Object.hasOwn(bulbs, l.part)) ? 1 : circuit.inSeries;
  const sensed = members.map((lamp, i) => ({ lamp, sense: senseIn(laying, circuit, polarised, lamp.id, i) }));
  if (length === 1) return sensed.map(({ lamp, sense }) => ({ sense, lamps: [lamp] }));
  return ([1, -1] as const).flatMap((sense) => {
    const own = sensed.filter((l) => l.sense === sense).map((l) => l.lamp);
    return Array.from({ length: Math.ceil(own.length / length) }, (_, i) => ({
      sense,
      lamps: own.slice(i * length, (i + 1) * length),
    }));
  });
}
