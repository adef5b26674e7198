// @vitest-environment happy-dom
import { describe, expect, test } from 'vitest';
import { quayside } from '../../tests/scenery';
import { change } from '../document/patch';
import { newScene } from '../kinds/scene/make';
import { sceneIn } from '../kinds/scene/jobs';
import { benchOf } from '../study/bench';
import { needsOf } from './lists/needs';
import { orderOf } from './order/order';
import { sheetBody } from './sheet/html';
import { sheetOf } from './sheet/sheet';
import { stringSvg } from './drawing/string-drawing';
import { wiresToLay } from './string-wiring';
import { wiringTable } from './wiring-table';

const { layout: begun, jobId } = newScene(quayside(), {
  name: 'Carousel',
  shape: 'ride',
  string: { sort: 'ribbon-60', count: 100 },
  motorVolts: null,
  supply: { id: 'bus-12' },
});
/** Fed at both ends through 300 mm each. */
const layout = change(begun, (draft) => {
  Object.assign(sceneIn(draft, jobId).string!, {
    feeds: [
      { at: 0, wireMillimetres: 300 },
      { at: 99, wireMillimetres: 300 },
    ],
    dataOhms: 390,
    dataMillimetres: 250,
    farads: 1000e-6,
    shifter: true,
  });
}).layout;
const bench = benchOf(layout, jobId);
const { string } = sceneIn(layout, jobId);
const rows = wiresToLay(bench);
const own = rows.filter((r) => r.lead.startsWith('string '));

describe('the wires of a string', () => {
  test('data through its resistor, plus and minus to each feed, and the minus it shares', () => {
    expect(own.map((r) => r.lead)).toEqual([
      'string data',
      'string plus 0',
      'string minus 0',
      'string plus 99',
      'string minus 99',
      'string joined',
    ]);
    expect(own[0].to).toContain('through 390');
    expect(own[0].from).toBe('level shifter, out');
    expect(own[3].to).toContain('lamp 100');
    // Cut long by 30 mm, in whole 5 mm.
    expect(own[1]).toMatchObject({ runMillimetres: 300, cutMillimetres: 330, fromPolarity: '+' });
    expect(own[2].sold).not.toBe(own[1].sold);
  });
  test('are numbered on from those of its lamps, each label once', () => {
    const labels = rows.map((r) => r.label);
    expect(new Set(labels).size).toBe(labels.length);
    expect(Number(own[0].label)).toBe(wiringTable(bench).length + 1);
  });
  test('stand on the lists with all it takes, and go with the task that joins it', () => {
    const needs = new Map(needsOf(layout, [jobId]).map((n) => [n.key, n.count]));
    expect(needs.get('string:ribbon-60')).toBe(100);
    expect(needs.get('resistor:390:0.25')).toBeGreaterThanOrEqual(1);
    expect(needs.get('level-shifter')).toBe(1);
    expect([...needs.keys()].some((k) => k.startsWith('reservoir:0.001'))).toBe(true);
    const order = orderOf(bench);
    const task = order.ok ? order.order.tasks.find((t) => t.id === 'work string')! : null;
    expect(task!.uses).toContainEqual({ key: 'string:ribbon-60', count: 100 });
    const cut = order.ok ? order.order.tasks.find((t) => t.id === 'cut')! : null;
    expect(cut!.makes).toEqual(expect.arrayContaining(own.map((r) => `cut ${r.lead}`)));
    expect(task!.needs.map((n) => n.task)).toContain('cut');
    const metres = cut!.uses.filter((u) => u.key.startsWith('wire:')).reduce((sum, u) => sum + u.count, 0);
    const laid = wiresToLay(bench).filter((r) => !r.direct);
    expect(metres).toBeCloseTo(laid.reduce((sum, r) => sum + r.cutMillimetres, 0) / 1000, 9);
  });
});

describe('the drawing of a string', () => {
  const svg = new DOMParser().parseFromString(stringSvg(string!, rows), 'image/svg+xml').documentElement;
  const words = [...svg.querySelectorAll('text')].map((t) => t.textContent);
  test('shows first and last lamp and each feed, with the labels of the table', () => {
    for (const row of own) expect(words).toContain(row.label);
    expect(words).toContain('1');
    expect(words).toContain('100');
    expect(words).toContain('…');
    expect(words).not.toContain('50');
  });
  test('stays within its size, carries no style, and is on the sheet', () => {
    const width = Number(svg.getAttribute('width'));
    for (const rect of svg.querySelectorAll('rect'))
      expect(Number(rect.getAttribute('x')) + Number(rect.getAttribute('width'))).toBeLessThanOrEqual(width);
    expect(svg.querySelector('style')).toBeNull();
    expect(sheetBody(sheetOf(layout, jobId, { findings: [] }))).toContain('class="string-wiring"');
  });
  test('a name of the person’s that looks like markup stays words', () => {
    const named = { ...string!, name: '<b>&"ring' };
    expect(stringSvg(named, rows)).not.toContain('<b>');
  });
});
