import { expose } from 'comlink';
import { describe, expect, test, vi } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { change, changedBy, type Patch } from '../../core/document/patch';
import { Desk, Hand, Overtaken } from './desk';
import { inTurns, Left } from './in-turns';
import type { Layout } from '../../core/document/layout';
import type { Heard } from './questions';

interface Told {
  readonly kind: 'hold' | 'changed' | 'ask' | 'leave';
  readonly name?: string;
  readonly patches?: readonly Patch[];
}

/** A worker that answers each question with the name of the layout it is asked of, when it is let. */
function fakeWorkers(answers = true) {
  const told: Told[] = [];
  const stopped: Worker[] = [];
  const waiting: (() => void)[] = [];
  let made = 0;
  const make = (): Worker => {
    made++;
    const held = new Map<number, Layout>();
    const { port1, port2 } = new MessageChannel();
    expose(
      {
        hold(id: number, layout: Layout) {
          told.push({ kind: 'hold' });
          held.set(id, layout);
        },
        holdChanged(id: number, base: number, patches: Patch[]) {
          told.push({ kind: 'changed', patches });
          held.set(id, changedBy(held.get(base)!, patches).layout);
        },
        release: (id: number) => void held.delete(id),
        async ask(_: number, name: string, id: number, __: unknown, hear: (heard: Heard) => void) {
          told.push({ kind: 'ask', name });
          hear({ share: 0.5 });
          hear({ early: `${held.get(id)!.name}, so far` });
          if (!answers) await new Promise<void>((resolve) => waiting.push(resolve));
          return held.get(id)!.name;
        },
        leave: () => void told.push({ kind: 'leave' }),
      },
      port2,
    );
    port2.start();
    port1.start();
    const worker = Object.assign(port1, {
      terminate() {
        stopped.push(worker);
        port1.close();
        port2.close();
      },
    }) as unknown as Worker;
    return worker;
  };
  const asked = (): (string | undefined)[] => told.filter((t) => t.kind === 'ask').map((t) => t.name);
  return { make, told, stopped, waiting, asked, made: () => made };
}

const layout = boatTrain();
/** With another name, of the layout and of the job that is asked about. */
const renamed = (name: string): Layout =>
  change(layout, (d) => void (d.name = d.jobs[demoJob].name = name)).layout;

describe('the desk', () => {
  test('is told a layout whole once, and of every other one what differs', async () => {
    const fake = fakeWorkers();
    const desk = new Desk(fake.make);
    expect(await desk.ask('usual', layout, { jobId: demoJob }).answer).toBe(layout.name);
    expect(await desk.ask('usual', renamed('Saltmarsh Halt'), { jobId: demoJob }).answer).toBe(
      'Saltmarsh Halt',
    );
    expect(await desk.ask('sweep', layout, { jobId: demoJob }).answer).toBe(layout.name);
    expect(fake.told.filter((t) => t.kind === 'hold')).toHaveLength(1);
    const changed = fake.told.filter((t) => t.kind === 'changed');
    expect(changed.map((t) => t.patches?.map((p) => p.path))).toEqual([
      [['name'], ['jobs', demoJob, 'name']],
    ]);
    desk.told.stop();
  });
  test('forty questions have one worker, and the same question is asked once', async () => {
    const fake = fakeWorkers();
    const desk = new Desk(fake.make);
    const jobs = Array.from({ length: 40 }, (_, i) => `job-${i % 20}`);
    await Promise.all(jobs.map((jobId) => desk.ask('usual', layout, { jobId }).answer));
    expect(fake.made()).toBe(1);
    expect(fake.asked()).toHaveLength(20);
    desk.told.stop();
  });
  test('forty jobs looked at again ask nothing; with one of them renamed, of that one alone', async () => {
    const fake = fakeWorkers();
    const desk = new Desk(fake.make);
    const [template] = Object.values(boatTrain().jobs);
    const ids = Array.from({ length: 40 }, (_, i) => `job-${i}`);
    const many = change(boatTrain(), (d) => {
      for (const id of ids) d.jobs[id] = structuredClone(template) as never;
    }).layout;
    const lookAt = async (of: Layout): Promise<number> => {
      const before = fake.asked().length;
      for (const jobId of ids)
        await Promise.all([
          desk.ask('usual', of, { jobId }).answer,
          desk.ask('judge', of, { jobId, asked: 'quick' }).answer,
        ]);
      return fake.asked().length - before;
    };
    expect(await lookAt(many)).toBe(80);
    expect(await lookAt(many)).toBe(0);
    const named = change(many, (d) => void (d.jobs['job-7'].name = 'Renamed')).layout;
    expect(await lookAt(named)).toBe(2);
    expect(await lookAt(named)).toBe(0);
    // A supply of one's own concerns all that hang on it, and here the drawer concerns all.
    const drawer = change(named, (d) => void (d.drawer.resistors = {})).layout;
    expect(await lookAt(drawer)).toBe(80);
    // A price is nothing that is judged; a sheet tells it.
    const priced = change(drawer, (d) => void (d.currency = 'CHF')).layout;
    expect(await lookAt(priced)).toBe(0);
    desk.told.stop();
  });
  test('a question is left when all who asked it have left, not before', async () => {
    const fake = fakeWorkers(false);
    const desk = new Desk(fake.make);
    const one = desk.ask('usual', layout, { jobId: demoJob });
    const two = desk.ask('usual', layout, { jobId: demoJob });
    one.leave();
    one.leave();
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(1));
    expect(fake.told.some((t) => t.kind === 'leave')).toBe(false);
    two.leave();
    await vi.waitFor(() => expect(fake.told.some((t) => t.kind === 'leave')).toBe(true));
    desk.told.stop();
  });
});

describe('the hand', () => {
  test('does one thing after another', async () => {
    const fake = fakeWorkers(false);
    const hand = new Hand(fake.make);
    const first = hand.ask('powerCut', layout, { jobId: demoJob });
    const second = hand.ask('stayingAlight', layout, { jobId: demoJob });
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(1));
    expect(fake.asked()).toEqual(['powerCut']);
    fake.waiting[0]();
    await first.answer;
    await vi.waitFor(() => expect(fake.asked()).toEqual(['powerCut', 'stayingAlight']));
    fake.waiting[1]();
    await second.answer;
  });
  test('stops what is no longer wanted and goes on with the rest', async () => {
    const fake = fakeWorkers(false);
    const hand = new Hand(fake.make);
    const search = hand.search('matchTrain', layout, { trainId: 'boat-train', carId: 'car-1' });
    const other = hand.ask('powerCut', layout, { jobId: demoJob });
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(1));
    search.leave();
    await expect(search.answer).rejects.toBeInstanceOf(Overtaken);
    expect(fake.stopped).toHaveLength(1);
    await vi.waitFor(() => expect(fake.asked()).toEqual(['matchTrain', 'powerCut']));
    expect(fake.made()).toBe(2);
    fake.waiting[1]();
    expect(await other.answer).toBe(layout.name);
  });
  test('what a person pressed for goes before what waits', async () => {
    const fake = fakeWorkers(false);
    const hand = new Hand(fake.make);
    const running = hand.ask('powerCut', layout, { jobId: demoJob });
    const waits = hand.ask('stayingAlight', layout, { jobId: demoJob });
    const pressed = hand.search('coach/cutting', layout, { jobId: demoJob, lampsStay: true });
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(1));
    fake.waiting[0]();
    await running.answer;
    await vi.waitFor(() => expect(fake.asked()).toEqual(['powerCut', 'coach/cutting']));
    fake.waiting[1]();
    await pressed.answer;
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(3));
    fake.waiting[2]();
    await waits.answer;
  });
  test('what waits is left without a word to the worker', async () => {
    const fake = fakeWorkers(false);
    const hand = new Hand(fake.make);
    const running = hand.ask('powerCut', layout, { jobId: demoJob });
    const waits = hand.ask('stayingAlight', layout, { jobId: demoJob });
    waits.leave();
    await expect(waits.answer).rejects.toBeInstanceOf(Overtaken);
    await vi.waitFor(() => expect(fake.waiting).toHaveLength(1));
    fake.waiting[0]();
    await running.answer;
    expect(fake.asked()).toEqual(['powerCut']);
    expect(fake.stopped).toEqual([]);
  });
});

describe('what can be said before an answer', () => {
  test('is heard by whoever asks the same, then or later, and by nobody who has left', async () => {
    const fake = fakeWorkers(false);
    const desk = new Desk(fake.make);
    const ask = () => desk.ask('usual', layout, { jobId: demoJob });
    const heard: string[] = [];
    const [first, left] = [ask(), ask()];
    first.onEarly((early) => heard.push(`first: ${String(early)}`));
    left.onEarly((early) => heard.push(`left: ${String(early)}`));
    left.leave();
    await vi.waitFor(() => expect(heard).toEqual([`first: ${layout.name}, so far`]));
    ask().onEarly((early) => heard.push(`later: ${String(early)}`));
    expect(heard.at(-1)).toBe(`later: ${layout.name}, so far`);
    fake.waiting[0]();
    expect(await first.answer).toBe(layout.name);
    expect(fake.asked()).toEqual(['usual']);
  });
  test('is how far it is, for a search', async () => {
    const fake = fakeWorkers();
    const shares: number[] = [];
    await new Hand(fake.make).search('compare', layout, { jobId: demoJob }, (s) => shares.push(s)).answer;
    await vi.waitFor(() => expect(shares).toEqual([0.5]));
  });
});

describe('work in steps', () => {
  const nobody = (): void => undefined;
  function* slowly(steps: number, milliseconds: number): Generator<string | undefined, string, void> {
    for (let i = 0; i < steps; i++) {
      const until = performance.now() + milliseconds;
      while (performance.now() < until);
      yield i === 1 ? 'so far' : undefined;
    }
    return 'done';
  }
  test('comes to its end', async () => {
    expect(await inTurns(slowly(3, 1), () => true, nobody)).toBe('done');
  });
  test('tells what can be said before it', async () => {
    const early: string[] = [];
    await inTurns(
      slowly(4, 1),
      () => true,
      (said) => early.push(said),
    );
    expect(early).toEqual(['so far']);
  });
  test('lets others have their turn', async () => {
    const seen: string[] = [];
    const work = inTurns(slowly(12, 3), () => true, nobody).then(() => seen.push('work'));
    setTimeout(() => seen.push('frame'), 1);
    await work;
    expect(seen).toEqual(['frame', 'work']);
  });
  test('is left as soon as it is no longer wanted', async () => {
    let wanted = true;
    setTimeout(() => (wanted = false), 1);
    await expect(inTurns(slowly(1000, 2), () => wanted, nobody)).rejects.toBeInstanceOf(Left);
  });
});
