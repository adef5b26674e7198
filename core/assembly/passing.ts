import { bundleMillimetres, wireOf, type WireName, type WirePart } from '../part/wire';
import { passagesOf, type Passage } from './passages';
import type { JobCore } from '../document/job-record';
import type { Assembly, Lead } from './assembly';

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
  const feeds = lead.from.part === 'rails' || lead.to.part === 'rails';
  const name: WireName = feeds ? wires.feed : wires.lamps;
  return wireOf(lead.colour === 'lacquered' && !name.startsWith('magnet') ? 'magnet-0.15' : name);
}

/** What every passage of a job has to take. */
export function passingOf(assembly: Assembly, job: Pick<JobCore, 'passages' | 'wires'>): Passing[] {
  return passagesOf(job).map((passage) => {
    const leads = assembly.leads.filter((l) => l.through.includes(passage.id));
    const bundle =
      leads.length === 0 ? 0 : bundleMillimetres(leads.map((l) => wireOfLead(job, l).outsideMillimetres));
    return {
      passage,
      leads,
      bundleMillimetres: bundle,
      needsMillimetres: leads.length === 0 ? 0 : Math.max(bundle, passage.carriesMillimetres ?? 0),
    };
  });
}
