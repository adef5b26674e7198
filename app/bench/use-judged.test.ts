import { act, renderHook, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { checkJob } from '../../core/finding/check';
import { change } from '../../core/document/patch';
import { demo, demoJob } from '../../tests/generated';
import { desk, hand } from '../workers/desk';
import { useJudged } from './use-judged';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';

afterEach(() => vi.restoreAllMocks());

test('after an edit what is wrong is there before its cures, which keep their places meanwhile', async () => {
  let early: (findings: Finding[]) => void = () => undefined;
  let whole: (findings: Finding[]) => void = () => undefined;
  vi.spyOn(hand, 'ask').mockReturnValue({
    answer: Promise.resolve([]) as never,
    onEarly: vi.fn(),
    onShare: vi.fn(),
    leave: vi.fn(),
  });
  vi.spyOn(desk, 'ask').mockImplementation(
    () =>
      ({
        answer: new Promise<Finding[]>((resolve) => (whole = resolve)),
        onEarly: (listener: typeof early) => (early = listener),
        onShare: () => undefined,
        leave: vi.fn(),
      }) as never,
  );
  const bright = (ohms: number): Layout =>
    change(demo(), (draft) => {
      for (const c of Object.values(draft.jobs[demoJob].circuits)) c.ohms = ohms;
    }).layout;
  const findings = checkJob(bright(47), demoJob, {}, 'quick');
  const next = checkJob(bright(56), demoJob, {}, 'quick');
  const tooBright = findings.find(
    (f) => f.remedies.length > 0 && next.some((n) => n.id === f.id && n.sentence !== f.sentence),
  )!;
  const { result, rerender } = renderHook(({ layout }) => useJudged(layout, demoJob), {
    initialProps: { layout: bright(47) },
  });
  await waitFor(() => expect(desk.ask).toHaveBeenCalledOnce());
  await act(async () => whole(findings));
  await waitFor(() => expect(result.current.stale).toBe(false));

  rerender({ layout: bright(56) });
  await waitFor(() => expect(desk.ask).toHaveBeenCalledTimes(2));
  act(() => early(next.map((f) => ({ ...f, remedies: [] }))));
  const shown = result.current.findings.find((f) => f.id === tooBright.id)!;
  expect(result.current.stale).toBe(true);
  expect(shown.sentence).not.toBe(tooBright.sentence);
  expect(shown.remedies).toBe(tooBright.remedies);
  await act(async () => whole(next));
  await waitFor(() => expect(result.current.stale).toBe(false));
  expect(result.current.findings.map((f) => f.remedies)).toEqual(next.map((f) => f.remedies));
});

test('what takes long is asked once what is there soon has spoken of the same edit', async () => {
  const tell: ((findings: Finding[]) => void)[] = [];
  const asked: string[] = [];
  const asking = (from: string, answer: Promise<Finding[]>) => {
    asked.push(from);
    return {
      answer,
      onEarly: (listener: (f: Finding[]) => void) => tell.push(listener),
      onShare: () => undefined,
      leave: vi.fn(),
    };
  };
  vi.spyOn(desk, 'ask').mockImplementation(() => asking('soon', new Promise(() => undefined)) as never);
  vi.spyOn(hand, 'ask').mockImplementation(() => asking('long', Promise.resolve([])) as never);
  const { rerender } = renderHook(({ layout }) => useJudged(layout, demoJob), {
    initialProps: { layout: demo() },
  });
  await waitFor(() => expect(asked).toEqual(['soon']));
  act(() => tell[0]([]));
  await waitFor(() => expect(asked).toEqual(['soon', 'long']));

  const edited = change(demo(), (draft) => {
    for (const c of Object.values(draft.jobs[demoJob].circuits)) c.ohms = 56;
  }).layout;
  rerender({ layout: edited });
  await waitFor(() => expect(asked).toEqual(['soon', 'long', 'soon']));
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(asked).toEqual(['soon', 'long', 'soon']);
  act(() => tell.at(-1)!([]));
  await waitFor(() => expect(asked).toEqual(['soon', 'long', 'soon', 'long']));
});
