import { orderFactsOf } from '../../kinds/orders';
import { inOrder } from '../../document/in-order';
import { shines, type Assembly, type Lead, type Part, type ShiningPart } from '../../assembly/assembly';
import { passagesOf, type Passage } from '../../assembly/passages';
import { asWired } from '../../study/wired';
import { wiresToLay } from '../string-wiring';
import { after, fact, type Condition } from './fact';
import { each, likePassages, likePlaces, namesOf, together } from './like-places';
import type { JoinedEnd } from './task';
import type { WiringRow } from '../wiring-table';
import type { Bench } from '../../study/bench';
import type { LampCore } from '../../document/lamp-record';
import { alreadyWorks } from './already-works';
import { switchWorks } from './switch-work';
import type { BodyWork, OrderFacts } from './order-facts';
import type { AnyJob } from '../../document/layout';

/** Lamps alike, prepared together. */
export interface Lot {
  readonly id: string;
  readonly lamps: readonly (LampCore & { readonly id: string })[];
  readonly parts: readonly ShiningPart[];
  readonly bare: boolean;
}

/** What the tasks of a job are made from. */
export interface Making {
  readonly bench: Bench;
  readonly assembly: Assembly;
  readonly facts: OrderFacts<AnyJob>;
  /** Work on the body, with what things cost that are in the model already. */
  readonly works: readonly BodyWork[];
  readonly byId: ReadonlyMap<string, Part>;
  readonly lots: readonly Lot[];
  /** The places its lamps sit in; and those of them that are worked on together, by the name of the group. */
  readonly places: readonly string[];
  readonly placeGroups: readonly string[];
  groupOf(place: string): string;
  /** What a group of places is called. */
  placeNames(group: string): string;
  readonly passages: readonly Passage[];
  /** How many of it are built by one sheet. */
  readonly count: number;
  /** Leads that go through a passage. */
  through(passage: string): readonly Lead[];
  /** Passages that are threaded together, by the name of the group. */
  readonly passageGroups: readonly string[];
  /** Leads that are no wire: a leg of a part reaches. */
  readonly direct: ReadonlySet<string>;
  /** Leads that are cut from wire; the others are legs of parts, or copper. */
  readonly wires: readonly WiringRow[];
  /** That the wire of these ends is cut. */
  cut(joins: readonly JoinedEnd[]): readonly Condition[];
}

/** Gathers what the tasks are made from. */
export function makingOf(bench: Bench): Making {
  const { assembly } = asWired(bench);
  const { job } = bench;
  const facts = orderFactsOf(job.kind);
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const lots = new Map<
    string,
    { id: string; lamps: Lot['lamps'][number][]; parts: ShiningPart[]; bare: boolean }
  >();
  for (const lamp of inOrder<LampCore>(job.lamps)) {
    const part = byId.get(`lamp-${lamp.id}`);
    if (!part || !shines(part)) continue;
    const bare = facts.bare(job, lamp.id);
    const body = facts.lampBody(job, lamp.id);
    const key = JSON.stringify([lamp.part, lamp.secondPart, lamp.tint, lamp.builtIn, bare, body]);
    const lot = lots.get(key) ?? { id: lamp.id, lamps: [], parts: [], bare };
    lot.lamps.push(lamp);
    lot.parts.push(part);
    lots.set(key, lot);
  }
  const laid = wiresToLay(bench);
  const wires = laid.filter((row) => !row.direct);
  const own = [...lots.values()];
  const placeGroups = likePlaces(assembly, job, own);
  const passages = passagesOf(job);
  const through = (passage: string): Lead[] => assembly.leads.filter((l) => l.through.includes(passage));
  const cutLeads = new Set(wires.map((row) => row.lead));
  return {
    bench,
    assembly,
    facts,
    works: [...alreadyWorks(job), ...facts.works(bench.layout, job), ...switchWorks(assembly, job)],
    byId,
    lots: own,
    places: [...new Set(assembly.parts.filter(shines).map((p) => p.place!))],
    placeGroups: placeGroups.map(together),
    groupOf: (place) => together(placeGroups.find((g) => g.includes(place)) ?? [place]),
    placeNames: (group) => namesOf(each(group).map((p) => facts.placeName(p))),
    passages,
    passageGroups: likePassages(passages, placeGroups, (id) => through(id).length).map(together),
    direct: new Set(laid.filter((row) => row.direct).map((row) => row.lead)),
    count: job.progress.count,
    through,
    wires,
    cut: (joins) =>
      joins
        .filter((e) => cutLeads.has(e.lead))
        .map((e) => after(fact.cut(e.lead), 'its wire is cut before it is soldered')),
  };
}

/** "4 ×", of all that one sheet builds; nothing for a single one. */
export const times = (count: number): string => (count === 1 ? '' : `${count} × `);

/** "1 end", "3 ends". */
export const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;
