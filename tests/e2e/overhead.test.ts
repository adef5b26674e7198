import { afterAll, beforeAll, expect, test } from 'vitest';
import { openBrowser, serve, slide, visit } from './browser';
import type { Browser } from 'playwright-core';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;
beforeAll(async () => {
  host = await serve();
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

test('two boards and daylight: from nothing to a list with lux, colour, supply and cuts, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/overhead/new`);
  await page.getByText('Soft day').click();
  await page.getByRole('button', { name: 'Light it' }).click();
  await page.locator('.rig-band').first().waitFor();
  const figures = await page.getByLabel('The light in figures').innerText();
  const [, mean] = /Mean\s+(\d+) lx/.exec(figures)!;
  expect(Number(mean)).toBeGreaterThan(600);
  await page.locator('.findings[aria-busy="false"]').waitFor();
  expect(await page.locator('.finding.stop, .finding.mind').count()).toBe(0);
  await page.locator('.overhead-figures').getByText('Power', { exact: true }).click();
  await page
    .getByText(/A at 24 V/)
    .first()
    .waitFor();
  await page.locator('.overhead-figures').getByText('Build', { exact: true }).click();
  await page.getByRole('table', { name: 'To saw' }).waitFor();
  await page.getByRole('link', { name: 'Sheet to print' }).click();
  await page.getByRole('heading', { name: 'To buy, to saw, to put up' }).waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

test('the light is uneven at the corner: its cure is looked at, kept and taken back; a row is lowered by hand', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/overhead`);
  const mean = async (): Promise<number> =>
    Number(/Mean\s+(\d+) lx/.exec(await page.getByLabel('The light in figures').innerText())![1]);
  const dim = page.locator('.finding').filter({ hasText: 'The right end is dim' });
  await dim.waitFor();
  const before = await mean();
  await dim
    .getByRole('button', { name: /Look first/ })
    .first()
    .click();
  await expect.poll(mean).toBeGreaterThan(before * 1.05);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await dim.waitFor({ state: 'detached' });
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(mean).toBe(before);
  await page.getByRole('button', { name: 'Spots', exact: true }).click();
  await slide(page, /Above the scenery/, 0.1);
  await expect.poll(mean).not.toBe(before);
  expect(troubles).toEqual([]);
  await context.close();
});
