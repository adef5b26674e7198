import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { randomEdit, seeded } from '../../tests/edits';
import { demo, demoJob } from '../../tests/generated';
import { attempt } from '../../core/document/gate';
import { writeLayout } from '../../core/document/file';
import { advanced, noStacks, type Stacks, type Step } from '../../core/document/history';
import { coachIn } from '../../core/kinds/coach/jobs';
import { patched } from '../../core/document/patch';
import { VERSION, type Layout } from '../../core/document/layout';
import { DATABASE, openDatabase, type Choice, type ShelfDatabase } from './database';
import type * as Merge from '../../core/document/merge';
import { LayoutKeeper, type Message, type SaveState } from './keeper';
import { reminded, reminderDue } from './reminder';
import { SecondCopies } from './second-copy';
import type { Known } from './commit';
import { Shelf } from './shelf';

/** Steps that merging left out, each proven to change nothing where it was left out. */
const leftOut = new Set<string>();
vi.mock('../../core/document/merge', async (original) => {
  const real = await original<typeof Merge>();
  const merged: typeof real.merged = (layout, theirs, mine) => {
    const done = real.merged(layout, theirs, mine);
    let at = layout;
    for (const step of mine) {
      const kept = done.kept.find((s) => s.id === step.id);
      if (kept) at = patched(at, kept.patches);
      else if (!done.clashes.some((c) => c.step.id === step.id)) {
        const undone = theirs.some((s) => s.kind === 'undo' && s.entryId === step.entryId);
        if (step.kind !== 'undo' || !undone)
          expect(writeLayout(patched(at, step.patches))).toBe(writeLayout(at));
        leftOut.add(step.id);
      }
    }
    return done;
  };
  return { ...real, merged };
});

const silent = { blocked: () => undefined, outdated: () => undefined, closed: () => undefined };
let db: ShelfDatabase;
let shelf: Shelf;
let clock = 1_800_000_000_000;
const DAY = 24 * 3600 * 1000;

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  db = await openDatabase(silent);
  shelf = new Shelf(db);
});

/** A window as the application has it: a layout on the screen, edits, and what its keeper tells it. */
class Window {
  layout: Layout;
  stacks: Stacks;
  choices: readonly Choice[] = [];
  readonly states: SaveState[] = [];
  outdated = false;
  written: Known | null = null;
  readonly keeper: LayoutKeeper;
  private count = 0;

  constructor(
    readonly name: string,
    known: { layout: Layout; seq: number; stacks: Stacks },
    id: string,
    send: (from: Window, message: Message) => void,
    of: () => Promise<Shelf> = () => Promise.resolve(shelf),
  ) {
    this.layout = known.layout;
    this.stacks = known.stacks;
    this.keeper = new LayoutKeeper(id, known, known.stacks, {
      shelf: of,
      send: (m) => send(this, m),
      onWritten: (known) => (this.written = known),
      now: () => clock,
      onMerged: (layout, stacks, choices) => {
        this.layout = layout;
        this.stacks = stacks;
        if (choices) this.choices = choices;
      },
      onState: (s) => this.states.push(s),
      onOutdated: () => (this.outdated = true),
    });
  }

  private make(
    kind: Step['kind'],
    label: string,
    entryId: string | null,
    made: Pick<Step, 'patches' | 'inverse'>,
  ): Step {
    const id = `${this.name}${++this.count}`;
    const { patches, inverse } = made;
    const step: Step = { id, kind, entryId: entryId ?? id, label, at: clock, patches, inverse };
    this.layout = patched(this.layout, patches);
    this.stacks = advanced(this.stacks, step);
    this.keeper.add(step);
    return step;
  }

  edit(recipe: Parameters<typeof attempt>[1], label = 'Edit', entryId: string | null = null): Step | null {
    const made = attempt(this.layout, recipe);
    if (!made.ok || made.change.patches.length === 0) return null;
    return this.make('edit', label, entryId, made.change);
  }

  undo(): Step | null {
    const entry = this.stacks.past[this.stacks.past.length - 1];
    if (!entry) return null;
    return this.make('undo', entry.label, entry.id, { patches: entry.inverse, inverse: entry.patches });
  }

  redo(): void {
    const entry = this.stacks.future[0];
    if (entry) this.make('redo', entry.label, entry.id, entry);
  }
}

async function opened(id: string): Promise<{ layout: Layout; seq: number; stacks: Stacks }> {
  const read = await shelf.open(id, clock);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read;
}
const nobody = (): void => undefined;

describe('one window', () => {
  test('300 edits survive a reload: all taken back is the first to the byte, all made again the last', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    const random = seeded(11);
    for (let n = 0; n < 300;) {
      const { recipe, label } = randomEdit(window.layout, random);
      if (window.edit(recipe, label)) n++;
      clock += 500;
      if (n % 7 === 0) await window.keeper.settled();
    }
    await window.keeper.settled();
    const last = writeLayout(window.layout);
    const again = new Window('b', await opened('quay'), 'quay', nobody);
    expect(writeLayout(again.layout)).toBe(last);
    expect(again.stacks.past).toHaveLength(300);
    while (again.undo());
    expect(writeLayout(again.layout)).toBe(writeLayout(demo()));
    await again.keeper.settled();
    const third = new Window('c', await opened('quay'), 'quay', nobody);
    expect(writeLayout(third.layout)).toBe(writeLayout(demo()));
    for (let i = 0; i < 300; i++) third.redo();
    expect(writeLayout(third.layout)).toBe(last);
    expect(third.stacks.future).toEqual([]);
  });

  test('a drag is written while it goes on, and is one entry', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    const first = window.edit((d) => void (coachIn(d, demoJob).wantedLux = 20), 'Light')!;
    for (let lux = 21; lux <= 60; lux++) {
      window.edit((d) => void (coachIn(d, demoJob).wantedLux = lux), 'Light', first.entryId);
      if (lux === 40) {
        await window.keeper.settled();
        // Still in motion: what is on the disc is where it is now.
        expect(coachIn((await opened('quay')).layout, demoJob).wantedLux).toBe(40);
      }
    }
    await window.keeper.settled();
    const { layout, stacks } = await opened('quay');
    expect(coachIn(layout, demoJob).wantedLux).toBe(60);
    expect(stacks.past).toHaveLength(1);
    expect((await shelf.history('quay')).steps.length).toBeLessThan(8);
  });

  test('a write that fails is tried again with all that came since, and is said meanwhile', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    let fails = 2;
    const window = new Window('a', await opened('quay'), 'quay', nobody, () =>
      fails-- > 0
        ? Promise.reject(new DOMException('no room', 'QuotaExceededError'))
        : Promise.resolve(shelf),
    );
    window.edit((d) => void (d.name = 'One'));
    await window.keeper.settled();
    expect(window.states.at(-1)).toEqual({ kind: 'full' });
    expect(window.keeper.waits).toBe(true);
    window.edit((d) => void (coachIn(d, demoJob).note = 'two'));
    await window.keeper.settled();
    await expect.poll(() => window.states.at(-1)?.kind, { timeout: 5000 }).toBe('saved');
    const { layout } = await opened('quay');
    expect([layout.name, coachIn(layout, demoJob).note]).toEqual(['One', 'two']);
  });

  test('when the site’s data are cleared the layout is kept again', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    await shelf.erase('quay');
    window.edit((d) => void (d.name = 'Still here'));
    await window.keeper.settled();
    expect((await opened('quay')).layout.name).toBe('Still here');
  });

  test.each([
    ['the other hears of it', 1],
    ['the other hears nothing', 0],
  ])(
    'data cleared under two windows: what either makes after, or had made before, is in both (%s)',
    async (_, heard) => {
      await shelf.add('quay', demo(), 'The demo', clock);
      const windows: Window[] = [];
      const send = (from: Window, m: Message): void => {
        if (m.kind !== 'steps' || heard === 0) return;
        for (const w of windows) if (w !== from) w.keeper.heard(m.steps, m.era);
      };
      const a = new Window('a', await opened('quay'), 'quay', send);
      windows.push(a);
      for (let k = 0; k < 20; k++) a.edit((d) => void (d.name = `Name ${k}`));
      await a.keeper.settled();
      const b = new Window('b', await opened('quay'), 'quay', send);
      windows.push(b);
      // Only b has this one when the data go.
      b.edit((d) => void (d.supplies[Object.keys(d.supplies)[0]].name = 'Made before'));
      await b.keeper.settled();
      await shelf.erase('quay');
      a.edit((d) => void (coachIn(d, demoJob).note = 'in a, after'));
      await a.keeper.settled();
      for (let k = 0; k < 55; k++) {
        b.edit((d) => void (d.currency = `C${k}` as never));
        await b.keeper.settled();
      }
      a.keeper.lookAgain();
      await a.keeper.settled();
      const { layout } = await opened('quay');
      for (const of of [layout, a.layout, b.layout])
        expect([
          of.name,
          coachIn(of, demoJob).note,
          Object.values(of.supplies).some((s) => s.name === 'Made before'),
          of.currency,
        ]).toEqual(['Name 19', 'in a, after', true, 'C54']);
      expect([...a.choices, ...b.choices]).toEqual([]);
    },
  );

  test('nothing is written over what a newer program wrote', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    await shelf.mark('quay', { version: VERSION + 1 });
    window.edit((d) => void (d.name = 'Old hand'));
    await window.keeper.settled();
    expect(window.outdated).toBe(true);
    expect((await shelf.history('quay')).steps).toEqual([]);
  });
});

describe('two windows', () => {
  test.each([21, 22, 23, 24])(
    '500 edits in random order: both end the same, every edit in force or a choice (seed %i)',
    async (seed) => {
      const random = seeded(seed);
      await shelf.add('quay', demo(), 'The demo', clock);
      const windows: Window[] = [];
      // Messages come late, and some not at all, as where a window was asleep.
      const letters: { to: Window; message: Message }[] = [];
      const send = (sender: Window, message: Message): void => {
        for (const to of windows) if (to !== sender && random() < 0.8) letters.push({ to, message });
      };
      windows.push(
        new Window('a', await opened('quay'), 'quay', send),
        new Window('b', await opened('quay'), 'quay', send),
      );
      const made: Step[] = [];
      while (made.length < 500) {
        const window = windows[Math.floor(random() * 2)];
        const turn = random();
        if (turn < 0.08) {
          const step = window.undo();
          if (step) made.push(step);
        } else {
          const { recipe, label } = randomEdit(window.layout, random);
          const step = window.edit(recipe, label);
          if (step) made.push(step);
        }
        clock += 300;
        if (random() < 0.35)
          await Promise.race([window.keeper.settled(), new Promise((r) => setTimeout(r, 1))]);
        if (random() < 0.5) {
          const letter = letters.shift();
          if (letter?.message.kind === 'steps')
            letter.to.keeper.heard(letter.message.steps, letter.message.era);
        }
      }
      for (let round = 0; round < 3; round++)
        for (const w of windows) {
          w.keeper.lookAgain();
          await w.keeper.settled();
        }
      const [a, b] = windows;
      expect(writeLayout(a.layout)).toBe(writeLayout(b.layout));
      const stored = await opened('quay');
      expect(writeLayout(stored.layout)).toBe(writeLayout(a.layout));
      expect(stored.stacks.past.map((e) => e.id)).toEqual(a.stacks.past.map((e) => e.id));
      const written = new Set((await shelf.history('quay')).steps.map((s) => s.id));
      const choices = await shelf.choices('quay');
      const waiting = new Set(choices.map((c) => c.id));
      for (const step of made)
        expect([step.id, written.has(step.id) || waiting.has(step.id) || leftOut.has(step.id)]).toEqual([
          step.id,
          true,
        ]);
      expect(written.size + waiting.size).toBeGreaterThan(450);
      expect(choices.length).toBeGreaterThan(0);
      for (const c of choices) expect(c.places.length).toBeGreaterThan(0);
    },
  );
  test('a window that slept while its steps were thinned out loses nothing: what it had made is a choice', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const sleeper = new Window('a', await opened('quay'), 'quay', nobody);
    const other = new Window('b', await opened('quay'), 'quay', nobody);
    for (let i = 0; i < 60; i++) {
      other.edit((d) => void (d.name = `Quay ${i}`));
      await other.keeper.settled();
      clock += DAY;
    }
    await shelf.thin('quay', clock);
    sleeper.edit((d) => void (coachIn(d, demoJob).note = 'from before'));
    await sleeper.keeper.settled();
    expect(sleeper.layout.name).toBe('Quay 59');
    expect(sleeper.choices.map((c) => c.places.some((p) => p.mine === 'from before'))).toEqual([true]);
    expect(writeLayout((await opened('quay')).layout)).toBe(writeLayout(sleeper.layout));
    // It goes on from there.
    sleeper.edit((d) => void (d.name = 'Awake'));
    await sleeper.keeper.settled();
    expect((await opened('quay')).layout.name).toBe('Awake');
    expect(sleeper.stacks.past).toHaveLength(1);
  });

  test('an edit is in the other window at once, without a disc in between', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const windows: Window[] = [];
    const send = (sender: Window, m: Message): void => {
      for (const w of windows) if (w !== sender && m.kind === 'steps') w.keeper.heard(m.steps, m.era);
    };
    windows.push(
      new Window('a', await opened('quay'), 'quay', send),
      new Window('b', await opened('quay'), 'quay', send),
    );
    windows[0].edit((d) => void (d.name = 'From the first'));
    await windows[0].keeper.settled();
    expect(windows[1].layout.name).toBe('From the first');
    windows[1].undo();
    await windows[1].keeper.settled();
    expect(windows[0].layout.name).toBe(demo().name);
    expect(windows[0].stacks.future).toHaveLength(1);
  });
});

describe('the shelf', () => {
  test('what the first version of the database held stands on it, with its copies as history', async () => {
    db.close();
    globalThis.indexedDB = new IDBFactory();
    const old = await openDB(DATABASE, 1, { upgrade: (d) => void d.createObjectStore('layouts') });
    const older = { ...demo(), name: 'Older' };
    await old.put('layouts', { savedAt: 5, layout: older }, 'snapshot 5');
    await old.put('layouts', { savedAt: 9, layout: demo() }, 'current');
    old.close();
    db = await openDatabase(silent);
    shelf = new Shelf(db);
    const [card] = await shelf.cards();
    expect((await opened(card.id)).layout).toEqual(demo());
    expect(await shelf.stateAt(card.id, 0)).toMatchObject({ name: 'Older' });
    expect(await shelf.setting('open')).toBe(card.id);
  });

  test('what does not validate is told with path and reason, stays as it is, and offers the last sound state', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    window.edit((d) => void (d.name = 'Good'));
    await window.keeper.settled();
    await shelf.nameState('quay', 1, 'good', clock);
    const broken = structuredClone(await shelf.stateAt('quay', 1)) as Layout;
    coachIn(broken, demoJob).wantedLux = -1;
    await db.put('kept', {
      layoutId: 'quay',
      seq: 2,
      at: clock,
      version: VERSION,
      layout: broken,
      origin: 'x',
      name: null,
      says: [],
      bytes: 1,
    });
    await db.put('cards', { ...(await db.get('cards', 'quay'))!, head: 2 });
    const before = JSON.stringify(await db.getAll('kept'));
    const read = await shelf.open('quay', clock);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.complaints[0]).toMatchObject({ path: `jobs.${demoJob}.wantedLux` });
    expect(!read.ok && read.raw).toEqual(broken);
    expect(!read.ok && read.sound).toMatchObject({ seq: 1, layout: { name: 'Good' } });
    expect(JSON.stringify(await db.getAll('kept'))).toBe(before);
  });

  test('an older layout is brought up to date once, and stays behind as it was', async () => {
    const old = { ...demo(), version: 3 } as Record<string, unknown>;
    delete old.lampSets;
    await shelf.add('old', old, 'x', clock);
    expect((await opened('old')).layout).toEqual(demo());
    expect(await shelf.stateAt('old', 0)).toEqual(old);
    expect((await opened('old')).seq).toBe(1);
  });

  test('thrown away is kept for thirty days', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    await shelf.mark('quay', { deletedAt: clock });
    await shelf.emptyBin(clock + 29 * DAY);
    expect((await opened('quay')).layout).toEqual(demo());
    await shelf.emptyBin(clock + 31 * DAY);
    expect(await shelf.cards()).toEqual([]);
    expect((await shelf.history('quay')).kept).toEqual([]);
  });

  test('old history thins out: the layout, named states and what undo needs stay, and room is won', async () => {
    const begin = clock;
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    const random = seeded(31);
    for (let day = 0; day < 120; day++) {
      for (let i = 0; i < 4; i++) {
        const { recipe, label } = randomEdit(window.layout, random);
        window.edit(recipe, label);
        clock += 20 * 60 * 1000;
        await window.keeper.settled();
      }
      if (day === 20)
        await shelf.nameState('quay', window.keeper.seq, 'before the coach went together', clock);
      clock = begin + (day + 1) * DAY;
    }
    const named = (await shelf.history('quay')).kept.find((k) => k.name !== null)!;
    const before = (await shelf.history('quay')).kept.length;
    const { bytes } = (await shelf.cards())[0];
    const after = await shelf.thin('quay', clock);
    expect(after).toBeLessThan(bytes * 0.6);
    const { kept, steps } = await shelf.history('quay');
    expect(kept.length).toBeLessThan(before / 2);
    expect(kept.find((k) => k.seq === named.seq)?.layout).toEqual(named.layout);
    expect(steps.every((s) => s.at >= clock - 30 * DAY)).toBe(true);
    expect(writeLayout((await opened('quay')).layout)).toBe(writeLayout(window.layout));
    // Every state that steps remain for can still be had.
    for (const s of steps.filter((_, i) => i % 9 === 0))
      expect(await shelf.stateAt('quay', s.seq)).toBeTruthy();
    // Once thin, it is not thinned further.
    expect(await shelf.thin('quay', clock)).toBe(after);
    const again = new Window('b', await opened('quay'), 'quay', nobody);
    while (again.undo());
    expect(again.stacks.past).toEqual(noStacks.past);
  });

  test('an export is reminded of when much has changed, once a week, or never', async () => {
    const card = await shelf.add('quay', demo(), 'The demo', clock);
    const much = { ...card, head: 80 };
    expect(await reminderDue(shelf, card, clock)).toBe(false);
    expect(await reminderDue(shelf, much, clock)).toBe(true);
    expect(await reminderDue(shelf, { ...much, exported: { at: clock, seq: 60 } }, clock)).toBe(false);
    await reminded(shelf, clock, false);
    expect(await reminderDue(shelf, much, clock + 6 * DAY)).toBe(false);
    expect(await reminderDue(shelf, much, clock + 8 * DAY)).toBe(true);
    await reminded(shelf, clock, true);
    expect(await reminderDue(shelf, much, clock + 80 * DAY)).toBe(false);
  });
});

describe('the second copy', () => {
  /** A place that is slow, and can be full. */
  function slowPlace() {
    const files = new Map<string, string>();
    let full = false;
    let writes = 0;
    const place = {
      all: () =>
        Promise.resolve([...files.values()].map((t): unknown => (t === 'torn' ? null : JSON.parse(t)))),
      put: async (id: string, text: string) => {
        writes++;
        await new Promise((done) => setTimeout(done, 2));
        if (full) throw new Error('full');
        files.set(id, text);
      },
      remove: (id: string) => Promise.resolve(void files.delete(id)),
    };
    return {
      files,
      place,
      writes: () => writes,
      fill: (is: boolean) => void (full = is),
      copies: new SecondCopies(() => Promise.resolve(place)),
    };
  }

  test('a database that was thrown away whole is had back as it was last written', async () => {
    const { copies } = slowPlace();
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    for (let lux = 20; lux < 40; lux++) {
      window.edit((d) => void (coachIn(d, demoJob).wantedLux = lux));
      await window.keeper.settled();
      copies.keep({ id: 'quay', at: clock, ...window.written! });
    }
    await copies.settled();
    db.close();
    globalThis.indexedDB = new IDBFactory();
    db = await openDatabase(silent);
    shelf = new Shelf(db);
    for (const copy of await copies.all()) expect(await shelf.takeBack(copy, clock)).toBe(true);
    const { layout, seq } = await opened('quay');
    expect(writeLayout(layout)).toBe(writeLayout(window.layout));
    // It can be gone on with, and taken back no further than there.
    const again = new Window('b', { layout, seq, stacks: noStacks }, 'quay', nobody);
    again.edit((d) => void (d.name = 'Gone on'));
    await again.keeper.settled();
    const { layout: later, stacks } = await opened('quay');
    expect(later.name).toBe('Gone on');
    expect(stacks.past).toHaveLength(1);
  });

  test('what the database has as new or newer is not touched; an older state is brought up', async () => {
    await shelf.add('quay', demo(), 'The demo', clock);
    const window = new Window('a', await opened('quay'), 'quay', nobody);
    window.edit((d) => void (d.name = 'Newer'));
    await window.keeper.settled();
    const old = { id: 'quay', seq: 0, at: clock, layout: demo() };
    expect(await shelf.takeBack(old, clock)).toBe(false);
    expect(await shelf.takeBack({ ...old, seq: 1 }, clock)).toBe(false);
    expect((await opened('quay')).layout.name).toBe('Newer');
    const ahead = { ...old, seq: 4, layout: { ...demo(), name: 'Ahead' } };
    expect(await shelf.takeBack(ahead, clock)).toBe(true);
    expect((await opened('quay')).layout.name).toBe('Ahead');
    expect(await shelf.stateAt('quay', 1)).toMatchObject({ name: 'Newer' });
  });

  test('of many edits the newest is written, one at a time; a full disc is tried again; a torn copy is passed over', async () => {
    const { copies, files, writes, fill } = slowPlace();
    const copy = (seq: number) => ({ id: 'quay', seq, at: clock, layout: demo() });
    for (let seq = 1; seq <= 50; seq++) copies.keep(copy(seq));
    await copies.settled();
    expect((await copies.all()).map((c) => c.seq)).toEqual([50]);
    expect(writes()).toBeLessThan(5);
    fill(true);
    copies.keep(copy(51));
    await copies.settled();
    fill(false);
    copies.keep(copy(52));
    await copies.settled();
    expect((await copies.all()).map((c) => c.seq)).toEqual([52]);
    files.set('other', 'torn');
    expect(await copies.all()).toHaveLength(1);
    await copies.forget('quay');
    expect(await copies.all()).toEqual([]);
  });
});
