import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { generatedVehicle, onRails, vehicleId } from '../../tests/vehicles';
import { boatTrain } from '../../tests/generated';
import { fewestSets } from './fewest';
import { shortestProof, tellsApart, type ShortestProof } from './shortest-proof';
import { driveKey, phasesOf } from './drive';
import { statesOf } from './states';
import { Solver } from './solver';
import { withFaults, benchOf, type Bench } from './bench';
import { wiringFaults } from './wiring-faults';
import type { Phase, State } from '../supply/state';

describe('the fewest sets that hold everything', () => {
  const held = (sets: readonly ReadonlySet<number>[], chosen: readonly number[]): number =>
    new Set(chosen.flatMap((c) => [...sets[c]])).size;
  test('agrees with trying every choice', () => {
    const sets = fc.array(
      fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 5 }).map((a) => new Set(a)),
      {
        minLength: 1,
        maxLength: 9,
      },
    );
    fc.assert(
      fc.property(sets, (list) => {
        const all = new Set(list.flatMap((s) => [...s])).size;
        const got = fewestSets(list);
        expect(held(list, got)).toBe(all);
        let least = Infinity;
        for (let mask = 0; mask < 2 ** list.length; mask++) {
          const chosen = list.flatMap((_, i) => ((mask >> i) & 1 ? [i] : []));
          if (held(list, chosen) === all) least = Math.min(least, chosen.length);
        }
        expect(got).toHaveLength(least);
      }),
      { numRuns: 200, seed: 11 },
    );
  });
  test('nothing asks for nothing', () => expect(fewestSets([])).toEqual([]));
});

/** Every fault that changes what is seen in some state on the track, tried here without the proof's own touches. */
function faultsThatShow(vehicle: Bench): string[] {
  const distinct = new Map(
    statesOf(vehicle).states.flatMap((s) =>
      phasesOf(vehicle, s).map((phase) => [driveKey(vehicle, s, phase), { s, phase }] as const),
    ),
  );
  const sound = new Solver(vehicle);
  const seen = (solver: Solver, { s, phase }: { s: State; phase: Phase }) =>
    new Map(solver.at(s, { phase }).dies.map((l) => [`${l.part}${l.second ? ' second' : ''}`, l.lightness]));
  const before = [...distinct.values()].map((s) => [s, seen(sound, s)] as const);
  return wiringFaults(vehicle)
    .filter((fault) => {
      const wrong = new Solver(withFaults(vehicle, fault.faults));
      return before.some(([s, was]) => {
        try {
          return tellsApart(was, seen(wrong, s));
        } catch {
          return true;
        }
      });
    })
    .map((f) => f.id);
}

function expectShortest(vehicle: Bench, proof: ShortestProof): void {
  const chosen = proof.touches.map((t) => t.id);
  const exposedBy = (touches: readonly string[], fault: string): boolean =>
    proof.exposing.get(fault)!.some((t) => touches.includes(t));
  for (const fault of faultsThatShow(vehicle)) expect(exposedBy(chosen, fault), fault).toBe(true);
  const exposable = [...proof.exposing].filter(([, t]) => t.length > 0).map(([id]) => id);
  for (const fault of exposable) expect(exposedBy(chosen, fault)).toBe(true);
  for (const left of chosen) {
    const rest = chosen.filter((t) => t !== left);
    expect(
      exposable.some((fault) => !exposedBy(rest, fault)),
      `without ${left} nothing is missed`,
    ).toBe(true);
  }
}

describe('the shortest proof', () => {
  test.each(['diesel-shunter', 'railcar-tern', 'express-diesel'])(
    'of the demo’s %s exposes every single fault that shows, and no touch can be left out',
    (id) => {
      const vehicle = benchOf(boatTrain(), id);
      const proof = shortestProof(vehicle)!;
      expect(proof.unproven).toEqual([]);
      expectShortest(vehicle, proof);
    },
  );
  test('so do those of twenty generated ones', () => {
    for (const layout of fc.sample(generatedVehicle, { numRuns: 20, seed: 3 })) {
      const vehicle = benchOf(layout, vehicleId);
      expectShortest(vehicle, shortestProof(vehicle)!);
    }
  });
  test('two white and two red at both ends need the tester twice: once each way', () => {
    const proof = shortestProof(benchOf(onRails('shared-both-ways'), vehicleId))!;
    expect(proof.touches.map((t) => t.kind)).toEqual(['tester', 'tester']);
    const [one, other] = proof.touches;
    expect(one.does).toMatch(/red clip on right rail.*black clip on left rail/);
    expect(one.sees).toBe(
      'Headlight A left, Headlight A right, Tail lamp B left, Tail lamp B right; nothing else',
    );
    expect(other.sees).toMatch(/^Tail lamp A left/);
  });
  test('it can be stopped, and tells how far it is', () => {
    const shares: number[] = [];
    const vehicle = benchOf(onRails('resistor-each'), vehicleId);
    expect(shortestProof(vehicle, (share) => shares.push(share) > 3)).toBeNull();
    expect(shares).toHaveLength(4);
  });
  test('half the light is not told by an eye, a lamp out is', () => {
    const full = new Map([['lamp-a', 90]]);
    expect(tellsApart(full, new Map([['lamp-a', 75]]))).toBe(false);
    expect(tellsApart(full, new Map([['lamp-a', 0]]))).toBe(true);
    expect(tellsApart(full, new Map([...full, ['lamp-b', 30]]))).toBe(true);
    expect(tellsApart(full, full)).toBe(false);
  });
});
