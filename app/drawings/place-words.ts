/** A box on a drawing, in pixels, by its middle. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A word or label where it is drawn. */
export interface PlacedLabel extends Box {
  readonly text: string;
}

/** Width of a letter of a name, and its height, in pixels. */
export const NAME_LETTER = 6.3;
export const NAME_HEIGHT = 14;
const MOST_LETTERS = 26;

const overlap = (a: Box, b: Box): number =>
  Math.max(
    0,
    Math.min(a.x + a.width / 2, b.x + b.width / 2) - Math.max(a.x - a.width / 2, b.x - b.width / 2),
  ) *
  Math.max(
    0,
    Math.min(a.y + a.height / 2, b.y + b.height / 2) - Math.max(a.y - a.height / 2, b.y - b.height / 2),
  );

/**
 * Places one box after another where it covers least of what is there already.
 * @param taken what is there before anything is placed
 * @returns of some boxes that which covers least, the first of equals; it is taken from then on
 */
export function placing(taken: readonly Box[]): <B extends Box>(boxes: readonly B[]) => B {
  const there = [...taken];
  return (boxes) => {
    const hides = boxes.map((box) => there.reduce((sum, t) => sum + overlap(box, t), 0));
    const found = boxes[hides.indexOf(Math.min(...hides))];
    there.push(found);
    return found;
  };
}

/** Places for a name round a sign of some size, the best first, within a drawing of some width; a long one is cut. */
export function roundSign(name: string, { x, y, width: wideSign, height }: Box, room: number): PlacedLabel[] {
  const text = name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name;
  const wide = NAME_LETTER * text.length;
  const within = (at: number): number => Math.min(room - wide / 2 - 2, Math.max(wide / 2 + 2, at));
  const aside = wideSign / 2 + 4 + wide / 2;
  const [over, under] = [y - height / 2 - 7, y + height / 2 + 9];
  return [
    { x: within(x), y: over },
    { x: within(x), y: under },
    { x: within(x + aside), y },
    { x: within(x - aside), y },
    { x: within(x + wide / 2), y: over },
    { x: within(x - wide / 2), y: over },
    { x: within(x + wide / 2), y: under },
    { x: within(x - wide / 2), y: under },
    { x: within(x), y: over - 15 },
    { x: within(x), y: under + 15 },
    { x: within(x + wide / 2), y: over - 15 },
    { x: within(x - wide / 2), y: over - 15 },
    { x: within(x), y: over - 29 },
  ].map((spot) => ({ ...spot, text, width: wide, height: NAME_HEIGHT }));
}
