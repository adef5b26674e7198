import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { figure, finding, judged, openBrowser, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
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
    await page.getByText('1 to stop for').first().waitFor();
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
