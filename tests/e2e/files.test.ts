import { readFileSync } from 'node:fs';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { readLayout } from '../../core/document/file';
import { boatTrain } from '../generated';
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

const give = (page: Page, name: string, content: string | Buffer) =>
  page
    .getByLabel('Layout file to import')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });

const text = JSON.stringify(boatTrain());
const another = text
  .replace('"Brackwater Quay"', '"Saltmarsh Halt"')
  .replace('Compartment coach 14', 'Coach of the halt');

describe('files', () => {
  test('what is exported is the layout, and a good file opens; undo brings the old one back', async () => {
    const { page, context, troubles } = await visit(browser, host.base);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('brackwater-quay.hazel.json');
    const read = readLayout(readFileSync((await download.path())!, 'utf8'));
    expect(read.ok && read.layout).toEqual(boatTrain());
    await give(page, 'halt.hazel.json', another);
    await page.getByText('Saltmarsh Halt').first().waitFor();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.getByText('Brackwater Quay').first().waitFor();
    await page.getByRole('button', { name: /^Redo/ }).click();
    await page.getByText(/^Saved/).waitFor();
    await page.reload();
    await page.getByText('Coach of the halt').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  test.each([
    ['broken', 'broken.json', '{"format": hello', /not JSON/],
    ['cut off', 'cut.hazel.json', text.slice(0, 900), /cut off/],
    [
      'newer',
      'newer.hazel.json',
      text.replace(/"version":\d+/, '"version":12'),
      /newer Hazel Spark \(version 12/,
    ],
    ['foreign', 'foreign.json', '{"format":"shopping-list","version":1}', /not a Hazel Spark layout/],
    [
      'wrong inside',
      'wrong.hazel.json',
      text.replace('"amplitudeVolts":15', '"amplitudeVolts":150'),
      /supplies\.track\.amplitudeVolts/,
    ],
    ['huge', 'huge.hazel.json', Buffer.alloc(17 * 1024 * 1024, ' '), /larger than 16 MB/],
    ['empty', 'empty.json', '', /empty/],
  ])(
    'a %s file is refused with the reason, and the open layout is untouched',
    async (_, name, content, why) => {
      const { page, context } = await visit(browser, `${host.base}/bench/compartment-coach`);
      await judged(page);
      await give(page, name, content as string | Buffer);
      await page.getByTestId('complaints').waitFor();
      expect(await page.getByTestId('complaints').innerText()).toMatch(why as RegExp);
      await page.getByRole('button', { name: 'Back to the open layout' }).click();
      expect(await page.locator('.crumbs').innerText()).toMatch(/Brackwater Quay.*Compartment coach 14/s);
      expect(await page.getByRole('button', { name: 'Undo' }).isDisabled()).toBe(true);
      await context.close();
    },
  );
});
