import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { judged, openBrowser, pick, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

/** How bright each lamp of the stage is at this moment, by lamp. */
const lit = (page: Awaited<ReturnType<typeof visit>>['page']): Promise<Record<string, number>> =>
  page
    .locator('.stage [data-lamp]')
    .evaluateAll((all) =>
      Object.fromEntries(
        all.map((l) => [l.getAttribute('data-lamp') ?? '', Number(l.getAttribute('data-lightness'))]),
      ),
    );

test('a crossing from nothing to flashing, wired and on a sheet, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, host.base);
  await page.getByRole('button', { name: 'Light something new' }).click();
  await page.getByRole('link', { name: /^Crossing/ }).click();
  await page.getByLabel('Called').fill('Ferry Lane');
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await judged(page);
  await expect.poll(() => page.locator('.finding.stop, .finding.mind').count()).toBe(0);
  // In turn: each is seen lit while the other is dark.
  const seen = new Set<string>();
  await expect
    .poll(async () => {
      const now = await lit(page);
      if (now['lamp-1'] > 9 !== now['lamp-2'] > 9) seen.add(now['lamp-1'] > 9 ? 'left' : 'right');
      return seen.size;
    })
    .toBe(2);
  // Open to the road it is dark, by a key on the stage as well.
  await page.locator('.stage').press('a');
  await expect.poll(async () => Math.max(...Object.values(await lit(page)))).toBeLessThan(1);
  await page.getByRole('link', { name: /Build/ }).click();
  await page.locator('.pictures').getByText('Order', { exact: true }).click();
  await page.getByText('Join the leads to flashing decoder').first().waitFor();
  await page.getByRole('link', { name: /^Sheet/ }).click();
  await page.getByText('Ferry Lane').first().waitFor();
  await page.getByText('Output 1').first().waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

test('the same crossing on two transistors runs, and parts for another rate are found and taken', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/bench/quay-street/power`);
  await judged(page);
  await pick(page, /^Two-transistor flasher/);
  await judged(page);
  await page.locator('.pictures').getByText('Flasher', { exact: true }).click();
  await page.getByText(/flashes a minute, lit \d+ and \d+ % of the time/).waitFor();
  await page.getByLabel('Flashes a minute wanted').fill('60');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Take these' }).first().click();
  await page.getByText('as it stands').waitFor();
  await expect.poll(() => page.getByText(/^(5[4-9]|6[0-6]) flashes a minute, lit/).count()).toBe(1);
  expect(troubles).toEqual([]);
  await context.close();
});

test('a signal of four lamps: its aspects side by side, one set by a press, and a head joined at the wrong side is found and mended', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/new/signal`);
  await pick(page, /^Red, yellow, green, yellow/);
  await page.getByLabel('Called').fill('Slip home');
  await pick(page, /^Pins of a small computer/);
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await judged(page);
  expect(await page.locator('.aspect-card').count()).toBe(4);
  // Its program, on pins of one's own; a pin used twice makes none.
  await page.locator('.pictures').getByText('Program', { exact: true }).click();
  await page.getByLabel('It shows').waitFor();
  await expect.poll(() => page.locator('.program-source').innerText()).toContain('from machine import Pin');
  await page.getByLabel('Output 2 on pin').fill('2');
  await page.keyboard.press('Enter');
  await page.getByText('No program is made: pin 2 is used 2 times.').waitFor();
  await page.getByLabel('Output 2 on pin').fill('7');
  await page.keyboard.press('Enter');
  await page.getByText('C++', { exact: true }).click();
  await expect.poll(() => page.locator('.program-source').innerText()).toContain('void loop()');
  await page.locator('.pictures').getByText('Aspects', { exact: true }).click();
  await page.locator('.aspect-card', { hasText: 'Preliminary caution' }).click();
  await expect
    .poll(async () =>
      Object.entries(await lit(page))
        .flatMap(([id, l]) => (l > 9 ? [id] : []))
        .sort(),
    )
    .toEqual(['upper', 'yellow']);
  const choose = (option: string): Promise<void> =>
    page
      .locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option')
      .filter({ hasText: new RegExp(`^${option}$`) })
      .last()
      .click();
  // Clear made the same as Caution: nobody tells them apart.
  await page.getByLabel('Green in Clear', { exact: true }).click();
  await choose('dark');
  await page.getByLabel('Yellow in Clear', { exact: true }).click();
  await choose('steady');
  await page.locator('.finding', { hasText: 'Caution and Clear look alike' }).waitFor();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.locator('.finding', { hasText: 'look alike' }).waitFor({ state: 'detached' });
  await page.getByRole('link', { name: /Power/ }).click();
  await pick(page, /^Minus shared/);
  const wrong = page.locator('.finding', { hasText: 'joined at the side that is switched' });
  await wrong.locator('.cure .ant-btn-primary').first().click();
  await wrong.waitFor({ state: 'detached' });
  expect(troubles).toEqual([]);
  await context.close();
});
