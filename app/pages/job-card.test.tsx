import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { benchOf } from '../../core/study/bench';
import { usualReadings } from '../../core/study/solver';
import { desk, hand } from '../workers/desk';
import { JobCard } from './job-card';
import type { LineFace } from '../kinds/face';
import type { Readings } from '../../core/study/readings';

const jobId = 'compartment-coach';
const layout = boatTrain();
const facts = vi.fn(() => ['lit']);
const face = { facts } as unknown as LineFace;
const never = {
  answer: new Promise<never>(() => undefined),
  onEarly: () => undefined,
  onShare: () => undefined,
  leave: () => undefined,
};

beforeEach(() => {
  facts.mockClear();
  for (const worker of [desk, hand]) vi.spyOn(worker, 'ask').mockReturnValue(never as never);
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const card = (readings: Readings | null | undefined) => (
  <MemoryRouter>
    <JobCard layout={layout} jobId={jobId} job={layout.jobs[jobId]} face={face} readings={readings} />
  </MemoryRouter>
);

test('says nothing of what is drawn until it is solved, nor where it cannot be', () => {
  const { rerender } = render(card(undefined));
  expect(screen.getByText('…')).toBeDefined();
  expect(facts).not.toHaveBeenCalled();
  rerender(card(null));
  expect(screen.getByText('–')).toBeDefined();
  const solved = usualReadings(benchOf(layout, jobId));
  rerender(card(solved));
  expect(screen.getByText(/^\d+(\.\d+)? mA$/)).toBeDefined();
  expect(screen.getByText('lit')).toBeDefined();
});

test('is worked out once for what was solved', () => {
  const solved = usualReadings(benchOf(layout, jobId));
  const { rerender } = render(card(solved));
  const asked = facts.mock.calls.length;
  rerender(card(solved));
  rerender(card(solved));
  expect(facts).toHaveBeenCalledTimes(asked);
});
