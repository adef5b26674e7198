import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { change, changedBy, type Patch } from '../../core/document/patch';
import { useProgramStore } from '../store/program-store';
import { Desk, Hand } from './desk';
import { PROGRAM } from './program';
import { Told, WorkerLost } from './told';
import type { Layout } from '../../core/document/layout';
import type { QuestionName } from './desk';

const layout = boatTrain();
/** With another name, of the layout and of the job that is asked about. */
const renamed = (name: string): Layout =>
  change(layout, (d) => void (d.name = d.jobs[demoJob].name = name)).layout;

/** A port as a worker, and what makes it fail as one that does not load, or throws. */
function workerAt(port: MessagePort): { readonly worker: Worker; readonly die: () => void } {
  const failing: ((event: Event) => void)[] = [];
  const add = port.addEventListener.bind(port);
  const worker = Object.assign(port, {
    addEventListener: (type: string, listener: (event: Event) => void) =>
      type === 'error' ? void failing.push(listener) : add(type, listener as EventListener),
    terminate: () => port.close(),
  }) as unknown as Worker;
  return { worker, die: () => failing.forEach((f) => f(new Event('error'))) };
}

/** Workers that answer with the question and the name of the layout, unless `dies` says that they go instead. */
function mortal(dies: (asked: number) => boolean | 'silent', program = PROGRAM) {
  let asked = 0;
  let made = 0;
  const make = (): Worker => {
    made++;
    const held = new Map<number, Layout>();
    const { port1, port2 } = new MessageChannel();
    let silent = false;
    const forever = new Promise<never>(() => undefined);
    const { worker, die } = workerAt(port1);
    expose(
      {
        ping: () => (silent ? forever : true),
        program: () => program,
        hold: (id: number, whole: Layout) => void held.set(id, whole),
        holdChanged: (id: number, base: number, patches: Patch[]) =>
          void held.set(id, changedBy(held.get(base)!, patches).layout),
        release: (id: number) => void held.delete(id),
        leave: () => undefined,
        ask(_: number, name: string, id: number) {
          const end = dies(++asked);
          if (end === true) setTimeout(die);
          if (end === 'silent') silent = true;
          return end === false ? `${name} of ${held.get(id)!.name}` : forever;
        },
      },
      port2,
    );
    port2.start();
    port1.start();
    return worker;
  };
  return { make, made: () => made };
}

beforeEach(() => useProgramStore.getState().say(null));
afterEach(() => vi.useRealTimers());

describe('a worker that is lost', () => {
  const questions: QuestionName[] = ['frame', 'usual', 'judge', 'order', 'sheet', 'powerCut', 'shopping'];
  test.each(questions)(
    'at “%s” is started anew and asked once more: the answer is as without the loss',
    async (name) => {
      for (const asks of [Desk, Hand]) {
        const fake = mortal((asked) => asked === 2);
        const one = new asks(fake.make);
        const ask = (of: Layout): Promise<unknown> => one.ask(name, of, { jobId: demoJob } as never).answer;
        expect(await ask(layout)).toBe(`${name} of ${layout.name}`);
        expect(await ask(renamed('Saltmarsh Halt'))).toBe(`${name} of Saltmarsh Halt`);
        expect(fake.made()).toBe(2);
        expect(useProgramStore.getState().trouble).toBeNull();
      }
    },
  );
  test('twice at the same question says so, and the next question has a worker of its own', async () => {
    const fake = mortal((asked) => asked <= 2);
    const desk = new Desk(fake.make);
    await expect(desk.ask('usual', layout, { jobId: demoJob }).answer).rejects.toThrow(WorkerLost);
    expect(useProgramStore.getState().trouble).toEqual({ kind: 'computing' });
    expect(await desk.ask('usual', layout, { jobId: demoJob }).answer).toBe(`usual of ${layout.name}`);
    desk.told.stop();
  });
  test('that never loads fails within its second try, and nothing waits for ever', async () => {
    const told = new Told(() => {
      const { worker, die } = workerAt(new MessageChannel().port1);
      setTimeout(die);
      return worker;
    });
    await expect(told.ask(layout, (tasks) => tasks.ping())).rejects.toThrow(/layout is safe/);
  });
  test('because it is silent is given up after the beats it is granted, not before', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
    const fake = mortal((asked) => (asked === 1 ? 'silent' : false));
    const told = new Told(fake.make, 3);
    const answer = told.ask(layout, (tasks, number) => tasks.ask(1, 'usual', number, {}, null as never));
    // The first beat asks whether it lives; the three after it go by without a word.
    for (let beat = 0; beat < 3; beat++) {
      await vi.advanceTimersByTimeAsync(5000);
      expect(fake.made()).toBe(1);
    }
    await vi.advanceTimersByTimeAsync(5000);
    expect(await answer).toBe(`usual of ${layout.name}`);
    expect(fake.made()).toBe(2);
    told.stop();
  });
  test('two hundred times, at any question of many: every one has its own answer, or says that it was lost', async () => {
    let kills = 0;
    const fake = mortal((asked) => asked % 3 === 0 && ++kills <= 200);
    const told = new Told(fake.make, 6, 0);
    let lost = 0;
    for (let k = 0; kills < 200; k++) {
      const name = `Halt ${k}`;
      const of = renamed(name);
      const asked = questions.map((q) =>
        told.ask(of, (tasks, number) => tasks.ask(1, q, number, {}, null as never)),
      );
      const answers = await Promise.allSettled(asked);
      answers.forEach((a, i) => {
        if (a.status === 'fulfilled') expect(a.value).toBe(`${questions[i]} of ${name}`);
        else {
          expect(a.reason).toBeInstanceOf(WorkerLost);
          lost++;
        }
      });
    }
    expect(lost).toBeGreaterThan(0);
    told.stop();
  });
});

test('a worker of another build than the page is told of', async () => {
  const fake = mortal(() => false, 'another');
  const desk = new Desk(fake.make);
  await desk.ask('usual', layout, { jobId: demoJob }).answer;
  await vi.waitFor(() => expect(useProgramStore.getState().trouble).toEqual({ kind: 'updated' }));
  desk.told.stop();
});
