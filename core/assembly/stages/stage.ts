import type { LineRecord, StageKind, StageOf } from '../../document/wiring-record';
import type { DocumentPath, Figure, Terminal } from '../assembly';
import { t, type Laying, type LineLead, type PartFigures } from '../laying';

/** What may stand in a line; one file each, listed in `index.ts`. */
export interface Stage<K extends StageKind> {
  readonly kind: K;
  /** What its part is called. */
  readonly name: string;
  /** Behind it one side is always plus. */
  readonly rectifies: boolean;
  lay(line: LineLaying, stage: StageOf<K> & { readonly id: string }): void;
}

/** A line while it is laid: its two leads, each as far as it has got. */
export class LineLaying {
  /** Whether one lead is always plus from here on. */
  rectified = false;

  constructor(
    readonly laying: Laying,
    readonly id: string,
    readonly record: LineRecord,
    readonly leads: readonly [LineLead, LineLead],
    /** Marks the parts of one of two builds of the line. */
    private readonly build: string,
    private readonly suffix: string,
  ) {}

  /** Puts a part under the path of one of its stages. @returns its id */
  add(
    stage: string,
    name: string,
    figures: PartFigures,
    decides: readonly Figure[] | Readonly<Partial<Record<Figure, DocumentPath>>> = [],
  ): string {
    const id = `${stage}-${this.id}${this.build}`;
    this.laying.add(id, name + this.suffix, figures, this.path(stage), { line: this.id }, decides);
    return id;
  }

  path(stage: string): DocumentPath {
    return this.laying.at('lines', this.id, 'stages', stage);
  }

  /** Leads a lead of the line into one end of a part and goes on from the other. */
  through(lead: 0 | 1, part: string, near: string, far: string): void {
    const way = this.leads[lead];
    this.laying.wire(way.at, t(part, near), way.role, way.colour);
    way.at = t(part, far);
  }

  /** Lays a part across the line; where wires run along, they go on from it. */
  across(plus: Terminal, minus: Terminal): void {
    this.leads.forEach((lead, i) => this.laying.from(lead, i === 0 ? plus : minus));
  }

  /** From here on the first lead is plus and the second its return. */
  isPlus(): void {
    this.rectified = true;
    this.leads[0].role = 'plus';
    this.leads[1].role = 'minus';
    for (const lead of this.leads) lead.colour = null;
  }
}
