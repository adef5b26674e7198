import { jsonSchema } from '../core/document/layout';
import { Complaint } from './complaint';
import { print } from './print';

/** `hazel schema`: the JSON Schema of a layout file. */
export function run(words: readonly string[]): number {
  if (words.length > 0) throw new Complaint('usage: hazel schema');
  print(`${JSON.stringify(jsonSchema(), null, 2)}\n`);
  return 0;
}
