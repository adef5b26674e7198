import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { figure, finding, judged, openBrowser, pick, serve, toggle, visit } from './browser';

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

describe('the first visit', () => {
  test('the demo is there, lit, with a finding; nothing is asked of another origin, nothing goes wrong', async () => {
    const { page, context, troubles, requests } = await visit(browser, host.base);
    await page.getByRole('link', { name: /Compartment coach 14/ }).waitFor();
    await page
      .getByRole('link', { name: /Compartment coach 14/ })
      .getByText('1 to stop for')
      .waitFor();
    await page.getByRole('link', { name: /Compartment coach 14/ }).click();
    await judged(page);
    await expect
      .poll(() => finding(page, 'reservoir-rating').innerText())
      .toMatch(/up to 17\.3 V.*rated 16 V/s);
    await expect.poll(() => figure(page, 'drawn')).toMatch(/28\.9\s*mA/);
    const bright = await page.locator('[data-window="4"]').getAttribute('data-lightness');
    expect(Number(bright)).toBeGreaterThan(55);
    expect(
      requests.filter((r) => !r.startsWith(host.base) && !r.startsWith('data:') && !r.startsWith('blob:')),
    ).toEqual([]);
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('opens from another address over plain HTTP, saves and works there', async () => {
    if (!host.elsewhere) return expect(host.elsewhere).toBeNull();
    const { page, context, troubles } = await visit(browser, host.elsewhere + bench);
    await judged(page);
    expect(await page.evaluate(() => isSecureContext)).toBe(false);
    await page.getByRole('button', { name: /^Fit 470/ }).click();
    await page.getByText(/^Saved/).waitFor();
    await page.reload();
    await judged(page);
    await expect.poll(() => finding(page, 'reservoir-rating').count()).toBe(0);
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('an address that leads nowhere says so and leads back', async () => {
    const { page, context } = await visit(browser, `${host.base}/bench/ghost`);
    await page.getByRole('heading', { name: 'There is no such page' }).waitFor();
    await page.getByRole('link', { name: 'To the line' }).click();
    await page.getByRole('heading', { name: 'Coaches' }).waitFor();
    await context.close();
  });
});

describe('work on the bench', () => {
  test('a value changes what is drawn; the remedy clears its finding; undo, redo and reload keep it all', async () => {
    const { page, context, troubles } = await visit(browser, host.base + bench);
    await judged(page);
    await page.getByLabel('A resistor for each lamp').fill('2k2');
    await page.keyboard.press('Enter');
    await expect.poll(() => figure(page, 'drawn')).toMatch(/38\s*mA/);
    await expect.poll(() => page.getByText('red red red gold').count()).toBe(1);
    await judged(page);
    // More current makes the charge resistor hot, with the booster at its highest.
    await page.getByRole('button', { name: 'Use a 1/2 W body' }).click();
    await judged(page);
    await finding(page, 'reservoir-rating').getByRole('button', { name: 'Look first' }).click();
    await page.getByText(/^Only a look/).waitFor();
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('Nothing does').waitFor();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await judged(page);
    await finding(page, 'reservoir-rating').waitFor();
    await page.keyboard.press('Control+Shift+Z');
    await page.getByText('Nothing does').waitFor();
    await page.getByText(/^Saved/).waitFor();
    await page.reload();
    await page.getByText('Nothing does').waitFor();
    await expect.poll(() => page.getByLabel('A resistor for each lamp').inputValue()).toBe('2.2 kΩ');
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('the last edit before a reload is not lost', async () => {
    const { page, context } = await visit(browser, `${host.base}${bench}/brief`);
    const name = page.getByRole('textbox', { name: 'Name' });
    await name.fill('Coach fifteen');
    await page.keyboard.press('Enter');
    await page.getByText(/^Saved/).waitFor();
    await page.reload();
    await expect.poll(() => name.inputValue()).toBe('Coach fifteen');
    await context.close();
  });

  test('cut the power: the windows fade as solved, and the chart says when', async () => {
    const { page, context } = await visit(browser, `${host.base}${bench}/try`);
    await judged(page);
    await page.getByText('a hundredth: dark').waitFor();
    await expect.poll(() => page.locator('.fact-list dd').nth(2).innerText()).toMatch(/7\d\d ms/);
    await page.locator('.line-chart .curve').first().waitFor();
    await expect.poll(() => page.locator('.line-chart .mark').count()).toBe(3);
    const lit = Number(await page.locator('[data-window="4"]').getAttribute('data-lightness'));
    await toggle(page, 'Power');
    await page.waitForFunction(
      () => Number(document.querySelector('[data-window="4"]')?.getAttribute('data-lightness')) < 12,
    );
    await expect.poll(() => figure(page, 'drawn')).toMatch(/^0/);
    await toggle(page, 'Power');
    await expect
      .poll(async () => Number(await page.locator('[data-window="4"]').getAttribute('data-lightness')))
      .toBeCloseTo(lit, 1);
    await context.close();
  });

  test('a value that cannot be is refused beside its field; one that can is marked while it is worked out; a wanted light proposes one, and a press fits it', async () => {
    const { page, context } = await visit(browser, host.base + bench);
    await judged(page);
    const drawn = await figure(page, 'drawn');
    const field = page.getByLabel('A resistor for each lamp');
    for (const [typed, why] of [
      ['abc', /“abc” is not a resistance/],
      ['-5', /below zero/],
      ['99999 M', /out of range/],
      ['1,500', /two ways/],
      ['12 V', /is a voltage/],
    ] as const) {
      await field.fill(typed);
      await page.keyboard.press('Enter');
      await expect.poll(() => page.getByRole('alert').innerText()).toMatch(why);
      await expect.poll(() => page.getByRole('alert').innerText()).toMatch(/Still in force: 3\.3 kΩ/);
      await expect.poll(() => field.getAttribute('aria-invalid')).toBe('true');
    }
    await expect.poll(() => figure(page, 'drawn')).toBe(drawn);
    await page.keyboard.press('Escape');
    await expect.poll(() => field.inputValue()).toBe('3.3 kΩ');
    await expect.poll(() => page.getByRole('alert').count()).toBe(0);
    await page.evaluate(() => {
      const seen = { stale: false };
      (globalThis as unknown as { seen: typeof seen }).seen = seen;
      new MutationObserver(() => {
        if (document.querySelector('.stage-figures .stale')) seen.stale = true;
      }).observe(document.body, { subtree: true, attributes: true, childList: true });
    });
    await page.getByLabel('A resistor for each lamp').fill('1k');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => (globalThis as unknown as { seen: { stale: boolean } }).seen.stale);
    await page.waitForFunction(() => !document.querySelector('.stage-figures .stale'));
    const fit = page.getByTestId('proposal').getByRole('button', { name: /^Fit/ });
    const before = await fit.innerText();
    await pick(page, /^Showroom/);
    await expect.poll(() => fit.innerText()).not.toBe(before);
    const offered = (await fit.innerText()).replace('Fit ', '');
    await expect.poll(() => fit.isEnabled()).toBe(true);
    await fit.click();
    await expect.poll(() => page.getByLabel('A resistor for each lamp').inputValue()).toBe(offered);
    await page.getByText(/as near to the wanted light/).waitFor();
    await context.close();
  });
});
