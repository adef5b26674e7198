import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { judged, openBrowser, serve, visit } from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

describe('building, as a new user would', () => {
  test('from the demo’s shunter to its sheet in two presses; the sheet holds drawing, order, lists and the proof', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/diesel-shunter`);
    await judged(page);
    await page.getByRole('link', { name: /Build/ }).click();
    await page.getByRole('link', { name: /^Sheet/ }).click();
    await page.locator('.sheet-page[aria-busy="false"] .paper').waitFor();
    const paper = page.locator('.paper');
    await expect.poll(() => paper.locator('ol.tasks li').count()).toBeGreaterThan(20);
    expect(await paper.locator('svg.wiring').count()).toBe(1);
    const titles = await paper.locator('h2').allInnerTexts();
    expect(titles.some((t) => t.startsWith('Wires'))).toBe(true);
    for (const title of ['As it is wired', 'The shortest proof', 'What it takes, and lengths to cut'])
      expect(titles).toContain(title);
    // Nothing of the frame is printed.
    await page.emulateMedia({ media: 'print' });
    for (const frame of ['nav.sections', '.topbar', '.no-print'])
      expect(await page.locator(frame).first().isVisible()).toBe(false);
    expect(await paper.isVisible()).toBe(true);
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('ten tasks with the keyboard alone, a look back, and all of it there after a reload', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/at-bench/diesel-shunter`);
    const step = page.locator('.at-bench-head [role=status]');
    await page.locator('.done-key').waitFor();
    for (let n = 1; n <= 10; n++) {
      await expect.poll(() => step.innerText()).toMatch(new RegExp(`^Step ${n} of \\d+$`));
      await page.keyboard.press('Enter');
    }
    await expect.poll(() => step.innerText()).toMatch(/^Step 11 of \d+$/);
    await page.keyboard.press('ArrowLeft');
    await expect.poll(() => page.locator('.at-bench-step').innerText()).toMatch(/· done/);
    await page.keyboard.press('ArrowRight');
    await expect.poll(() => page.locator('.saved').innerText()).toMatch(/^Saved/);
    await page.reload();
    await expect.poll(() => step.innerText()).toMatch(/^Step 11 of \d+$/);
    // What was soldered on has gone out of the drawer.
    await page.goto(`${host.base}/drawer`);
    const whites = page.getByLabel('How many of Lamp warm white, 2700 K');
    await expect.poll(() => whites.inputValue()).toBe('14');
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('ten tasks by touch alone on a tablet held upright; a coat that dries has its clock, which a reload does not stop', async () => {
    const context = await browser.newContext({ viewport: { width: 800, height: 1280 }, hasTouch: true });
    const page = await context.newPage();
    page.setDefaultTimeout(60_000);
    await page.goto(`${host.base}/at-bench/diesel-shunter`);
    const step = page.locator('.at-bench-head [role=status]');
    const head = page.locator('.at-bench-step h2');
    await page.locator('.done-key').waitFor();
    const { height } = (await page.locator('.done-key').boundingBox())!;
    expect(height).toBeGreaterThanOrEqual(80);
    for (let n = 1; !(await head.innerText()).startsWith('Black out end'); n++) {
      await expect.poll(() => step.innerText()).toMatch(new RegExp(`^Step ${n} of \\d+$`));
      await page.locator('.done-key').tap();
      await expect.poll(() => step.innerText()).toMatch(new RegExp(`^Step ${n + 1} of \\d+$`));
      expect(n).toBeLessThan(30);
    }
    await expect.poll(() => head.innerText()).toMatch(/^Black out end/);
    await page.locator('.done-key').tap();
    await expect.poll(() => page.getByRole('timer').innerText()).toMatch(/^29:\d\d/);
    await expect.poll(() => page.evaluate(() => localStorage.getItem('hazel-drying'))).toMatch(/dryAt/);
    await page.waitForTimeout(0);
    await page.reload();
    await expect.poll(() => page.getByRole('timer').innerText()).toMatch(/^2\d:\d\d/);
    await page.getByRole('button', { name: 'Back' }).tap();
    await page.getByRole('button', { name: 'Not done after all' }).tap();
    await expect.poll(() => page.locator('.at-bench-step').innerText()).not.toMatch(/· done/);
    await context.close();
  });

  test('a job whose wires carry a plug that does not pass has no order; the finding’s cure makes one', async () => {
    const { page, context } = await visit(browser, `${host.base}/bench/tug-dunlin/build`);
    await judged(page);
    await page.getByText('What leads go through').click();
    await page.getByText('Something hangs on the wires already').click();
    await page.getByLabel('It is across', { exact: true }).fill('6');
    await page.keyboard.press('Enter');
    await page.getByText('No order works as it stands').first().waitFor();
    const finding = page.locator('.finding[data-rule="does-not-pass"]');
    await finding.getByRole('button', { name: 'Thread the wire by itself, join after' }).click();
    await page.locator('.task-list li').first().waitFor();
    await finding.waitFor({ state: 'detached' });
    await context.close();
  });

  test('a list of parts is looked at before it goes into the drawer; a bad one changes nothing', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/drawer`);
    const file = page.getByLabel('A list of parts as CSV');
    await file.setInputFiles({
      name: 'parts.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('part;count\nResistor 470;many'),
    });
    await page.getByText('The list cannot be read').waitFor();
    await page.getByText('“many” is no count').waitFor();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await file.setInputFiles({
      name: 'parts.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('part;count;price\nResistor 470;55;0,04'),
    });
    await page.getByText('What the list would change').waitFor();
    await page.getByRole('button', { name: 'Put it in' }).click();
    await expect.poll(() => page.getByLabel('How many of Resistor 470R 1/4 W').inputValue()).toBe('55');
    // The reader: yellow violet red gold is 4.7 kohm 5 %.
    for (const band of ['yellow', 'violet', 'red', 'gold'])
      await page.locator('.band-keys').getByText(band, { exact: true }).click();
    await expect.poll(() => page.locator('.read-value').innerText()).toBe('4.7 kΩ, 5 %');
    await page.getByRole('button', { name: 'One more into the drawer' }).click();
    await expect.poll(() => page.getByLabel('How many of Resistor 4k7 1/4 W').inputValue()).toBe('23');
    expect(troubles).toEqual([]);
    await context.close();
  });
});
