import { describe, expect, test } from 'vitest';
import { boatTrain, demo } from '../../tests/generated';
import { ARCHIVE_VERSION, CONTENTS, historyFile, layoutFile, readArchive, writeArchive } from './archive';
import { change } from './patch';
import type { ArchivedHistory } from './archive';
import type { Layout } from './layout';

const kept = (layout: unknown, seq = 0) => ({
  seq,
  at: 1,
  version: demo().version,
  layout,
  origin: 'The demo',
  name: null,
  says: [],
  bytes: 10,
});
const renamed = change(boatTrain(), (d) => void (d.name = 'Saltmarsh Halt'));
const step = { seq: 1, id: 's', kind: 'edit' as const, entryId: 's', label: 'Name', at: 2, ...renamed };
const history: ArchivedHistory = { kept: [kept(boatTrain())], steps: [step] };
const one = (layout: Layout = renamed.layout, of: ArchivedHistory = history) =>
  writeArchive([{ folder: 'a', changedAt: 3, layout, history: of }]);
const read = (files: Record<string, string>) => {
  const answer = readArchive(files);
  if (!answer.ok) throw new Error(answer.reason);
  return answer.layouts;
};

describe('an archive of a shelf', () => {
  test('comes back as it went, with its history', () => {
    const [layout] = read(one());
    expect(layout).toMatchObject({ folder: 'a', changedAt: 3, complaints: [], historyRefused: null });
    expect(layout.layout).toEqual(renamed.layout);
    expect(layout.history!.steps[0].patches).toEqual(step.patches);
  });
  test('a layout that cannot be opened is told, and the others are not the worse for it', () => {
    const files = {
      ...writeArchive([
        { folder: 'a', changedAt: 1, layout: boatTrain(), history: { kept: [kept(boatTrain())], steps: [] } },
        { folder: 'b', changedAt: 2, layout: renamed.layout, history },
      ]),
      [layoutFile('a')]: '{"format": hello',
    };
    const layouts = read(files);
    expect(layouts[0]).toMatchObject({ layout: null, history: null });
    expect(layouts[0].complaints[0].reason).toMatch(/not JSON/);
    expect(layouts[1].layout?.name).toBe('Saltmarsh Halt');
  });
  test.each([
    [
      'missing',
      (f: Record<string, string>) => Reflect.deleteProperty(f, historyFile('a')),
      /not in the archive/,
    ],
    ['no history', (f: Record<string, string>) => (f[historyFile('a')] = '[]'), /not built like one/],
    [
      'of another layout',
      (f: Record<string, string>) =>
        (f[historyFile('a')] = JSON.stringify({ ...history, kept: [kept(demo())] })),
      /does not lead to the layout/,
    ],
    [
      'out of order',
      (f: Record<string, string>) =>
        (f[historyFile('a')] = JSON.stringify({ ...history, steps: [step, step] })),
      /out of order/,
    ],
    [
      'with a step that fits nowhere',
      (f: Record<string, string>) =>
        (f[historyFile('a')] = JSON.stringify({
          ...history,
          steps: [{ ...step, patches: [{ op: 'replace', path: ['jobs', 'ghost', 'name'], value: 'x' }] }],
        })),
      /do not fit together/,
    ],
  ])('a history that is %s is left behind, with the reason; the layout comes', (_, spoil, why) => {
    const files = one();
    spoil(files);
    const [layout] = read(files);
    expect(layout.layout?.name).toBe('Saltmarsh Halt');
    expect(layout.history).toBeNull();
    expect(layout.historyRefused).toMatch(why);
  });
  test.each([
    ['something else', {}, /holds no contents.json/],
    ['of another format', { [CONTENTS]: '{"format":"list"}' }, /not an archive of a shelf/],
    [
      'a newer one',
      { [CONTENTS]: JSON.stringify({ format: 'hazel-spark-shelf', version: ARCHIVE_VERSION + 1 }) },
      /newer Hazel Spark/,
    ],
    [
      'one that names a folder outside',
      {
        [CONTENTS]: JSON.stringify({
          format: 'hazel-spark-shelf',
          version: 1,
          layouts: [{ folder: '../../x', changedAt: 1 }],
        }),
      },
      /not built like one/,
    ],
  ])('%s is refused', (_, files, why) => {
    const answer = readArchive(files as unknown as Record<string, string>);
    expect(answer.ok).toBe(false);
    expect(!answer.ok && answer.reason).toMatch(why);
  });
});
