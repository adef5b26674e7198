import { closeSync, fstatSync, openSync, readFileSync } from 'node:fs';
import { Complaint } from './complaint';

/** Larger than any deck or layout a person makes. */
const MOST_BYTES = 64 * 1024 * 1024;

/**
 * Reads a text file.
 * @throws Complaint when it is missing, not a plain file, too large or not text
 */
export function readText(path: string): string {
  let handle: number;
  try {
    handle = openSync(path, 'r');
  } catch {
    throw new Complaint(`${path}: cannot be opened`);
  }
  try {
    const facts = fstatSync(handle);
    if (!facts.isFile()) throw new Complaint(`${path}: is not a file`);
    if (facts.size > MOST_BYTES) throw new Complaint(`${path}: is larger than 64 MB`);
    const bytes = readFileSync(handle);
    if (bytes.length === 0) throw new Complaint(`${path}: is empty`);
    if (bytes.includes(0)) throw new Complaint(`${path}: is not a text file`);
    try {
      return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    } catch {
      return new TextDecoder('latin1').decode(bytes);
    }
  } finally {
    closeSync(handle);
  }
}

/**
 * Takes the options a command knows out of its words.
 * @throws Complaint for an option it does not know, or a wrong number of files
 */
export function wordsAndOptions(
  words: readonly string[],
  usage: string,
  known: Readonly<Record<string, 'flag' | 'value'>>,
): { file: string; options: Map<string, string> } {
  const options = new Map<string, string>();
  const files: string[] = [];
  for (let i = 0; i < words.length; i++) {
    const w = words[i];
    if (!w.startsWith('--')) {
      files.push(w);
      continue;
    }
    const name = w.slice(2);
    if (!Object.hasOwn(known, name)) throw new Complaint(`the option ${w} is not known; usage: ${usage}`);
    if (known[name] === 'flag') options.set(name, '');
    else if (i + 1 < words.length) options.set(name, words[++i]);
    else throw new Complaint(`${w} needs a value; usage: ${usage}`);
  }
  if (files.length !== 1) throw new Complaint(`usage: ${usage}`);
  return { file: files[0], options };
}
