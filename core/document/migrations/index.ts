import { toEleventh } from './eleventh';
import { toFifth } from './fifth';
import { toSecond } from './second';
import { toSixth } from './sixth';
import { toThird } from './third';
import { toTenth } from './tenth';
import { toTwelfth } from './twelfth';
import { isPlain, mapped, type Plain } from './plain';

/** Version 4: locomotives beside coaches, and lamp sets for them. Nothing of a coach differs. */
const toFourth = (old: Plain): Plain => ({ lampSets: {}, ...old, version: 4 });

/** Version 7: lamps, canopies and buildings, what feeds them, and sockets of hubs. Lamps of one's own have a colour, a beam, and may be strip. */
const toSeventh = (old: Plain): Plain => ({
  ...old,
  drawer: isPlain(old.drawer)
    ? {
        ...old.drawer,
        lamps: mapped(old.drawer.lamps, (l) => ({
          colour: 'white',
          beamDegrees: 120,
          unitMillimetres: null,
          ...l,
        })),
      }
    : old.drawer,
  version: 7,
});

/** Version 8: signals and crossings, with their aspects and what drives them. Nothing of before differs. */
const toEighth = (old: Plain): Plain => ({ ...old, version: 8 });

/** Version 9: scenes whose light moves by a time line; boards in plan, and the power under them. Nothing of before differs. */
const toNinth = (old: Plain): Plain => ({
  boards: {},
  network: { nodes: {}, runs: {} },
  ...old,
  version: 9,
});

/** How a file of version N becomes one of version N + 1, by N. */
export const migrations: Readonly<Record<number, (old: Plain) => Plain>> = {
  1: toSecond,
  2: toThird,
  3: toFourth,
  4: toFifth,
  5: toSixth,
  6: toSeventh,
  7: toEighth,
  8: toNinth,
  9: toTenth,
  10: toEleventh,
  11: toTwelfth,
};

/**
 * Brings a value of some version up to date, step by step; what it is not sure of it leaves for the
 * check that follows.
 */
export function migrated(value: Plain, version: number): Plain {
  let at = value;
  for (let v = version; Object.hasOwn(migrations, v); v++) at = migrations[v](at);
  return at;
}
