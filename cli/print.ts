/** Signs that move a terminal's cursor, change its colours or ring its bell, and the C1 ones among them. */
// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g;

/** A text as it may be shown in a terminal: names come from files, and must not steer it. */
export const harmless = (text: string): string => text.replace(CONTROL, '\ufffd');

/** Prints a text. */
export const print = (text: string): void => void process.stdout.write(harmless(text));
