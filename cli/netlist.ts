import { everyday, vehicleOf } from '../core/study/locomotive/vehicle';
import { vehicleDeck, vehicleNetlist } from '../core/study/locomotive/vehicle-deck';
import { benchOf } from '../core/study/bench';
import { jobDeck } from '../core/study/job-deck';
import { steadyStudy } from '../core/study/steady';
import { Complaint } from './complaint';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import { print } from './print';
import type { Netlist } from '../core/circuit/netlist';
import type { Layout } from '../core/document/layout';

/** `hazel netlist FILE.hazel.json --job ID`: a job's circuit as a SPICE deck. */
export function run(words: readonly string[]): number {
  const usage = 'hazel netlist FILE.hazel.json --job ID [--json]';
  const { file, options } = wordsAndOptions(words, usage, { job: 'value', json: 'flag' });
  const layout = readLayoutFile(file);
  const asked = jobIds(layout, options.get('job'), file);
  if (asked.length !== 1)
    throw new Complaint(`say which job with --job: ${asked.join(', ') || 'there is none'}`);
  const { deck, netlist } = deckOf(layout, asked[0]);
  print(options.has('json') ? `${JSON.stringify({ job: asked[0], deck, netlist }, null, 2)}\n` : deck);
  return 0;
}

/** A job's circuit: a coach from its own steady state, a locomotive at rest in its everyday state. */
function deckOf(layout: Layout, jobId: string): { deck: string; netlist: Netlist } {
  if (layout.jobs[jobId].kind === 'coach') {
    const bench = benchOf(layout, jobId);
    return { deck: jobDeck(bench, steadyStudy(bench)), netlist: bench.lowered.netlist };
  }
  const vehicle = vehicleOf(layout, jobId);
  const netlist = vehicleNetlist(vehicle, everyday(vehicle));
  return { deck: vehicleDeck(netlist), netlist };
}
