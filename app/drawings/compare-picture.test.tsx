import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { anyJobIn } from '../../core/document/jobs';
import { presetNameOf, type PresetName } from '../../core/document/presets';
import { compareStudy } from '../../core/finding/compare';
import { wiredBy } from '../../core/study/other-ways';
import { useLayoutStore } from '../store/layout-store';
import { ComparePicture } from './compare-picture';
import type { Layout } from '../../core/document/layout';
import type { PictureProps } from '../kinds/face';

vi.mock('../workers/use-study', () => ({
  textOf: String,
  useStudy: (_: string, layout: Layout, of: { jobId: string }) => ({
    answer: compareStudy(layout, of.jobId),
    failure: null,
    stale: false,
  }),
}));
vi.mock('../workers/desk', () => ({
  hand: {
    search: (_: string, layout: Layout, of: { jobId: string; way: PresetName }) => ({
      answer: Promise.resolve(wiredBy(layout, of.jobId, of.way)),
    }),
  },
}));

const jobId = 'diesel-shunter';
const now = (): Layout => useLayoutStore.getState().layout!;

function Shown() {
  const layout = useLayoutStore((s) => s.layout)!;
  return <ComparePicture {...({ layout, jobId, job: layout.jobs[jobId] } as PictureProps)} />;
}

beforeEach(() => useLayoutStore.getState().open(boatTrain()));
afterEach(cleanup);

describe('a job of any kind beside its variants', () => {
  test('another way is set beside, told in figures, built, and gone back from', async () => {
    render(<Shown />);
    const circuitId = Object.keys(now().jobs[jobId].circuits)[0];
    const before = structuredClone(now().jobs[jobId].circuits);
    fireEvent.click(screen.getByRole('button', { name: 'Keep it as it stands, to go back to' }));
    fireEvent.click(screen.getByRole('button', { name: 'A resistor each' }));
    const other = await screen.findByRole('row', { name: /A resistor each/ });
    const joints = (row: HTMLElement): number => Number(within(row).getAllByRole('cell')[3].textContent);
    expect(joints(other)).toBeGreaterThan(joints(screen.getByRole('row', { name: /As it stands/ })));
    fireEvent.click(within(other).getByRole('button', { name: 'Build it so' }));
    expect(presetNameOf(anyJobIn(now(), jobId), circuitId)).toBe('resistor-each');
    const kept = screen.getByRole('row', { name: /Kept/ });
    fireEvent.click(within(kept).getByRole('button', { name: 'Build it so' }));
    expect(now().jobs[jobId].circuits).toEqual(before);
    fireEvent.click(within(kept).getByRole('button', { name: 'Remove Kept' }));
    expect(Object.values(now().jobs[jobId].variants).map((v) => v.name)).toEqual(['A resistor each']);
  });

  test('what cannot be lit by a way is refused with its figures, and nothing is put beside', async () => {
    const layout = structuredClone(boatTrain());
    const supply = layout.supplies[layout.jobs[jobId].supplyId];
    if (supply.kind !== 'dc-track') throw new Error('the shunter runs on DC');
    supply.greatestVolts = 1.5;
    useLayoutStore.getState().open(layout);
    render(<Shown />);
    fireEvent.click(screen.getByRole('button', { name: 'Board with its own regulator' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(/Board with its own regulator: .*\d/);
    expect(now().jobs[jobId].variants).toEqual({});
  });
});
