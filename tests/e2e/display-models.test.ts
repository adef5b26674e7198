import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { figure, finding, judged, openBrowser, pick, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

test('a tug with two lamps and a switch, from nothing to lit and sized, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, host.base);
  await page.getByRole('button', { name: 'Light something new' }).click();
  await page.getByRole('link', { name: /^Display model/ }).click();
  await pick(page, /^Ship/);
  await pick(page, /^Cells/);
  await page.getByLabel('Called').fill('Tug Wigeon');
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await judged(page);
  await expect.poll(() => page.locator('.finding.stop, .finding.mind').count()).toBe(0);
  await expect.poll(() => figure(page, 'drawn')).toMatch(/\d+(\.\d)?\s*mA/);
  const lit = await page
    .locator('[data-lamp]')
    .evaluateAll((all) => all.map((l) => Number(l.getAttribute('data-lightness'))));
  expect(lit).toHaveLength(2);
  for (const lightness of lit) expect(lightness).toBeGreaterThan(60);
  // The value of the resistor in the stand is the answer people come for.
  await expect
    .poll(() => page.getByLabel('One resistor for all', { exact: true }).inputValue())
    .toMatch(/Ω$/);
  // Its own switch.
  await page.locator('.stage').focus();
  await page.keyboard.press('p');
  await expect.poll(() => figure(page, 'drawn')).toMatch(/^0/);
  await page.keyboard.press('p');
  // A resistor that is too small is told, and a press mends it.
  await page.getByLabel('One resistor for all', { exact: true }).fill('10');
  await page.keyboard.press('Enter');
  await finding(page, 'lamp-current').locator('.cure .ant-btn-primary').first().click();
  await finding(page, 'lamp-current').waitFor({ state: 'detached' });
  await page.getByRole('link', { name: /Proof/ }).click();
  await page.locator('.proof-list li').first().waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});
