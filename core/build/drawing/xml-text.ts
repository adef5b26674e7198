/** What no XML document may hold (XML 1.0, 2.2), as text or as a reference: controls, halves of pairs, non-characters. */
const FORBIDDEN =
  // eslint-disable-next-line no-control-regex -- these are what is looked for
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;
const ENTITIES = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' } as const;

/** Text that stays text in SVG and HTML, between tags and within quotes. */
export const escaped = (text: string): string =>
  text.replace(FORBIDDEN, '\uFFFD').replace(/[&<>"']/g, (c) => ENTITIES[c as keyof typeof ENTITIES]);
