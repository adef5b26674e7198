import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { gzipSync } from 'node:zlib';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { judged, openBrowser, serve } from './browser';

let browser: Browser;
let context: BrowserContext;
let host: Awaited<ReturnType<typeof serve>>;
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
  // One profile for all: what a page fetches is counted also where the browser has kept it.
  context = await browser.newContext({ viewport: sizes[0], reducedMotion: 'reduce' });
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

interface AxeResult {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
  }[];
}

/** What axe finds serious. */
async function serious(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  // What fades in is looked at when it is there.
  await expect.poll(() => page.evaluate(() => document.getAnimations().length)).toBe(0);
  const { violations } = await page.evaluate(() =>
    (globalThis as unknown as { axe: { run(options: object): Promise<AxeResult> } }).axe.run({
      resultTypes: ['violations'],
    }),
  );
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes.map((n) => `${n.html.slice(0, 120)} ${n.failureSummary.slice(0, 200)}`).join(' | ')}`,
    );
}

const sizes = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 800, height: 1280 },
] as const;

/** What is wider than the room it has, at each size; the page is made narrower while it stands. */
async function sideways(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const size of sizes) {
    await page.setViewportSize(size);
    const over = await page.evaluate(async () => {
      const frame = (): Promise<unknown> => new Promise((done) => requestAnimationFrame(done));
      // What is drawn by its room is drawn anew a frame after it has another.
      for (let k = 0; k < 4; k++) await frame();
      return [...document.querySelectorAll('.page, .choices, .findings, .picture, html')]
        .filter((e) => e.scrollWidth > e.clientWidth + 1)
        .map((e) => `${e.className}: ${e.scrollWidth} in ${e.clientWidth}`);
    });
    found.push(...over.map((o) => `${o} at ${size.width}`));
  }
  return found;
}

/** Every script a page has fetched, its worker's too; the browser keeps what both share after the first. */
function scriptsOf(page: Page): () => Promise<Buffer[]> {
  const scripts = new Map<string, Promise<Buffer>>();
  page.on('response', (r) => {
    if (!/\.js(\?|$)/.test(r.url()) || scripts.has(r.url())) return;
    const body = r.body();
    // One that is still on its way when the page closes is not counted; those counted fail below.
    body.catch(() => undefined);
    scripts.set(r.url(), body);
  });
  return () => Promise.all(scripts.values());
}

/** When a page stands as it will be looked at. */
async function stands(page: Page, path: string): Promise<void> {
  await page.locator('main h1, h1').first().waitFor({ state: 'attached' });
  // The layout has been opened: until then its buttons are asleep.
  if (path.startsWith('/shelf')) await page.locator('.layout-card.open, .version').first().waitFor();
  if (path.startsWith('/bench') || path.startsWith('/train')) {
    await judged(page);
    // What is faded is being worked out again; it is looked at when it stands.
    await expect.poll(() => page.locator('.stale, [aria-busy="true"]').count()).toBe(0);
  } else await page.waitForLoadState('networkidle');
  if (path.startsWith('/train')) await page.locator('.car-list li').first().waitFor();
  if (path === '/') await page.getByText('1 to stop for').first().waitFor();
  if (path === '/feeds') await page.locator('.plan-run:not(.track)').first().waitFor();
  if (path === '/feeds' || path === '/overhead') await page.locator('.finding').first().waitFor();
}

/** Words that only the code of one kind has, by kind. */
const own = { coach: 'dimmest window', locomotive: 'Lay a set at this end', model: 'on its stand, ' };
type Own = keyof typeof own;

/** Every main page, and the kinds whose code it may fetch where that is looked at. */
const pages: readonly (readonly [string, readonly Own[] | null])[] = [
  ['/', ['coach', 'locomotive', 'model']],
  ['/bench/compartment-coach', ['coach']],
  ['/bench/compartment-coach/lamps', ['coach']],
  ['/bench/compartment-coach/try', ['coach']],
  ['/bench/open-saloon/fit', ['coach']],
  ['/bench/heritage-coach/power', null],
  ['/bench/railcar-tern/functions', ['locomotive']],
  ['/bench/diesel-shunter/circuit', null],
  ['/bench/diesel-shunter/try', ['locomotive']],
  ['/bench/diesel-shunter/build', ['locomotive']],
  ['/bench/tug-dunlin/lamps', ['model']],
  ['/bench/harbour-office/circuit', null],
  ['/bench/quay-starter/aspects', null],
  ['/bench/quay-street/power', null],
  ['/bench/lighthouse/timeline', null],
  ['/train/boat-train', ['coach', 'locomotive']],
  ['/feeds', null],
  ['/overhead', null],
  ['/new', null],
  ['/new/coach', []],
  ['/new/scene', null],
  ['/new/crossing', null],
  ['/drawer', []],
  ['/at-bench/diesel-shunter', []],
  ['/sheet/diesel-shunter', []],
  ['/shelf', []],
  ['/shelf/history', null],
  ['/nowhere', null],
];

test.each(pages)(
  '%s: 480 kB of JavaScript at most, gzipped; nothing serious for axe; nothing sideways at 1280, 1024 and 800',
  async (path, kinds) => {
    const page = await context.newPage();
    page.setDefaultTimeout(60_000);
    const scripts = scriptsOf(page);
    await page.goto(host.base + path);
    await stands(page, path);
    const bodies = await scripts();
    const total = bodies.reduce((sum, b) => sum + gzipSync(b, { level: 6 }).length, 0);
    expect(total).toBeGreaterThan(50_000);
    expect(total).toBeLessThanOrEqual(480_000);
    if (kinds) {
      const text = bodies.join('\n');
      // What stands on the line is drawn there; its bench is not fetched.
      const foreign = (Object.keys(own) as Own[]).filter((k) => !kinds.includes(k));
      expect(foreign.filter((k) => text.includes(own[k]))).toEqual([]);
    }
    expect(await serious(page)).toEqual([]);
    expect(await sideways(page)).toEqual([]);
    await page.close();
  },
);
