/** Keeps the far side of a bridge from floating where nothing else does. */
export const BLEED_OHMS = 10e6;

/**
 * A name that a deck can carry, of lower-case letters, digits and `_`; two names are never written
 * alike. A dash within a name is `_`, anything else that has no place in a deck its code between `__`
 * and `_`.
 */
export const plainName = (name: string): string =>
  // Most names are words with dashes between.
  usual.test(name)
    ? name.replaceAll('-', '_')
    : name.replace(/[^a-z0-9]/g, (sign, i: number) =>
        sign === '-' && isPlain(name[i - 1]) && isPlain(name[i + 1])
          ? '_'
          : `__${sign.charCodeAt(0).toString(16)}_`,
      );

const usual = /^[a-z0-9]+(-[a-z0-9]+)*$/;

const isPlain = (sign: string | undefined): boolean => sign !== undefined && /[a-z0-9]/.test(sign);

/**
 * An element's id for a part: what it is, and the part's name.
 * @param inner which of several elements of the part; none for the first or only one
 */
export const elementId = (letter: string, part: string, inner?: string | number): string =>
  `${letter}_${plainName(part)}${inner === undefined ? '' : `__${inner}`}`;
