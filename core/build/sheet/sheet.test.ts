// @vitest-environment happy-dom
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { anyJobIn } from '../../document/jobs';
import { change } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { tick, writeNote } from '../progress';
import { sheetBody, sheetHtml } from './html';
import MarkdownIt from 'markdown-it';
import { escaped } from '../drawing/xml-text';
import { sheetMarkdown } from './markdown';
import { sheetOf, wireLabels } from './sheet';
import { minuteWords } from '../order/minutes';
import { sheetTables, sheetTasks } from './tables';

const hostile = '<img src=x onerror=alert(1)> | *x*\n# y';

describe('the sheet of every job of the demo', () => {
  // The harbour office is left with a plug that does not pass its hole: there is no order for it.
  test.each(Object.keys(boatTrain().jobs).filter((id) => id !== 'harbour-office'))(
    '%s: each task, wire and part is on it, as Markdown and as HTML',
    (id) => {
      const sheet = sheetOf(boatTrain(), id, { findings: [] });
      const [markdown, html] = [sheetMarkdown(sheet), sheetHtml(sheet)];
      const page = new DOMParser().parseFromString(html, 'text/html');
      const tasks = sheetTasks(sheet);
      expect(tasks.length).toBeGreaterThan(10);
      expect(page.querySelectorAll('ol.tasks li')).toHaveLength(tasks.length);
      expect(markdown.match(/^\d+\. \[ \] /gm)).toHaveLength(tasks.length);
      for (const t of tasks) expect(page.body.textContent).toContain(t.does);
      const titles = [...page.querySelectorAll('h2')].map((h) => h.textContent);
      for (const { title, rows } of sheetTables(sheet)) {
        expect(titles).toContain(title);
        for (const row of rows) for (const c of row) expect(page.body.textContent).toContain(c);
        expect(markdown).toContain(`## ${title}`);
      }
      expect(page.querySelectorAll('svg.wiring')).toHaveLength(1);
      expect(page.querySelectorAll('script')).toHaveLength(0);
    },
  );
  test('where something does not pass, the sheet says what instead of an order', () => {
    const page = sheetMarkdown(sheetOf(boatTrain(), 'harbour-office', { findings: [] }));
    expect(page).not.toMatch(/^\d+\. \[ \] /m);
    expect(page).toMatch(/6 mm|does not pass|does not go/);
  });
  test('functions are on the sheet of what has a decoder, and of nothing else', () => {
    const titles = (id: string): string[] =>
      sheetTables(sheetOf(boatTrain(), id, { findings: [] })).map((t) => t.title);
    expect(titles('railcar-tern')).toContain('Functions');
    expect(titles('diesel-shunter')).not.toContain('Functions');
  });
  test('cautions are told where they are due: fumes with an iron, eyes with a drill, polarity with an electrolytic', () => {
    const of = (id: string): string => sheetOf(boatTrain(), id, { findings: [] }).cautions.join(' ');
    expect(of('diesel-shunter')).toMatch(/Fumes.*Eye protection/);
    expect(of('compartment-coach')).toMatch(/electrolytic/);
    expect(of('diesel-shunter')).not.toMatch(/electrolytic/);
  });
  test('every wire that is cut has a label for either end', () => {
    const sheet = sheetOf(boatTrain(), 'diesel-shunter', { findings: [] });
    const labels = wireLabels(sheet);
    expect(labels).toHaveLength(2 * sheet.wiring.filter((r) => !r.direct).length);
  });
});

test('what dries is told with what goes on meanwhile, and none of that waits for it', () => {
  let told = 0;
  for (const id of Object.keys(boatTrain().jobs)) {
    const sheet = sheetOf(boatTrain(), id, { findings: [] });
    const tasks = sheet.ordered.ok ? sheet.ordered.order.tasks : [];
    sheetTasks(sheet).forEach((t, i) => {
      const found = /meanwhile (\d+)(?: to (\d+))?/.exec(t.figures);
      if (!found) return;
      told++;
      expect(Number(found[1])).toBe(i + 2);
      for (let n = i + 1; n < Number(found[2] ?? found[1]); n++)
        expect(tasks[n].needs.map((need) => need.task)).not.toContain(tasks[i].id);
    });
  }
  expect(told).toBeGreaterThan(5);
});

describe('what was found', () => {
  const sheet = sheetOf(boatTrain(), 'compartment-coach', {
    findings: checkJob(boatTrain(), 'compartment-coach'),
  });
  test('a stop says “not yet” above everything, with its figure and what cures it', () => {
    const [markdown, html] = [sheetMarkdown(sheet), sheetBody(sheet)];
    for (const text of [markdown, html]) {
      const stop = text.indexOf('Not yet');
      expect(stop).toBeGreaterThan(0);
      for (const later of ['Fumes', 'In this order', 'What it takes', 'Drill', 'Wires'])
        expect(text.indexOf(later), later).toBeGreaterThan(stop);
    }
    expect(markdown).toMatch(/Not yet[^#]*17\.3 V[^#]*What would put it right: Fit 470/);
  });
  test('nothing found, nothing said', () => {
    const clear = sheetOf(boatTrain(), 'compartment-coach', { findings: [] });
    expect(sheetMarkdown(clear)).not.toMatch(/Not yet|Will disappoint|Good to know/);
  });
});

describe('what a person wrote', () => {
  const layout = change(tug(100), (draft) => {
    const job = anyJobIn(draft, displayId);
    job.name = hostile.replace('\n', ' ');
    job.note = hostile;
    job.progress.count = 3;
    tick(draft, displayId, { id: 'test lamp-1', uses: [] }, true);
    writeNote(draft, displayId, { id: 'test lamp-1' }, hostile);
  }).layout;
  const sheet = sheetOf(layout, displayId, { findings: [] });

  test('is text, whatever it looks like', () => {
    const page = new DOMParser().parseFromString(sheetHtml(sheet), 'text/html');
    expect(page.querySelectorAll('img')).toHaveLength(0);
    expect(page.querySelector('h1')!.textContent).toContain('<img src=x');
    const markdown = sheetMarkdown(sheet);
    expect(markdown).not.toMatch(/(?<!\\)<img|^# y/m);
    expect(markdown).toContain('\\*x\\*');
  });
  test.each([
    '- a list',
    '1. first',
    '=== under',
    '&copy; 1',
    '| a | b |',
    '    code',
    ':-- x',
    '+ plus',
    '2) two',
  ])('a note “%s” is a line of text to a Markdown reader (CommonMark)', (note) => {
    const [before, after] = sheetMarkdown({ ...sheet, note })
      .split(/\n\n/)
      .slice(1, 3);
    const page = new DOMParser().parseFromString(
      new MarkdownIt().render(`${before}\n\n${after}`),
      'text/html',
    );
    expect([...page.body.children].map((e) => e.tagName)).toEqual(['P', 'P']);
    expect(page.body.children[1].textContent).toBe(note.trim());
  });
  test('has no sign that no SVG may hold (XML 1.0, 2.2)', () => {
    const text = escaped('a\u0000b\u001Bc\uD800d\uFFFE<');
    expect(text).toBe('a\uFFFDb\uFFFDc\uFFFDd\uFFFD&lt;');
    expect(escaped('Zug \u{1F682}\n')).toBe('Zug \u{1F682}\n');
  });
  test('a ticked task and its note, and how many are built, are on it', () => {
    expect(sheetBody(sheet)).toMatch(/× 3/);
    expect(sheetMarkdown(sheet)).toMatch(/^\d+\. \[x\] \*\*Test 6 ×/m);
    expect(sheetTasks(sheet).find((t) => t.done)!.note).toBe(hostile);
  });
});

test('a job whose leads do not pass has a sheet that says so, and what frees it', () => {
  const layout = change(tug(100), (draft) => {
    anyJobIn(draft, displayId).passages.tube.boreMillimetres = 0.3;
  }).layout;
  const markdown = sheetMarkdown(sheetOf(layout, displayId, { findings: [] }));
  expect(markdown).toMatch(/There is no order that works/);
  expect(markdown).toMatch(/Take thinner wire/);
  expect(sheetBody(sheetOf(layout, displayId, { findings: [] }))).toMatch(/What would free it/);
});

test.each([
  [0.3, '1 min'],
  [59.4, '59 min'],
  [60, '1 h'],
  [80, '1 h 20 min'],
])('%d minutes are %s', (minutes, words) => expect(minuteWords(minutes)).toBe(words));
