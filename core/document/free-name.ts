import { inOrder } from './in-order';
import type { Layout } from './layout';

/** A name a new job may have: the word, with a number where one of that name is there. */
export function freeName(layout: Layout, word: string): string {
  const names = new Set(inOrder(layout.jobs).map((j) => j.name));
  if (!names.has(word)) return word;
  let n = 2;
  while (names.has(`${word} ${n}`)) n++;
  return `${word} ${n}`;
}
