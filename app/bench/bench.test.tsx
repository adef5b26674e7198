import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { displayId, tug } from '../../tests/display-models';
import { checkJob } from '../../core/finding/check';
import { change } from '../../core/document/patch';
import { benchOf } from '../../core/study/bench';
import { inputsForHand, stateByHand } from '../../core/study/hand';
import { Solver } from '../../core/study/solver';
import { kindNames, kindRows } from '../kinds';
import { handOf, useRunStore } from '../store/run-store';
import { ControlsCard } from './controls-card';
import { FindingsPanel } from './findings-panel';
import { Pictures } from './pictures';
import { onStageKey } from './stage-keys';
import { Steps, stepState } from './steps';
import type { Layout } from '../../core/document/layout';
import type { Finding } from '../../core/finding/finding';
import type { Face, PictureProps } from '../kinds/face';
import type { Setting } from '../../core/supply/state';

const still = { samples: [], now: null, failure: null };

/** A job as everything on the bench gets it, solved at once. */
function of(layout: Layout, jobId: string, supplyId?: string): PictureProps {
  const hand = handOf(jobId);
  const bench = benchOf(layout, jobId, { supplyId: supplyId ?? hand.supplyId ?? undefined });
  const state = stateByHand(bench, hand.set);
  const readings = new Solver(bench).at(state);
  const solved = { bench, state, readings, failure: null };
  const { job } = bench;
  return { layout, jobId, job, solved, hand, live: still, flagged: new Set(), onState: () => undefined };
}

beforeEach(() => useRunStore.setState({ hands: {} }));
afterEach(cleanup);

describe('the card of controls is drawn from the inputs', () => {
  test('a coach on DCC has power and nothing else', () => {
    render(<ControlsCard {...of(boatTrain(), 'compartment-coach')} />);
    expect(screen.getAllByRole('switch').map((s) => s.getAttribute('aria-labelledby'))).toHaveLength(1);
    expect(screen.queryByRole('slider')).toBeNull();
    fireEvent.click(screen.getByRole('switch', { name: 'Power' }));
    expect(handOf('compartment-coach').power).toBe(false);
  });
  test('a locomotive on DC has direction, throttle and the two tracks it is tried on', async () => {
    render(<ControlsCard {...of(boatTrain(), 'diesel-shunter')} />);
    const throttle = await screen.findByRole('slider', { name: 'Throttle' });
    expect(throttle.getAttribute('aria-valuetext')).toBe('70 %');
    fireEvent.click(screen.getByText('Reverse'));
    expect(handOf('diesel-shunter').set).toEqual({ direction: 'reverse' });
    fireEvent.click(screen.getByText('DCC track'));
    expect(handOf('diesel-shunter').supplyId).toBe(boatTrain().jobs['diesel-shunter'].otherSupplyId);
  });
  test('a railcar on its decoder has its keys and its tail switch; the one that steps steps', () => {
    const { rerender } = render(<ControlsCard {...of(boatTrain(), 'railcar-tern')} />);
    expect(screen.getByRole('button', { name: 'F0' }).getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: 'F2' }));
    fireEvent.click(screen.getByRole('switch', { name: 'Tail switch' }));
    expect(handOf('railcar-tern').set).toEqual({ F2: true, 'switch Tail switch': false });
    rerender(<ControlsCard {...of(boatTrain(), 'express-diesel')} />);
    const steps = screen.getByRole('button', { name: /steps$/ });
    fireEvent.click(steps);
    expect(Object.values(handOf('express-diesel').set)).toEqual([1]);
  });
  test('a display model has its power alone', () => {
    render(<ControlsCard {...of(tug(), displayId)} />);
    expect(screen.getAllByRole('switch')).toHaveLength(1);
    expect(screen.getByText('3 × AA cell')).toBeDefined();
  });
});

describe('single keys on the stage', () => {
  function press(jobId: string, key: string, over: Partial<Parameters<typeof onStageKey>[0]> = {}) {
    const { solved } = of(boatTrain(), jobId);
    const did: (readonly [string, ...unknown[]])[] = [];
    const stage = {};
    let kept = false;
    onStageKey(
      {
        key,
        ctrlKey: false,
        metaKey: false,
        altKey: false,
        target: stage,
        currentTarget: stage,
        preventDefault: () => (kept = true),
        ...over,
      },
      {
        bench: solved.bench,
        state: solved.state,
        power: true,
        onPower: (power) => did.push(['power', power]),
        onSet: (input: string, setting: Setting) => did.push(['set', input, setting]),
        onStep: (by) => did.push(['step', by]),
      },
    );
    return { did, kept };
  }
  test('P power, brackets step, R reverses, arrows the throttle, digits the functions', () => {
    expect(press('railcar-tern', 'P').did).toEqual([['power', false]]);
    expect(press('railcar-tern', ']').did).toEqual([['step', 1]]);
    expect(press('railcar-tern', '[').did).toEqual([['step', -1]]);
    expect(press('railcar-tern', 'r').did).toEqual([['set', 'direction', 'reverse']]);
    expect(press('railcar-tern', '0').did).toEqual([['set', 'F0', false]]);
    expect(press('diesel-shunter', 'ArrowUp').did).toEqual([['set', 'throttle', 0.75]]);
    expect(press('diesel-shunter', 'ArrowLeft').did).toEqual([['set', 'throttle', 0.65]]);
    expect(press('express-diesel', '6').did).toEqual([['set', 'presses', 1]]);
  });
  test('what has no input is let through: no throttle on DCC, no keys on DC, no direction for a coach', () => {
    for (const [job, key] of [
      ['railcar-tern', 'ArrowUp'],
      ['diesel-shunter', '0'],
      ['compartment-coach', 'r'],
      ['compartment-coach', 'x'],
    ])
      expect(press(job, key)).toEqual({ did: [], kept: false });
  });
  test('with Ctrl, or in a field on the stage, they are not taken', () => {
    expect(press('railcar-tern', 'p', { ctrlKey: true }).did).toEqual([]);
    expect(press('railcar-tern', 'p', { target: {} }).did).toEqual([]);
  });
  test('every input with a key is said to have one', () => {
    const keys = inputsForHand(benchOf(boatTrain(), 'express-diesel')).flatMap((i) => i.key ?? []);
    expect(keys.sort()).toEqual(['0', '2', '6', 'r']);
  });
});

const faces = await Promise.all(kindNames.map(async (kind) => [kind, await kindRows[kind].face()] as const));
const layoutOf = (kind: string): readonly [Layout, string] => {
  const [id] = Object.entries(boatTrain().jobs).find(([, j]) => j.kind === kind)!;
  return [boatTrain(), id];
};

describe.each(faces)('the face of a %s', (kind, face: Face) => {
  test('opens at one of its stages, and every stage has a picture that is there', () => {
    const ids = face.stages.map((s) => s.id);
    expect(ids).toContain(face.opensAt);
    expect(new Set(ids).size).toBe(ids.length);
    expect(face.stages.map(({ id, name, says }) => ({ id, name, says }))).toEqual([...kindRows[kind].stages]);
    for (const s of face.stages) expect(face.pictures.map((p) => p.id)).toContain(s.picture);
  });
  test('knows the stage at which each finding of the demo is put right', () => {
    const layout = boatTrain();
    for (const [id, job] of Object.entries(layout.jobs)) {
      if (job.kind !== kind) continue;
      for (const f of checkJob(layout, id))
        for (const path of f.paths) expect(face.stages.map((s) => s.id)).toContain(face.stageOf(path));
    }
  });
  test('says what is to be seen, and draws it', () => {
    const [layout, jobId] = layoutOf(kind);
    const props = of(layout, jobId);
    expect(face.says(props.solved)).toMatch(/\w/);
    const { Scene, Figures } = face;
    const { container } = render(
      <>
        <Scene {...props} />
        <Figures {...props} />
      </>,
    );
    expect(container.querySelectorAll('svg[role="img"]').length).toBeGreaterThan(0);
    expect(container.querySelector('[data-figure="drawn"]')?.textContent).toMatch(/\d\s*(mA|A|µA)/);
  });
  test('looks from afar as tall as it is, with facts for its card', async () => {
    const [layout, jobId] = layoutOf(kind);
    const { job, solved } = of(layout, jobId);
    const line = await kindRows[kind].line();
    const { floor, top } = line.heights(job);
    expect(top).toBeGreaterThan(floor);
    expect(line.facts(layout, job, solved.readings).join()).toMatch(/\w/);
    expect(line.facts(layout, job, null).join()).toMatch(/\w/);
    const { container } = render(
      <svg>
        <line.OnLine
          job={job}
          readings={solved.readings}
          view={{ roof: true, by: 'night', side: 'far' }}
          turned
        />
      </svg>,
    );
    expect(container.querySelectorAll('path, rect, circle').length).toBeGreaterThan(3);
  });
});

const wrong = (path: (string | number)[], severity: Finding['severity'] = 'mind'): Finding => ({
  id: 'one',
  rule: 'one',
  severity,
  title: 'Too hot',
  sentence: 'It turns 0.3 W into heat and bears 0.25 W.',
  reason: 'Heat grows with the square of the current.',
  subject: {},
  paths: [path],
  terminals: [],
  figures: [],
  remedies: [{ label: 'A 1/2 W body', patches: [] }],
});

describe('the steps of the work', () => {
  const face = faces[0][1];
  const at = ['jobs', 'x', 'circuits', 'roof', 'ratedWatts'];
  test('need attention where something is to be put right; a note needs none', () => {
    expect(stepState(face, 'circuit', null)).toBe('open');
    expect(stepState(face, 'circuit', [wrong(at)])).toBe('attention');
    expect(stepState(face, 'lamps', [wrong(at)])).toBe('settled');
    expect(stepState(face, 'circuit', [wrong(at, 'note')])).toBe('settled');
  });
  test('say which one is open and how each stands', () => {
    render(
      <MemoryRouter>
        <Steps face={face} jobId="x" stage="lamps" findings={[wrong(at)]} />
      </MemoryRouter>,
    );
    expect(screen.getByRole('link', { current: 'step' }).textContent).toMatch(/Lamps, settled/);
    expect(screen.getByRole('link', { name: /Circuit/ }).textContent).toMatch(/needs attention/);
  });
});

describe('what needs attention', () => {
  const panel = (over: Partial<Parameters<typeof FindingsPanel>[0]> = {}) => (
    <FindingsPanel
      findings={[wrong(['jobs'])]}
      stale={false}
      failure={null}
      previewed={null}
      onPreview={() => undefined}
      onApply={() => undefined}
      {...over}
    />
  );
  test('each with its figure, its reason when asked, and its cure', async () => {
    const onApply = vi.fn();
    render(panel({ onApply }));
    expect(screen.getByText(/0\.3 W into heat/)).toBeDefined();
    fireEvent.click(screen.getByText('Why'));
    expect(await screen.findByText(/square of the current/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'A 1/2 W body' }));
    expect(onApply).toHaveBeenCalledOnce();
  });
  test('while it is judged anew nothing can be applied; when all is well it says so', () => {
    const asleep = (): boolean =>
      screen.getByRole('button', { name: 'A 1/2 W body' }).closest('fieldset')!.disabled;
    const { rerender } = render(panel({ stale: true }));
    expect(asleep()).toBe(true);
    rerender(panel({ stale: false }));
    expect(asleep()).toBe(false);
    rerender(panel({ findings: [] }));
    expect(screen.getByText('Nothing does')).toBeDefined();
  });
});

describe('the drawings of a job', () => {
  test('only those that make sense are offered, and one that is not falls back', () => {
    const picture = (id: string, there = true): Face['pictures'][number] => ({
      id,
      name: id,
      Picture: () => <p>{`drawn: ${id}`}</p>,
      when: () => there,
    });
    const face = {
      ...faces[0][1],
      pictures: [picture('circuit'), picture('throttle', false), picture('light')],
    };
    render(<Pictures face={face} stage="try" of={of(boatTrain(), 'compartment-coach')} />);
    expect(screen.getAllByRole('radio')).toHaveLength(2);
    expect(screen.getByText('drawn: circuit')).toBeDefined();
    fireEvent.click(screen.getByText('light'));
    expect(screen.getByText('drawn: light')).toBeDefined();
  });
  test('a hand on an input that is gone is not heeded', () => {
    useRunStore.getState().setInput('compartment-coach', 'throttle', 0.2);
    const onDc = change(
      boatTrain(),
      (d) => void (d.jobs['compartment-coach'].supplyId = 'test-track'),
    ).layout;
    expect(of(boatTrain(), 'compartment-coach').solved.state.throttle).toBeUndefined();
    const dc = Object.entries(onDc.supplies).find(([, s]) => s.kind === 'dc-track')![0];
    expect(of(boatTrain(), 'compartment-coach', dc).solved.state.throttle).toBe(0.2);
  });
});
