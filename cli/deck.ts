import { answerDeck } from '../core/circuit/deck/answer';
import { DeckError } from '../core/circuit/deck/error';
import { readDeck } from '../core/circuit/deck/read';
import { Complaint } from './complaint';
import { readText, wordsAndOptions } from './file';
import { print } from './print';

/** `hazel deck FILE.cir`: solves a SPICE deck and prints a table. */
export function run(words: readonly string[]): number {
  const { file, options } = wordsAndOptions(words, 'hazel deck FILE.cir [--json]', { json: 'flag' });
  const source = readText(file);
  try {
    const deck = readDeck(source);
    const { headings, rows } = answerDeck(deck);
    for (const { line, text } of deck.notes) process.stderr.write(`${file}:${line}: ${text}\n`);
    if (options.has('json')) print(`${JSON.stringify({ headings, rows })}\n`);
    else {
      const quoted = headings.map((h) => (h.includes(',') ? `"${h}"` : h));
      print(`${[quoted, ...rows].map((row) => row.join(',')).join('\n')}\n`);
    }
    return 0;
  } catch (error) {
    if (error instanceof DeckError) throw new Complaint(`${file}:${error.line}: ${error.reason}`);
    throw error;
  }
}
