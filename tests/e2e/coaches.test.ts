import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { figure, finding, judged, openBrowser, pick, slide, picture, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;
const bench = '/bench/compartment-coach';

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

describe('from nothing to a lit coach', () => {
  test('an empty layout asks few questions, and the coach is laid out, lit and sized; the demo stands on the shelf', async () => {
    const { page, context, troubles } = await visit(browser, host.base);
    await page.getByRole('heading', { name: 'Coaches' }).waitFor();
    await page.getByRole('button', { name: 'New', exact: true }).click();
    await page.getByRole('heading', { name: 'What do you light first?' }).waitFor();
    await page.getByRole('link', { name: /^Coach/ }).click();
    await pick(page, /^DC track/);
    await pick(page, /^Gas/);
    await page.getByRole('button', { name: 'Lay it out and light it' }).click();
    await judged(page);
    await expect.poll(() => page.locator('.finding.stop').count()).toBe(0);
    expect(Number(await page.locator('[data-window="3"]').getAttribute('data-lightness'))).toBeGreaterThan(
      20,
    );
    await expect.poll(() => figure(page, 'drawn')).toMatch(/mA|µA/);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.getByRole('link', { name: 'Shelf', exact: true }).click();
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByText('Compartment coach 14').first().waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('power and drive', () => {
  test('another supply is a choice away; its throttle dims the windows and R reverses', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}${bench}/power`);
    await judged(page);
    await page.getByLabel('Supply', { exact: true }).click();
    await page.getByTitle('Test track, DC · DC track').click();
    await page.getByRole('slider', { name: /^Throttle/ }).waitFor();
    const window = page.locator('[data-window="4"]');
    const bright = Number(await window.getAttribute('data-lightness'));
    await slide(page, /^Throttle/, 0.4);
    await expect
      .poll(async () => Number(await window.getAttribute('data-lightness')))
      .toBeLessThan(bright - 10);
    const dim = await figure(page, 'drawn');
    await page.locator('.stage').focus();
    await page.keyboard.press('r');
    await page.locator('.stage-controls .ant-segmented-item-selected', { hasText: 'Reverse' }).waitFor();
    await expect.poll(() => figure(page, 'drawn')).toBe(dim);
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('the sum by hand stands beside the solved answer, and a value from the list is fitted', async () => {
    const { page, context } = await visit(browser, `${host.base}/bench/luggage-van`);
    await judged(page);
    await page.getByText('By feel, other values, the sum by hand').click();
    await page.getByText(/\(12 V − /).waitFor();
    const list = page.getByLabel('What can be had');
    const e24 = list.locator('li', { hasText: 'E96' });
    // While it is being worked out again the old values stand there, and cannot be fitted.
    await expect.poll(() => e24.getByRole('button').isEnabled()).toBe(true);
    const value = await e24.locator('b').innerText();
    await e24.getByRole('button').click();
    await expect.poll(() => page.getByLabel('One resistor for all').inputValue()).toBe(value);
    await context.close();
  });

  test('readings tell what hides in ready-wired lamps, and a bad reading is refused beside them', async () => {
    const { page, context } = await visit(browser, `${host.base}${bench}/lamps`);
    await judged(page);
    await page.getByText(/^Tint, hard or soft light/).click();
    await pick(page, /^Ready-wired/);
    await finding(page, 'built-in').waitFor();
    await page.getByLabel('Volts over it').fill('1 V');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Find what is in them' }).click();
    await page
      .getByRole('alert')
      .getByText(/another type/)
      .waitFor();
    await page.getByLabel('Volts over it').fill('12 V');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Find what is in them' }).click();
    await page.getByText(/Built in: a resistor of 1\.8\d kΩ/).waitFor();
    await context.close();
  });
});

describe('trying and comparing', () => {
  test('a dead stretch takes the contact and the light falls as solved', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}${bench}/try`);
    await judged(page);
    await page.getByRole('button', { name: /^Dead/ }).click();
    await slide(page, /^Speed/, 0.5);
    await page.getByRole('button', { name: 'Run it' }).click();
    await page.getByTestId('runner').waitFor();
    await page.getByRole('img', { name: /^Scope/ }).waitFor();
    await page.locator('.runner.lost').waitFor();
    await page.waitForFunction(
      () => Number(document.querySelector('[data-window="4"]')?.getAttribute('data-lightness')) < 60,
    );
    await page.getByRole('button', { name: 'Stop the run' }).click();
    await page.getByTestId('runner').waitFor({ state: 'detached' });
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('another school is set beside, compared in figures, built, and undone', async () => {
    const { page, context } = await visit(browser, host.base + bench);
    await judged(page);
    await picture(page, 'Compare');
    await page.getByRole('row', { name: /As it stands/ }).waitFor();
    await page.getByRole('button', { name: 'Strip on a current limiter' }).click();
    const row = page.getByRole('row', { name: /Strip on a current limiter/ });
    await row.getByText(/lx/).first().waitFor({ timeout: 60_000 });
    await row.getByRole('button', { name: 'Build it so' }).click();
    await picture(page, 'Circuit');
    await page.getByLabel('The limiter holds').waitFor();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.getByLabel('A resistor for each lamp').waitFor();
    await context.close();
  });

  test('a lamp type from own readings can be chosen', async () => {
    const { page, context } = await visit(browser, `${host.base}/drawer?at=lamps`);
    await page.getByRole('heading', { name: 'Lamps from readings' }).waitFor();
    await page.getByLabel('Volts, reading 1').fill('3.5');
    await page.keyboard.press('Enter');
    await page
      .getByRole('alert')
      .getByText(/fall as the current rises|What was there/)
      .waitFor();
    await page.goto(`${host.base}${bench}/lamps`);
    await judged(page);
    await page.getByLabel('Which').click();
    await page.getByTitle('Bag from the market, warm').click();
    await page.getByText(/at 20 mA, 20 mA at most/).waitFor();
    await context.close();
  });
});
