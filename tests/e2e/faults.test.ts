import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { judged, openBrowser, serve, visit } from './browser';
import type { Browser, Page } from 'playwright-core';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;
beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser.close();
  host.close();
});

describe('a server that has gone', () => {
  test('a page that cannot be fetched says what is safe, and one press brings it once the server is back', async () => {
    const { page, context } = await visit(browser, `${host.base}/`);
    await page.getByText('Light outside').waitFor();
    for (const [section, shows] of [
      ['Feeds', /the power under the boards/],
      ['Drawer', /^Drawer/],
      ['Shelf', /^Shelf/],
    ] as const) {
      await context.route(/\/assets\//, (route) => route.abort());
      await page.getByRole('link', { name: section, exact: true }).click();
      const again = page.getByRole('button', { name: 'Save and reload' }).first();
      await again.waitFor();
      expect(await page.getByText(/could not be fetched/).count()).toBeGreaterThan(0);
      expect(await page.getByText(/kept in this browser|Your layout is safe/).count()).toBeGreaterThan(0);
      await context.unroute(/\/assets\//);
      await again.click();
      await page.getByRole('heading', { level: 1, name: shows }).waitFor();
      expect(await page.getByText(/could not be fetched/).count()).toBe(0);
    }
    await context.close();
  });
});

describe('the browser’s data cleared while two windows are open', () => {
  test('what either has, before and after, is there when both are loaded anew', async () => {
    const address = `${host.base}/bench/open-saloon/fit`;
    const { page: first, context } = await visit(browser, address);
    const field = (of: Page, label: string) => of.getByLabel(label, { exact: true }).first();
    const typed = async (of: Page, label: string, value: string): Promise<void> => {
      await field(of, label).fill(value);
      await of.keyboard.press('Enter');
      await judged(of);
    };
    await judged(first);
    const second = await context.newPage();
    await second.goto(address);
    await judged(second);
    await typed(first, 'Board, wide', '10');
    await expect.poll(() => field(second, 'Board, wide').inputValue()).toBe('10 mm');
    const devtools = await context.newCDPSession(first);
    await devtools.send('Storage.clearDataForOrigin', { origin: host.base, storageTypes: 'indexeddb' });
    await typed(first, 'thick', '1.4');
    await typed(second, 'long', '200');
    for (const page of [first, second]) {
      await expect.poll(() => field(page, 'thick').inputValue()).toBe('1.4 mm');
      await expect.poll(() => field(page, 'long').inputValue()).toBe('200 mm');
    }
    for (const page of [first, second]) {
      await page.reload();
      await judged(page);
      for (const [label, value] of [
        ['Board, wide', '10 mm'],
        ['thick', '1.4 mm'],
        ['long', '200 mm'],
      ])
        await expect.poll(() => field(page, label).inputValue()).toBe(value);
    }
    await context.close();
  });
});
