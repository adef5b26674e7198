import { bundleMillimetres, wireOf, type WireName, type WirePart } from '../part/wire';
import { passagesOf, type Passage } from './passages';
import { EACH_PLACE } from '../document/passage-record';
import type { JobCore } from '../document/job-record';
import type { WireColour } from '../part/wire-colour';
import { isSource, type Assembly, type Lead } from './assembly';

/** What goes through a passage, against the bore it has; millimetres. */
export interface Passing {
  readonly passage: Passage;
  readonly leads: readonly Lead[];
  /** Its leads laid together. */
  readonly bundleMillimetres: number;
  /** The widest of bundle and what the wires carry already. */
  readonly needsMillimetres: number;
}

/** The wire a lead is: from the supply the feed's, elsewhere the lamps'; what comes on lacquered wire keeps its own. */
export function wireOfLead({ wires }: Pick<JobCore, 'wires'>, lead: Lead): WirePart {
  const feeds = isSource(lead.from.part) || isSource(lead.to.part);
  const name: WireName = feeds ? wires.feed : wires.lamps;
  return wireOf(lead.colour === 'lacquered' && !name.startsWith('magnet') ? 'magnet-0.15' : name);
}

/** A colour the wire comes in, one for each meaning: red towards plus, green back, lacquered where both are taken. */
export function soldColour(wire: WirePart, lead: Pick<Lead, 'colour' | 'role'>): WireColour {
  if (!wire.colours || wire.colours.includes(lead.colour)) return lead.colour;
  const code =
    lead.role === 'plus' || lead.role === 'right' ? 'red' : lead.role === 'lamp' ? 'lacquered' : 'green';
  return wire.colours.includes(code) ? code : wire.colours[0];
}

/** Leads by the place of the lamp they go to. */
function byPlace(assembly: Assembly, leads: readonly Lead[]): Lead[][] {
  const places = new Map(assembly.parts.map((p) => [p.id, p.place]));
  const groups = new Map<string, Lead[]>();
  for (const lead of leads) {
    const place = places.get(lead.from.part) ?? places.get(lead.to.part) ?? '';
    groups.set(place, [...(groups.get(place) ?? []), lead]);
  }
  return [...groups.values()];
}

/** What every passage of a job has to take; of those that each place has, what the fullest has to. */
export function passingOf(assembly: Assembly, job: Pick<JobCore, 'passages' | 'wires'>): Passing[] {
  return passagesOf(job).map((passage) => {
    const all = assembly.leads.filter((l) => l.through.includes(passage.id));
    const groups = passage.serves === EACH_PLACE ? byPlace(assembly, all) : [all];
    const bundleOf = (leads: readonly Lead[]): number =>
      leads.length === 0 ? 0 : bundleMillimetres(leads.map((l) => wireOfLead(job, l).outsideMillimetres));
    const leads = groups.reduce<readonly Lead[]>(
      (fullest, g) => (bundleOf(g) > bundleOf(fullest) ? g : fullest),
      [],
    );
    const bundle = bundleOf(leads);
    return {
      passage,
      leads,
      bundleMillimetres: bundle,
      needsMillimetres: leads.length === 0 ? 0 : Math.max(bundle, passage.carriesMillimetres ?? 0),
    };
  });
}
