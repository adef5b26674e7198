import { bulbs } from '../part/bulb';
import { lampType } from '../document/lamp-type';
import type { AnyJob, Layout } from '../document/layout';
import type { JobCore } from '../document/job-record';
import type { LampCore } from '../document/lamp-record';
import type { WireColour } from '../part/wire-colour';
import type { Spot } from './spot';
import type { WireRole } from '../document/wire-legend';
import type { DocumentPath, Figure, Lead, LineEnd, Part, Terminal } from './assembly';

/** Conducts while lead one is positive (1) or negative (-1). */
export type Sense = 1 | -1;

/** What the laying of wires has to know of a kind of job; each kind's own is in its `wiring.ts`. */
export interface JobWiring<J> {
  /** What its lamps are called, by id. */
  lampNames(job: J, layout: Layout): ReadonlyMap<string, string>;
  /**
   * Which way a lamp straight on the rails conducts so that it shines when it should. Right rail
   * positive runs forward.
   */
  sense(job: J, lampId: string): Sense;
  /** The place of the job a lamp sits in; what lies in one place is joined there without going through anything. */
  placeOf(job: J, lampId: string): string;
  /** Where it sits, and where the rest of the wiring does, in millimetres. */
  spotOf(job: J, lampId: string): Spot;
  hubOf(job: J): Spot;
  /** Whether wires run from lamp to lamp, each from where its circuit is fed, or to each place once and there from lamp to lamp. */
  readonly runs: 'along' | 'apart' | 'by-place';
}

/** One of the two leads of a line, as far as it has been laid. */
export interface LineLead {
  at: Terminal;
  role: WireRole;
  /** Where it is not what the legend says. */
  colour: WireColour | null;
  /** It is the one that an output switches: what limits a lamp stands in it. */
  readonly switched?: boolean;
  /** Where it has got to in each place, where wires run by place; of the lines of a driver all share that of the common. */
  readonly places?: Map<string, Terminal>;
}

export const t = (part: string, terminal: string): Terminal => ({ part, terminal });

/** What a part may be given beside its own figures; the rest follows from where it is laid. */
export type PartFigures = Part extends infer P ? (P extends Part ? Omit<P, BaseKey> : never) : never;
type BaseKey = 'id' | 'label' | 'path' | 'line' | 'circuit' | 'lamp' | 'place' | 'board' | 'decides';

/** Parts and leads while they are laid, from the supply towards the last lamp. */
export class Laying {
  readonly parts: Part[] = [];
  readonly leads: Lead[] = [];
  readonly lines: LineEnd[] = [];
  readonly names: ReadonlyMap<string, string>;
  readonly numbers: ReadonlyMap<string, number>;

  constructor(
    readonly layout: Layout,
    readonly jobId: string,
    readonly job: JobCore,
    readonly wiring: JobWiring<AnyJob>,
    lampIds: readonly string[],
  ) {
    this.names = wiring.lampNames(layout.jobs[jobId], layout);
    this.numbers = new Map(lampIds.map((id, i) => [id, i + 1]));
  }

  at(...rest: (string | number)[]): DocumentPath {
    return ['jobs', this.jobId, ...rest];
  }

  /**
   * Adds a part.
   * @param decides names of the figures that stand under its path by the same name
   */
  add(
    id: string,
    label: string,
    figures: PartFigures,
    path: DocumentPath,
    belongs: Partial<Pick<Part, 'line' | 'circuit' | 'lamp' | 'place'>>,
    decides: readonly Figure[] | Readonly<Partial<Record<Figure, DocumentPath>>> = [],
  ): void {
    const paths = Array.isArray(decides)
      ? Object.fromEntries((decides as readonly Figure[]).map((f) => [f, [...path, f]]))
      : decides;
    this.parts.push({
      line: null,
      circuit: null,
      lamp: null,
      place: null,
      board: null,
      ...belongs,
      ...figures,
      id,
      label,
      path,
      decides: paths,
    } as Part);
  }

  wire(from: Terminal, to: Terminal, role: WireRole, colour: WireColour | null = null): void {
    const id = `lead-${this.leads.length + 1}`;
    this.leads.push({
      id,
      from,
      to,
      role,
      colour: colour ?? this.job.legend[role],
      jointOhms: 0,
      through: [],
    });
  }

  /** A wire on from where a lead of a line has got to; where wires run from lamp to lamp, the next begins there. */
  from(lead: LineLead, to: Terminal, colour: WireColour | null = null): void {
    const place = this.parts.find((p) => p.id === to.part)?.place ?? null;
    const near = place === null ? undefined : lead.places?.get(place);
    this.wire(near ?? lead.at, to, lead.role, colour ?? lead.colour);
    if (place !== null) lead.places?.set(place, to);
    if (this.wiring.runs === 'along') lead.at = to;
  }

  /** A lamp or bulb as a part. @returns its two ends, the one that goes towards plus first */
  lamp(lamp: LampCore & { readonly id: string }, line: string | null): readonly [Terminal, Terminal] {
    const id = `lamp-${lamp.id}`;
    const path = this.at('lamps', lamp.id);
    const place = this.wiring.placeOf(this.layout.jobs[this.jobId], lamp.id);
    const belongs = { lamp: lamp.id, circuit: lamp.circuitId, line, place };
    const label = this.names.get(lamp.id)!;
    const number = this.numbers.get(lamp.id)!;
    if (Object.hasOwn(bulbs, lamp.part)) {
      this.add(id, label, { kind: 'bulb', bulb: bulbs[lamp.part], number }, path, belongs);
      return [t(id, 'one'), t(id, 'two')];
    }
    const led = lampType(this.layout, lamp.part);
    const second = lamp.secondPart === null ? null : lampType(this.layout, lamp.secondPart);
    this.add(
      id,
      label,
      { kind: 'lamp', led, second, builtIn: lamp.builtIn, leakOhms: null, number },
      path,
      belongs,
      ['reversed'],
    );
    const ends = [t(id, 'anode'), t(id, 'cathode')] as const;
    return lamp.reversed ? [ends[1], ends[0]] : ends;
  }
}
