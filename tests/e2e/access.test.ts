import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { figure, finding, judged, openBrowser, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
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

async function serious(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  // What fades in is looked at when it is there.
  await expect.poll(() => page.evaluate(() => document.getAnimations().length)).toBe(0);
  const { violations } = await page.evaluate(() =>
    (globalThis as unknown as { axe: { run(): Promise<AxeResult> } }).axe.run(),
  );
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes.map((n) => `${n.html.slice(0, 120)} ${n.failureSummary.slice(0, 200)}`).join(' | ')}`,
    );
}

describe('axe finds nothing serious', () => {
  let page: Page;
  let context: BrowserContext;
  beforeAll(async () => {
    ({ page, context } = await visit(browser, host.base));
    await page.getByText('Compartment coach 14').first().waitFor();
  });
  afterAll(async () => void (await context?.close()));
  test.each([
    '/',
    '/bench/compartment-coach',
    '/bench/compartment-coach/try',
    '/feeds',
    '/overhead',
    '/bench/carousel/timeline',
    '/new/scene',
    '/bench/open-saloon/fit',
    '/bench/heritage-coach/power',
    '/new',
    '/train/boat-train',
    '/bench/railcar-tern/functions',
    '/bench/diesel-shunter/try',
    '/new/coach',
    '/bench/harbour-office/circuit',
    '/new/crossing',
    '/bench/quay-starter/aspects',
    '/bench/quay-street/power',
    '/drawer',
    '/bench/diesel-shunter/build',
    '/at-bench/diesel-shunter',
    '/sheet/diesel-shunter',
    '/shelf',
    '/shelf/history',
    '/nowhere',
  ])('on %s', async (path) => {
    await page.goto(host.base + path);
    await page.locator('main h1').first().waitFor({ state: 'attached' });
    // The layout has been opened: until then its buttons are asleep.
    if (path.startsWith('/shelf')) await page.locator('.layout-card.open, .version').first().waitFor();
    if (path.startsWith('/bench') || path.startsWith('/train')) {
      await judged(page);
      // What is faded is being worked out again; it is looked at when it stands.
      await expect.poll(() => page.locator('.stale, [aria-busy="true"]').count()).toBe(0);
    }
    if (path === '/') await page.getByText('1 to stop for').waitFor();
    if (path === '/feeds' || path === '/overhead') await page.locator('.finding').first().waitFor();
    expect(await serious(page)).toEqual([]);
  });
});

/** Presses Tab until what has the focus matches. */
async function tabTo(page: Page, matches: string): Promise<void> {
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Tab');
    if (await page.evaluate((selector) => document.activeElement?.matches(selector) ?? false, matches))
      return;
  }
  throw new Error(`no way by Tab to ${matches}`);
}

describe('keyboard alone', () => {
  test('from the line to the bench, a value, the remedy, the power, undone', async () => {
    const { page, context } = await visit(browser, host.base);
    await page.getByText('1 to stop for').waitFor();
    await tabTo(page, '.job-card[href="/bench/compartment-coach"]');
    await page.keyboard.press('Enter');
    await judged(page);
    await tabTo(page, '.stage');
    await page.keyboard.press('p');
    await expect.poll(() => figure(page, 'drawn')).toMatch(/^0/);
    await page.keyboard.press('p');
    await page.keyboard.press('?');
    await page.getByText('While the stage has the focus').waitFor();
    await page.keyboard.press('Escape');
    await page.getByText('While the stage has the focus').waitFor({ state: 'hidden' });
    const field = page.getByLabel('A resistor for each lamp');
    await tabTo(page, `#${CSS_ESCAPE((await field.getAttribute('id'))!)}`);
    await page.keyboard.type('3k3');
    await page.keyboard.press('Enter');
    await expect.poll(() => field.inputValue()).toBe('3.3 kΩ');
    await judged(page);
    await tabTo(page, '.finding .ant-btn-primary');
    await page.keyboard.press('Enter');
    await page.getByText('Nothing does').waitFor();
    await page.keyboard.press('Control+z');
    await finding(page, 'reservoir-rating').waitFor();
    await context.close();
  });

  test('brackets step through the stages, and find goes anywhere', async () => {
    const { page, context } = await visit(browser, `${host.base}/bench/compartment-coach/lamps`);
    await judged(page);
    await page.locator('.stage').focus();
    await page.keyboard.press(']');
    await page.waitForURL('**/circuit');
    await page.keyboard.press('Control+k');
    await page.getByLabel('Find a job, a stage or a page').fill('brief');
    await page.keyboard.press('Enter');
    await page.waitForURL('**/brief');
    await context.close();
  });
});

/** An id as a selector may have it. */
function CSS_ESCAPE(id: string): string {
  return id.replace(/[^a-zA-Z0-9_-]/g, (c) => `\\${c}`);
}

const sizes = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 800, height: 1280 },
] as const;

test('nothing essential scrolls sideways at 1280, 1024 and 800 pixels', async () => {
  // One profile for all, and each page once: it is made narrower while it stands.
  const { page, context } = await visit(browser, host.base, sizes[0]);
  for (const path of [
    '/',
    '/new',
    '/train/boat-train',
    '/drawer',
    '/feeds',
    '/overhead',
    '/bench/compartment-coach',
    '/bench/compartment-coach/lamps',
    '/bench/open-saloon/fit',
    '/bench/railcar-tern/functions',
    '/bench/diesel-shunter/circuit',
    '/new/coach',
    '/bench/railcar-tern/build',
    '/at-bench/railcar-tern',
    '/bench/quay-street/aspects',
    '/bench/carousel/timeline',
  ]) {
    await page.setViewportSize(sizes[0]);
    await page.goto(host.base + path);
    await page.locator('h1').first().waitFor({ state: 'attached' });
    if (path.startsWith('/bench')) await judged(page);
    if (path.startsWith('/train')) await page.locator('.car-list li').first().waitFor();
    if (path === '/feeds') await page.locator('.plan-run:not(.track)').first().waitFor();
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
      expect({ path, size, over }).toEqual({ path, size, over: [] });
    }
  }
  await context.close();
});
