import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, test } from 'vitest';
import { boatTrain } from '../../../../tests/generated';
import { locomotiveIn } from '../../../../core/kinds/locomotive/jobs';
import { useLayoutStore } from '../../../store/layout-store';
import { BriefPanel } from './brief-panel';
import type { LocomotiveProps } from '../locomotive-props';

const JOB = 'diesel-shunter';

afterEach(cleanup);

test('the far end is made of the layout in force, not of one that is only looked at', () => {
  const store = () => useLayoutStore.getState();
  store().open(boatTrain());
  const looked = structuredClone(boatTrain());
  locomotiveIn(looked, JOB).body.lengthMillimetres = 77;
  looked.jobs['compartment-coach'].name = 'Only looked at';
  const props = { layout: looked, jobId: JOB, job: locomotiveIn(looked, JOB) } as LocomotiveProps;
  render(
    <MemoryRouter>
      <BriefPanel {...props} />
    </MemoryRouter>,
  );
  fireEvent.click(screen.getByText('A train set’s other end'));
  fireEvent.click(screen.getByRole('button', { name: 'Make the far end' }));
  const { jobs } = store().layout!;
  const before = boatTrain().jobs;
  const fresh = Object.keys(jobs).filter((id) => !(id in before));
  expect(fresh).toHaveLength(1);
  for (const id of Object.keys(before)) expect(jobs[id]).toEqual(before[id]);
  expect(locomotiveIn(store().layout!, fresh[0]).body.lengthMillimetres).toBe(
    locomotiveIn(boatTrain(), JOB).body.lengthMillimetres,
  );
});
