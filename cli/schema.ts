import { jsonSchema } from '../core/document/layout';
import { Complaint } from './complaint';

/** `hazel schema`: the JSON Schema of a layout file. */
export function run(words: readonly string[]): number {
  if (words.length > 0) throw new Complaint('usage: hazel schema');
  process.stdout.write(`${JSON.stringify(jsonSchema(), null, 2)}\n`);
  return 0;
}
