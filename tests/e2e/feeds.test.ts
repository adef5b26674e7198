import { readFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { openBrowser, pick, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

/** Opens a list and takes one of it. */
async function take(
  page: Awaited<ReturnType<typeof visit>>['page'],
  label: string,
  option: string | RegExp,
): Promise<void> {
  await page.getByLabel(label).click();
  await page.locator('.ant-select-item-option').filter({ hasText: option }).last().click();
}

test('four boards, a bus and thirty lamps from nothing to a printed table, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/feeds`);
  await page.locator('.plan-run:not(.track)').first().waitFor();
  await page.getByRole('button', { name: 'New', exact: true }).click();
  await page.getByRole('heading', { name: 'What do you light first?' }).waitFor();
  await page.getByRole('link', { name: 'Feeds', exact: true }).click();
  await page.getByRole('button', { name: 'Lay the row' }).click();
  await expect.poll(() => page.locator('.plan .board').count()).toBe(4);
  await page.getByRole('button', { name: 'Lay the bus' }).click();
  await expect.poll(() => page.locator('.plan-run').count()).toBe(4);
  for (let k = 0; k < 5; k++) await take(page, 'Put something else on it', /^Lamps$/);
  await expect.poll(() => page.locator('.plan-place.lamps').count()).toBe(5);
  // Six lamps at each place, each fed by a run of its own, and nothing to stop for.
  await expect.poll(() => page.locator('.feeds-runs tbody tr').count()).toBe(9);
  await expect.poll(() => page.locator('.feeds-runs tbody tr').last().textContent()).toMatch(/mA/);
  await page.locator('.findings:not(.stale)').waitFor();
  expect(await page.locator('.finding.stop').allTextContents()).toEqual([]);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8').split('\n')[0]).toContain(
    'label,from,to,wire,plus,minus,length mm',
  );
  await page.getByRole('link', { name: 'Sheet to print' }).click();
  await page.getByRole('heading', { name: /the boards from beneath/ }).waitFor();
  expect(await page.locator('.feeds-labels li').count()).toBe(18);
  expect(troubles).toEqual([]);
  await context.close();
});

test('the plug that is too small: looked at, cured, taken back; a lamp dragged, and moved by key from beneath', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/feeds`);
  const plug = page.locator('.finding').filter({ hasText: 'The plug in L3' });
  await plug.waitFor();
  await plug.getByRole('button', { name: 'Look first' }).click();
  await page.getByText('Only a look').waitFor();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByText('Nothing does').waitFor();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await plug.waitFor();
  const shed = page.locator('.plan-place').filter({ hasText: 'Boat shed' });
  // Its sign, not its name, which stands where there is room.
  const sign = shed.locator('.plan-lamp');
  const before = (await sign.boundingBox())!;
  await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width / 2 + 30, before.y + before.height / 2 + 12, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => Math.round((await sign.boundingBox())!.x - before.x)).toBeGreaterThan(20);
  await page.locator('.feeds-bar').getByText('From beneath').click();
  // Seen from beneath the right of the plan lies left; an arrow goes where it points.
  const there = (await sign.boundingBox())!.x;
  await shed.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await sign.boundingBox())!.x - there).toBeGreaterThan(40);
  expect(troubles).toEqual([]);
  await context.close();
});

test('a ring of 24 that chases in three colours, from nothing to its program, as a new user would', async () => {
  const { page, context, troubles } = await visit(browser, `${host.base}/new/scene`);
  await pick(page, /^Fairground ride/);
  await page.getByRole('button', { name: 'Lay it out and light it' }).click();
  await page.locator('.timeline-clip').first().waitFor();
  // The ring runs: which of its lamps are lit changes.
  const lit = (): Promise<string> =>
    page
      .locator('.moving-string circle')
      .evaluateAll((all) =>
        all.map((c) => (Number((c as SVGElement).style.opacity) > 0.1 ? '1' : '0')).join(''),
      );
  const first = await lit();
  expect(first).toHaveLength(24);
  await expect.poll(lit).not.toBe(first);
  await page.locator('.pictures').getByText('Program', { exact: true }).click();
  const source = page.getByLabel('Program in MicroPython');
  await source.waitFor();
  expect(await source.textContent()).toContain('LAMPS = 24');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^Save fairground-ride\.py/ }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('import neopixel');
  expect(troubles).toEqual([]);
  await context.close();
});
