import { passingOf, type Passing } from '../assembly/passing';
import { legends } from '../document/wire-legend';
import { nextDrill } from '../part/drill';
import { wireNames, wireOf, type WireName } from '../part/wire';
import { benchOf } from './bench';
import { asWired } from './wired';
import type { Layout } from '../document/layout';

/** What somebody drills: it is made as wide as it has to be. What is bought hollow, or moves, is as wide as it is. */
const DRILLED: ReadonlySet<string> = new Set(['hole', 'slot', 'bore']);

const tight = ({ needsMillimetres, passage }: Passing): boolean =>
  needsMillimetres > passage.boreMillimetres * (1 + 1e-9);

/**
 * Makes sure, in a job just begun, that its leads pass what they go through: in a tube or past a pivot
 * with the thickest wire that does, then through holes drilled as wide as it takes.
 * @param layout a draft, whose job is changed
 */
export function passLeads(layout: Layout, jobId: string): void {
  const job = layout.jobs[jobId];
  const { assembly } = asWired(benchOf(layout, jobId));
  const now = (): Passing[] => passingOf(assembly, job).filter(tight);
  const inTubes = (): boolean => now().some((p) => !DRILLED.has(p.passage.kind));
  const set = job.wires as { lamps: WireName; feed: WireName };
  const width = (name: WireName): number => wireOf(name).outsideMillimetres;
  for (const name of [...wireNames].sort((a, b) => width(b) - width(a))) {
    if (!inTubes()) break;
    if (width(name) < width(set.lamps)) set.lamps = name;
    if (inTubes() && width(name) < width(set.feed)) set.feed = name;
  }
  // Lacquered wire comes in few colours.
  if (set.lamps.startsWith('magnet'))
    Object.assign(job.legend, { ...legends['few-colours'], left: 'lacquered' });
  for (const { passage, needsMillimetres } of now())
    if (DRILLED.has(passage.kind))
      (job.passages[passage.id] as { boreMillimetres: number }).boreMillimetres = nextDrill(needsMillimetres);
}
