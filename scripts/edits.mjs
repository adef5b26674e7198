/* global document, performance, PerformanceObserver, requestAnimationFrame, KeyboardEvent, Buffer */
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { openChromium, provideChromium } from './browser.mjs';
import { root } from './steps.mjs';

// What a person feels of an edit, measured inside the page while one core is kept busy: when it is first
// shown, when the quick findings follow, when all have, and how long the page's own thread is held.
// Another build is measured by naming its folder: `node scripts/edits.mjs dist-of-another-build`.

const folder = resolve(process.argv[2] ?? join(root, 'dist'));
process.env.PORT ??= '4196';
const base = `http://127.0.0.1:${process.env.PORT}`;
const EDITS = 12;

/** Keeps a core busy until it is stopped. */
const busy = () => spawn(process.execPath, ['-e', 'for (;;) Math.sqrt(Math.random());'], { stdio: 'ignore' });

const median = (of) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;
const said = (of) => `median ${median(of).toFixed(0)}, worst ${Math.max(0, ...of).toFixed(0)} ms`;

/** Makes one edit in the page and waits until its findings have settled. */
async function edit(page, label, value) {
  const field = page.getByLabel(label, { exact: true }).first();
  await field.fill(value);
  await field.evaluate((input) => {
    const figure = document.querySelector('[data-figure="drawn"]');
    const findings = document.querySelector('.findings');
    const was = figure.textContent;
    const rules = () => [...document.querySelectorAll('.finding')].map((f) => f.textContent).join();
    const before = rules();
    const times = { shown: null, quick: null, all: null, held: [] };
    globalThis.times = times;
    const tasks = new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) times.held.push(entry.duration);
    });
    tasks.observe({ entryTypes: ['longtask'] });
    let wentBusy = false;
    const start = performance.now();
    const look = () => {
      const now = performance.now() - start;
      if (times.shown === null && figure.textContent !== was) times.shown = now;
      if (times.quick === null && rules() !== before) times.quick = now;
      if (findings.getAttribute('aria-busy') === 'true') wentBusy = true;
      else if (wentBusy && times.all === null) times.all = now;
      if (times.all === null || times.shown === null) requestAnimationFrame(look);
    };
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    look();
  });
  await page.waitForFunction(() => globalThis.times.all !== null && globalThis.times.shown !== null);
  await page.waitForTimeout(300);
  return page.evaluate(() => globalThis.times);
}

async function measured(browser, name, path, label, values, prepare) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  page.setDefaultTimeout(180_000);
  await page.goto(base + path);
  if (prepare) await prepare(page);
  await page.locator('.findings[aria-busy="false"]').waitFor();
  for (let i = 0; i < 3; i++) await edit(page, label, values[i % 2]);
  const load = busy();
  const runs = [];
  try {
    for (let i = 0; i < EDITS; i++) runs.push(await edit(page, label, values[(i + 1) % 2]));
  } finally {
    load.kill();
  }
  console.log(name);
  console.log(`  shown            ${said(runs.map((r) => r.shown))}`);
  console.log(`  quick findings   ${said(runs.flatMap((r) => (r.quick === null ? [] : [r.quick])))}`);
  console.log(`  all findings     ${said(runs.map((r) => r.all))}`);
  console.log(
    `  longest task     ${said(runs.map((r) => Math.max(0, ...r.held)))}; ${runs.reduce((n, r) => n + r.held.length, 0)} over 50 ms in ${EDITS} edits\n`,
  );
  await page.context().close();
}

/** A layout of forty jobs, out of the demo's. */
function forty() {
  const demo = JSON.parse(readFileSync(join(root, 'demo', 'brackwater-quay.hazel.json'), 'utf8'));
  const own = Object.entries(demo.jobs).filter(([, job]) => ['coach', 'locomotive'].includes(job.kind));
  for (let i = 0; Object.keys(demo.jobs).length < 40; i++) {
    const [id, job] = own[i % own.length];
    demo.jobs[`${id}-${i}`] = { ...job, name: `${job.name} ${i}`, order: 100 + i, variants: {} };
  }
  return Buffer.from(JSON.stringify({ ...demo, name: 'Forty jobs' }));
}

await import(pathToFileURL(join(folder, 'server', 'main.mjs')));
const executablePath = provideChromium();
if (!executablePath) throw new Error('the timings in the page need Chromium');
const browser = await openChromium(executablePath);
const open40 = async (page) => {
  await page.locator('input[type=file]').first().setInputFiles({
    name: 'forty.hazel.json',
    mimeType: 'application/json',
    buffer: forty(),
  });
  await page.getByText('Forty jobs').first().waitFor();
};
await measured(browser, 'an edit of the demo coach', '/bench/compartment-coach', 'A resistor for each lamp', [
  '470',
  '3k3',
]);
await measured(browser, 'an edit of the demo’s largest locomotive', '/bench/express-diesel', 'Headlight A', [
  '220',
  '2k2',
]);
await measured(
  browser,
  'an edit of one of forty jobs',
  '/bench/compartment-coach',
  'A resistor for each lamp',
  ['470', '3k3'],
  async (page) => {
    await open40(page);
    await page.goto(`${base}/bench/compartment-coach`);
    await page.locator('.findings').waitFor();
  },
);
{
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  page.setDefaultTimeout(180_000);
  await page.goto(base);
  await page.locator('.badge:not(.wait)').first().waitFor();
  await page.evaluate(() => {
    globalThis.held = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) globalThis.held.push(entry.duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  const load = busy();
  const start = Date.now();
  await open40(page);
  await page.waitForFunction(() => document.querySelectorAll('.job-card').length >= 40);
  const cards = Date.now() - start;
  await page.waitForFunction(() => document.querySelectorAll('.badge.wait').length === 0);
  const all = Date.now() - start;
  load.kill();
  const held = await page.evaluate(() => globalThis.held);
  console.log('forty jobs opened on the line');
  console.log(
    `  cards there after ${(cards / 1000).toFixed(1)} s, all judged after ${(all / 1000).toFixed(1)} s`,
  );
  console.log(
    `  ${held.length} tasks over 50 ms, ${(held.reduce((a, b) => a + b, 0) / 1000).toFixed(1)} s together, the longest ${Math.max(0, ...held).toFixed(0)} ms`,
  );
}
await browser.close();
process.exit(0);
