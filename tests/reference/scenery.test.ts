import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { jobDeck } from '../../core/study/job-deck';
import { benchOf } from '../../core/study/bench';
import { Solver } from '../../core/study/solver';
import { usualState } from '../../core/study/states';
import { newBuilding } from '../../core/kinds/building/make';
import { newCanopy } from '../../core/kinds/canopy/make';
import { newLamps } from '../../core/kinds/lamp/make';
import { hookUps, type HookUpName } from '../../core/document/scenery-record';
import { quayside, quaySupplies } from '../scenery';
import { expectSameAsReference } from './compare';
import type { Case } from '../kinds';

/** Below this a voltage is what leaks past a lamp that is dark. */
const LEAST_VOLTS = 0.2;

/** Rows of a run closer together: a reservoir without a resistor before it is charged in pulses of a fraction of a millisecond. */
const finer = (deck: string): string =>
  deck.replace(
    /^\.tran (\S+) (\S+)/m,
    (_, step: string, stop: string) => `.tran ${Number(step) / 8} ${stop} 0 ${Number(step) / 4}`,
  );

type Supply = (typeof quaySupplies)[number];

/** Every kind of scenery on every supply that makes sense, by one of the ways it is joined. */
function cases(): { name: string; make: () => Case }[] {
  const ways = Object.keys(hookUps) as HookUpName[];
  const makes = {
    lamp: (supply: Supply, hookUp: HookUpName, part: string): Case =>
      newLamps(quayside(), { sort: 'mast', name: 'Lamps', lamps: 3, part, supply: { id: supply }, hookUp }),
    canopy: (supply: Supply, hookUp: HookUpName, part: string): Case =>
      newCanopy(quayside(), {
        name: 'Canopy',
        lengthMillimetres: 300,
        near: 4,
        far: 3,
        part,
        supply: { id: supply },
        hookUp,
      }),
    building: (supply: Supply, hookUp: HookUpName, part: string): Case =>
      newBuilding(quayside(), {
        name: 'Building',
        lengthMillimetres: 140,
        rooms: 3,
        shell: 'card',
        part,
        supply: { id: supply },
        hookUp,
      }),
  };
  const parts = ['white-warm', 'red', 'yellow', 'white-cool'];
  return (Object.keys(makes) as (keyof typeof makes)[]).flatMap((kind, k) =>
    quaySupplies.flatMap((supply, s) =>
      // Each supply by two of the ways, so that each kind meets all of them; a hub is too much for one address.
      [0, 2].flatMap((step) => {
        const hookUp = ways[(s + k + step) % ways.length];
        if (hookUp === 'hub' && (supply === 'accessory' || supply === 'pack' || supply === 'bus-5'))
          return [];
        const part = parts[(s + step + k) % parts.length];
        return [
          {
            name: `${kind} on ${supply}, joined by ${hookUp}, ${part}`,
            make: () => makes[kind](supply, hookUp, part),
          },
        ];
      }),
    ),
  );
}

describe('scenery against the reference simulator', () => {
  const all = cases();
  test('at least forty decks', () => expect(all.length).toBeGreaterThanOrEqual(40));
  test.each(all)('$name', async ({ make }) => {
    const { layout, jobId } = make();
    const bench = benchOf(layout, jobId);
    const state = usualState(bench);
    const { deck } = jobDeck(bench, new Solver(bench).at(state), state);
    await expectSameAsReference(finer(deck), LEAST_VOLTS);
  });
});

describe('a trimmer over its travel against the reference simulator', () => {
  test.each(fc.sample(fc.double({ min: 0.3, max: 1, noNaN: true }), { numRuns: 8, seed: 13 }))(
    'turned to %d',
    async (turn) => {
      const { layout, jobId } = newLamps(quayside(), {
        sort: 'mast',
        name: 'Lamps',
        lamps: 1,
        part: 'white-warm',
        supply: { id: 'bus-24' },
        hookUp: 'hub',
      });
      const bench = benchOf(layout, jobId);
      const turned = {
        ...bench,
        assembly: {
          ...bench.assembly,
          parts: bench.assembly.parts.map((p) => (p.kind === 'socket' ? { ...p, turn } : p)),
        },
      };
      const state = usualState(turned);
      await expectSameAsReference(jobDeck(turned, new Solver(turned).at(state), state).deck, LEAST_VOLTS);
    },
  );
});
