import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { figure, judged, openBrowser, pick, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

test('six lamps on a bus, from nothing to a lit, sized and costed row, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, host.base);
  await page.getByRole('button', { name: 'Light something new' }).click();
  await page.getByRole('link', { name: /^Lamp or row of lamps/ }).click();
  await page.getByLabel('Called').fill('Slip lamps');
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await judged(page);
  await expect.poll(() => page.locator('.finding.stop, .finding.mind').count()).toBe(0);
  await expect.poll(() => figure(page, 'ground')).toMatch(/\d+\s*lx/);
  expect(await page.locator('.stage [data-lamp]').count()).toBe(6);
  await page.getByLabel('Lamps: current in each').waitFor();
  // What it costs, joined by every way.
  await page.locator('.pictures').getByText('Ways').click();
  const rows = page.getByRole('table', { name: 'Ways of joining side by side' }).getByRole('row');
  await expect.poll(() => rows.count()).toBe(6);
  expect(await rows.nth(1).innerText()).toMatch(/Copper-wire rail[\s\S]*EUR|Copper-wire rail[\s\S]*\d\.\d\d/);
  // On the hub each lamp has a trimmer.
  await page
    .getByRole('row', { name: /Hub with trimmers/ })
    .getByRole('button', { name: 'Join it so' })
    .click();
  await expect.poll(() => page.getByText(/trimmer at \d+ %/).count()).toBe(6);
  await page.locator('.pictures').getByText('Trimmers').click();
  await page.locator('.line-chart .curve').first().waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

test('a building of three rooms on a hub, one of them dark, and a gap under its walls that shows until it is closed', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/new/building`);
  await pick(page, /^Bus 24 V/);
  await page.getByLabel('Called').fill('Signal office');
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await judged(page);
  await expect.poll(() => page.locator('.finding.stop, .finding.mind').count()).toBe(0);
  const lit = () =>
    page
      .locator('.stage [data-room]')
      .evaluateAll((all) => all.map((r) => Number(r.getAttribute('data-lightness'))));
  await expect.poll(async () => (await lit()).filter((l) => l > 15).length).toBe(3);
  // The jumper of the first socket is taken out.
  await page.getByLabel('Jumper in').first().uncheck();
  await expect.poll(async () => (await lit()).filter((l) => l > 15).length).toBe(2);
  await page.getByRole('link', { name: /Brief/ }).click();
  await page.getByLabel('Left dark on purpose').check();
  await page.getByLabel('Gap under the walls').fill('0.5 mm');
  await page.keyboard.press('Enter');
  const leaks = page.locator('.finding', { hasText: 'A line of light at its foot' });
  await leaks.locator('.cure .ant-btn-primary').first().click();
  await leaks.waitFor({ state: 'detached' });
  await page.locator('.pictures').getByText('Rooms').click();
  await page.getByRole('table', { name: 'Rooms and their light' }).waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});
