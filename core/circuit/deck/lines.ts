/** A card with its continuation lines joined; `line` is where it starts, counted from 1. */
export interface Card {
  readonly line: number;
  readonly text: string;
}

/**
 * Splits a deck into its title and its cards: `+` continues, `*` comments a line out, `;` and ` $ `
 * comment out the rest of one, case is dropped. Stops after `.end`.
 */
export function cardsOf(source: string): { title: string; cards: Card[]; orphan: number | null } {
  const raw = source.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const cards: { line: number; text: string }[] = [];
  let orphan: number | null = null;
  for (let i = 1; i < raw.length; i++) {
    // Blanks are made one first, each run of them looked at once.
    const text = raw[i]
      .replace(/\s+/g, ' ')
      .replace(/;.*$/, '')
      .replace(/(^| )\$( .*)?$/, '')
      .trim()
      .toLowerCase();
    if (text === '' || text.startsWith('*')) continue;
    if (text.startsWith('+')) {
      const last = cards[cards.length - 1];
      if (last) last.text += ` ${text.slice(1)}`;
      else orphan ??= i + 1;
      continue;
    }
    if (/^\.end(\s|$)/.test(text)) break;
    cards.push({ line: i + 1, text });
  }
  return { title: raw[0].trim(), cards, orphan };
}

/**
 * The words of a card: blanks, commas and parentheses separate; `name=figure` stays together
 * whatever blanks stand around the sign.
 */
export function wordsOf(text: string): string[] {
  return text
    .replace(/\s+/g, ' ')
    .replace(/ ?= ?/g, '=')
    .replace(/[(),]/g, ' ')
    .split(/\s+/)
    .filter((w) => w !== '');
}
