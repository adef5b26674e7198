import { readFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  control,
  figure,
  finding,
  judged,
  openBrowser,
  pick,
  picture,
  serve,
  toggle,
  visit,
} from './browser';

let browser: Browser;
let host: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  [browser, host] = await Promise.all([openBrowser(), serve()]);
});
afterAll(async () => {
  await browser?.close();
  host?.close();
});

describe('an old bulb-lit power car, as a new user would', () => {
  test('to white and red on DC, the old diode found and bridged; then to DCC with an 8-pin plug', async () => {
    const { page, context, troubles } = await visit(browser, host.base);
    await page.getByRole('button', { name: 'Light a locomotive' }).click();
    await pick(page, /^Power car/);
    await pick(page, /^Test track, DC/);
    await page.getByRole('button', { name: 'Lay it out and light it' }).click();
    await judged(page);
    // As it came: a bulb ahead, nothing behind.
    await expect.poll(() => figure(page, 'end-A')).toBe('white');
    await expect.poll(() => figure(page, 'end-B')).toBe('dark');
    await page.getByRole('link', { name: /Lamps/ }).click();
    await page.getByLabel('Lay a set at this end').click();
    await page.getByText('Two white, two red', { exact: true }).click();
    await page.getByRole('button', { name: 'End B the same' }).click();
    await judged(page);
    // The diode of the old bulb is still in the lead: each end stays dark one way.
    await expect.poll(() => finding(page, 'end-dark').count()).toBe(2);
    for (let n = 2; n > 0; n--) {
      await finding(page, 'end-dark')
        .first()
        .getByRole('button', { name: 'Bridge the steering diode' })
        .click();
      await judged(page);
      await expect.poll(() => finding(page, 'end-dark').count()).toBe(n - 1);
    }
    await expect.poll(() => figure(page, 'end-A')).toBe('white');
    await expect.poll(() => figure(page, 'end-B')).toBe('red');
    await control(page, 'Reverse');
    await expect.poll(() => figure(page, 'end-A')).toBe('red');
    await expect.poll(() => figure(page, 'end-B')).toBe('white');
    // Which lead goes where is said before the iron is hot.
    await picture(page, 'Leads');
    await page.getByText('right rail, at the pickups').first().waitFor();
    // The same for DCC.
    await page.getByRole('link', { name: /Power/ }).click();
    await page.getByLabel('Its track').click();
    await page.getByText('Main line · DCC track', { exact: true }).click();
    await judged(page);
    await finding(page, 'dc-on-dcc')
      .getByRole('button', { name: 'Fit a decoder with an 8-pin plug' })
      .click();
    await judged(page);
    await page.getByText('Nothing does').waitFor();
    await expect.poll(() => figure(page, 'end-A')).toBe('red');
    await picture(page, 'Leads');
    await page
      .getByRole('cell', { name: /output 2, pin 2/ })
      .first()
      .waitFor();
    await picture(page, 'Sheet');
    await page.getByRole('row', { name: /F0 forward.*pin 6.*white.*Headlight/ }).waitFor();
    await page.getByRole('link', { name: /Proof/ }).click();
    await page.locator('.proof-list li').first().waitFor();
    await expect.poll(() => page.locator('.proof-list').innerText()).toMatch(/Must be seen: .*nothing else/);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('the shunter with one lamp the wrong way round', () => {
  test('one of three stays dark; the cure turns that one alone, and the others stay as they are', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/diesel-shunter`);
    await judged(page);
    await expect.poll(() => figure(page, 'end-A')).toBe('white');
    await finding(page, 'never-lit').waitFor();
    await page.getByRole('button', { name: 'Turn Headlight A right' }).click();
    await judged(page);
    await expect.poll(() => finding(page, 'never-lit').count()).toBe(0);
    await expect.poll(() => figure(page, 'end-A')).toBe('white');
    await page.getByRole('link', { name: /Try/ }).click();
    const row = page.getByRole('row', { name: /^Headlight A left \d+ % \d+ % \d+ %/ });
    await row.waitFor();
    // It shows near 30 % throttle, is good at 50, bright at 80 (common practice, no source).
    const [shows, good, bright] = (await row.innerText()).match(/\d+(?= %)/g)!.map(Number);
    for (const [got, said] of [
      [shows, 30],
      [good, 50],
      [bright, 80],
    ])
      expect(Math.abs(got - said)).toBeLessThanOrEqual(5);
    // Set on DCC it shines both colours at once.
    await control(page, 'DCC track');
    await expect.poll(() => figure(page, 'end-A')).toBe('white and red');
    await finding(page, 'dc-on-dcc').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('a railcar on its decoder', () => {
  test('keys, direction and the tail switch; the truth table sets the stage; CVs and CSV to and fro', async () => {
    const { page, context, troubles } = await visit(browser, `${host.base}/bench/railcar-tern/functions`);
    await judged(page);
    await page.locator('.stage').focus();
    await page.keyboard.press('r');
    await expect.poll(() => figure(page, 'end-A')).toBe('red');
    await page.keyboard.press('0');
    await expect.poll(() => figure(page, 'end-A')).toBe('dark');
    await page.keyboard.press('2');
    await expect.poll(() => figure(page, 'end-A')).toBe('cab light');
    await toggle(page, 'Tail switch');
    await page.getByRole('switch', { name: 'Tail switch', checked: false }).waitFor();
    await picture(page, 'All states');
    await page.getByRole('button', { name: 'forward, F0 on', exact: true }).click();
    await expect.poll(() => figure(page, 'end-A')).toBe('white');
    await expect.poll(() => figure(page, 'end-B')).toBe('red');
    // A CV typed is a table changed; one that is none is refused beside it.
    await page.getByText('As CV 33 to 46').click();
    const cv = page.getByLabel('35 · F1');
    await expect.poll(() => cv.inputValue()).toBe('4');
    // What opens is written in when it stands.
    await expect.poll(() => page.evaluate(() => document.getAnimations().length)).toBe(0);
    await cv.fill('300');
    await page.keyboard.press('Enter');
    await page.getByText(/CV 35 is 300/).waitFor();
    await cv.fill('12');
    await page.keyboard.press('Enter');
    await page.getByRole('radio', { name: /Output 4, violet F1, F2/ }).waitFor({ state: 'attached' });
    const [saved] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as CSV' }).click(),
    ]);
    const csv = readFileSync((await saved.path())!, 'utf8');
    expect(csv).toMatch(/^out4,F1; F2,any,,100 %,steady,$/m);
    const chooser = page.getByLabel('Function table from a CSV file');
    await chooser.setInputFiles({
      name: 'f.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(csv.replace('F1; F2', 'F99')),
    });
    await page.getByText(/“F99” is not F0 to F28/).waitFor();
    await chooser.setInputFiles({
      name: 'f.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(csv.replace('F1; F2', 'F3')),
    });
    await page.getByRole('radio', { name: /Output 4, violet F3/ }).waitFor({ state: 'attached' });
    expect(troubles).toEqual([]);
    await context.close();
  });
});
