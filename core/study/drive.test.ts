import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { generatedJobs, generatedKinds } from '../../tests/kinds';
import { inOrder } from '../document/in-order';
import { chainOf } from '../document/line-stages';
import { driverOf } from '../document/aspect-record';
import { outputOf } from './aspects';
import { benchOf } from './bench';
import { isFed, phasesOf, shouldShine } from './drive';
import { statesOf, switchInput } from './states';
import type { AnyJob } from '../document/layout';
import type { Phase, State } from '../supply/state';

/** States that are looked at of a job. */
const MOST = 24;

/** By the document alone: whether nothing that a hand opens stands open on the way to a circuit. */
function isClosedTo({ lines, circuits }: AnyJob, circuitId: string, state: State): boolean {
  for (let id: string | null = circuits[circuitId].lineId; id !== null;) {
    const line: AnyJob['lines'][string] = lines[id];
    for (const stage of Object.values(line.stages)) {
      if (stage.kind === 'socket' && !stage.on) return false;
      if (stage.kind === 'switch' && !(state[switchInput(stage.name)] ?? stage.on)) return false;
    }
    id = line.from.kind === 'line' ? line.from.line : null;
  }
  return true;
}

const conducts = ({ slices }: Phase, output: string | null): boolean =>
  slices.some((s) => output !== null && s.conducting.has(output));

describe('what is fed in a state', () => {
  test.each(generatedKinds)(
    'a %s: circuits by the switches and outputs in their way, and no lamp without',
    (kind) => {
      let looked = 0;
      fc.assert(
        fc.property(generatedJobs[kind], ({ layout, jobId }) => {
          const bench = benchOf(layout, jobId);
          const { job } = bench;
          const driven = job.decoder !== null || driverOf(job) !== null;
          for (const state of statesOf(bench).states.slice(0, MOST))
            for (const phase of phasesOf(bench, state))
              for (const { id } of inOrder(job.circuits)) {
                const members = Object.keys(job.lamps).filter((l) => job.lamps[l].circuitId === id);
                const [{ from }] = chainOf(job, job.circuits[id].lineId);
                const byOutput = driven && from.kind === 'output';
                const open = !isClosedTo(job, id, state);
                const lit = members.filter((l) => conducts(phase, outputOf(job, l)));
                const fed = !open && (!byOutput || conducts(phase, from.output) || lit.length > 0);
                expect(isFed(job, id, state, phase), `${id} in ${JSON.stringify(state)}`).toBe(fed);
                for (const lamp of members) {
                  const should = shouldShine(job, lamp, false, state, phase);
                  if (!fed) expect(should, lamp).toBe(false);
                  if (byOutput) expect(should, lamp).toBe(!open && lit.includes(lamp));
                  looked++;
                }
              }
        }),
        { numRuns: 12, seed: 21 },
      );
      expect(looked).toBeGreaterThan(20);
    },
  );
  test('a lamp that hangs on nothing is never meant to shine', () => {
    const layout = structuredClone(boatTrain());
    const job = layout.jobs['railcar-tern'];
    const [lamp] = Object.keys(job.lamps);
    job.lamps[lamp].circuitId = null;
    const bench = benchOf(layout, 'railcar-tern');
    for (const state of statesOf(bench).states)
      for (const phase of phasesOf(bench, state))
        expect(shouldShine(job, lamp, false, state, phase)).toBe(false);
  });
});
