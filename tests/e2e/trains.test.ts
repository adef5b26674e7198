import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
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

describe('a sleeping coach with a side corridor, as a new user would', () => {
  test('one centre row leaves the corridor dark; two rows, placed by the program, light it', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/new/coach`);
    await pick(page, /^Sleeping coach/);
    await pick(page, /^Main line/);
    await page.getByRole('button', { name: 'Lay it out and light it' }).click();
    await judged(page);
    // What the program lays out needs nothing mended.
    await expect.poll(() => finding(page, 'dark-room').count()).toBe(0);
    await page.getByRole('link', { name: /Lamps/ }).click();
    await pick(page, /^One row/);
    await judged(page);
    await finding(page, 'dark-room').waitFor();
    await expect.poll(() => finding(page, 'dark-room').innerText()).toMatch(/Corridor stays dark/);
    await page.getByRole('button', { name: 'Room side' }).click();
    const corridor = page.locator('[data-window="5"]');
    expect(Number(await corridor.getAttribute('data-lightness'))).toBeLessThan(15);
    await page.getByRole('link', { name: /Lamps/ }).click();
    await pick(page, /^Two rows/);
    await page.getByRole('button', { name: 'Place them for me' }).click();
    await page.getByRole('button', { name: 'Hang them so' }).click({ timeout: 60_000 });
    await judged(page);
    await expect.poll(() => finding(page, 'dark-room').count()).toBe(0);
    await expect.poll(() => finding(page, 'lamp-on-partition').count()).toBe(0);
    expect(parseInt(await figure(page, 'evenness'))).toBeGreaterThan(40);
    await expect.poll(async () => Number(await corridor.getAttribute('data-lightness'))).toBeGreaterThan(45);
    // A search can be stopped.
    await page.getByRole('button', { name: 'Place them for me' }).click();
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByRole('button', { name: 'Place them for me' }).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
  test('a room is divided, named, left dark; the inside follows a longer body; undo takes it back', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/heritage-coach/brief`);
    await judged(page);
    await page.getByText('Rooms, one by one').click();
    await page.getByRole('button', { name: 'Divide' }).first().click();
    await expect.poll(() => page.locator('.room-list li').count()).toBe(5);
    await page.getByLabel('left dark').first().click();
    await judged(page);
    await page.getByLabel('Length of the body').fill('160');
    await page.keyboard.press('Enter');
    await expect.poll(() => page.getByLabel('ends at').first().inputValue()).toMatch(/^2\d(\.\d)? mm$/);
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Undo/ }).click();
    await expect.poll(() => page.getByLabel('Length of the body').inputValue()).toBe('118 mm');
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('the boat train', () => {
  test('is on the line with its totals; one coach is bluer, and all are matched to another', async () => {
    const { page, context, troubles } = await visit(browser, host.base);
    await page.locator('a.job-card', { hasText: 'Boat train' }).click();
    await judged(page);
    await expect.poll(() => figure(page, 'draw-track')).toMatch(/47\.\d mA.*bulbs 6\d\d mA/s);
    await expect.poll(() => finding(page, 'train-looks').count()).toBe(2);
    const colours = (car: string) =>
      page.locator(`[data-car="${car}"] [data-window="1"]`).getAttribute('data-colour');
    // Windows are drawn as each coach is solved.
    const alike = async () => (await colours('car-2')) === (await colours('car-3'));
    await expect.poll(alike).toBe(false);
    await page.locator('.match-view button', { hasText: 'Compartment coach 14' }).click();
    await page.getByRole('button', { name: 'Match all to this one' }).click();
    await page.getByRole('button', { name: 'Match them' }).click({ timeout: 60_000 });
    await judged(page);
    await expect.poll(alike).toBe(true);
    await expect.poll(() => finding(page, 'train-looks').count()).toBe(0);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await judged(page);
    await expect.poll(() => finding(page, 'train-looks').count()).toBe(2);
    expect(troubles).toEqual([]);
    await context.close();
  });
  test('runs past; a coach is turned, moved, uncoupled, coupled; a train is broken up and made again', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/train/boat-train`);
    await judged(page);
    await page.getByRole('button', { name: 'Run it past' }).click();
    const strip = page.locator('.train-strip');
    const at = () => strip.evaluate((e) => (e as HTMLElement).style.transform);
    const before = await at();
    await expect.poll(at).not.toBe(before);
    await page.getByRole('button', { name: 'Stop it' }).click();
    await page.getByRole('button', { name: 'Open saloon 22 one nearer to the end' }).click();
    await judged(page);
    await finding(page, 'tail-lamps').first().waitFor();
    await page.getByRole('button', { name: 'Turn Open saloon 22 round' }).click();
    await page.getByRole('button', { name: 'Uncouple Heritage coach 2' }).click();
    await expect.poll(() => page.locator('.car-list li').count()).toBe(3);
    await page.getByLabel('Couple on').click();
    await page.getByTitle('Heritage coach 2').click();
    await expect.poll(() => page.locator('.car-list li').count()).toBe(4);
    await page.getByRole('button', { name: 'Break the train up' }).click();
    await page.getByRole('button', { name: 'Make a train of the rest' }).click();
    await judged(page);
    await expect.poll(() => page.locator('.car-list li').count()).toBe(4);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('does it fit', () => {
  test('the saloon’s board wants notches of 0.5 mm; a narrower one none; what cutting buys is worked out', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/open-saloon/fit`);
    await judged(page);
    await expect
      .poll(() => page.locator('tr:has([data-fit="board-tabs"])').innerText())
      .toMatch(/notch 0\.5 mm in both edges.*−1 mm/s);
    await expect.poll(() => finding(page, 'does-not-fit').innerText()).toMatch(/at 38, 116 and 194 mm/);
    await page.getByLabel('Board, wide').fill('10,5');
    await page.keyboard.press('Enter');
    await judged(page);
    await expect.poll(() => finding(page, 'does-not-fit').count()).toBe(0);
    const places = page.getByLabel(/^Tabs stand at/);
    await places.fill('38; none');
    await places.blur();
    await expect.poll(() => page.getByRole('alert').innerText()).toMatch(/“none” is no place/);
    await places.fill('38; 100; 190');
    await places.blur();
    await expect.poll(() => page.getByRole('alert').count()).toBe(0);
    await page.getByRole('button', { name: 'Work it out' }).click();
    await page.getByText('Every room is lit. Nothing needs to be cut.').waitFor({ timeout: 60_000 });
    await expect.poll(() => page.locator('[data-cut="seat-backs"]').count()).toBe(1);
    expect(troubles).toEqual([]);
    await context.close();
  });
  test('a cell put in is judged for room and reach, and a pack above the seats shows', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/compartment-coach/fit`);
    await judged(page);
    await page.getByLabel('Something more').click();
    await page.getByRole('option', { name: 'Cell' }).click();
    await judged(page);
    await finding(page, 'does-not-fit').waitFor();
    await page.getByText(/^Cell at/).click();
    await page.getByLabel('Reached').click();
    await page.getByRole('option', { name: 'not at all' }).click();
    await judged(page);
    await finding(page, 'out-of-reach')
      .getByRole('button', { name: /underside/ })
      .first()
      .click();
    await judged(page);
    await expect.poll(() => finding(page, 'out-of-reach').count()).toBe(0);
    await page.getByLabel('Stands above the floor').fill('8 mm');
    await page.keyboard.press('Enter');
    await finding(page, 'shows-through').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});
