import { benchOf } from '../core/study/bench';
import { jobDeck } from '../core/study/job-deck';
import { usualReadings } from '../core/study/solver';
import { Complaint } from './complaint';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import { print } from './print';

/** `hazel netlist FILE.hazel.json --job ID`: a job's circuit as a SPICE deck. */
export function run(words: readonly string[]): number {
  const usage = 'hazel netlist FILE.hazel.json --job ID [--json]';
  const { file, options } = wordsAndOptions(words, usage, { job: 'value', json: 'flag' });
  const layout = readLayoutFile(file);
  const asked = jobIds(layout, options.get('job'), file);
  if (asked.length !== 1)
    throw new Complaint(`say which job with --job: ${asked.join(', ') || 'there is none'}`);
  const bench = benchOf(layout, asked[0]);
  const { deck, netlist } = jobDeck(bench, usualReadings(bench));
  print(options.has('json') ? `${JSON.stringify({ job: asked[0], deck, netlist }, null, 2)}\n` : deck);
  return 0;
}
