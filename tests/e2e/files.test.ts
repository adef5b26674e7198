import { readFileSync } from 'node:fs';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { readLayout } from '../../core/document/file';
import { shipped } from '../generated';
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

const text = JSON.stringify(shipped());
const another = text
  .replace('"Brackwater Quay"', '"Saltmarsh Halt"')
  .replace('Compartment coach 14', 'Coach of the halt');

describe('files', () => {
  test('what is exported is the layout; a good file is added and opens, and the old one stays on the shelf', async () => {
    const { page, context, troubles } = await visit(browser, host.base);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('brackwater-quay.hazel.json');
    const read = readLayout(readFileSync((await download.path())!, 'utf8'));
    expect(read.ok && read.layout).toEqual(shipped());
    await give(page, 'halt.hazel.json', another);
    await page.getByText('Coach of the halt').first().waitFor();
    await page.reload();
    await page.getByText('Coach of the halt').first().waitFor();
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.getByRole('heading', { name: 'Brackwater Quay' }).waitFor();
    await expect.poll(() => page.locator('.layout-card').count()).toBe(2);
    expect(troubles).toEqual([]);
    await context.close();
  });

  test('a file given before the page has opened anything is what is open in the end', async () => {
    const { page, context } = await visit(browser, host.base);
    await give(page, 'halt.hazel.json', another);
    await page.getByText('Coach of the halt').first().waitFor();
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.getByRole('heading', { name: 'Brackwater Quay' }).waitFor();
    await expect.poll(() => page.locator('.layout-card.open h2').innerText()).toBe('Saltmarsh Halt');
    await context.close();
  });

  test('a file dropped on the window is added', async () => {
    const { page, context } = await visit(browser, `${host.base}/drawer?at=lamps`);
    await page.getByLabel('Called').waitFor();
    await page.evaluate((content) => {
      const carried = new DataTransfer();
      carried.items.add(new File([content], 'halt.hazel.json', { type: 'application/json' }));
      for (const name of ['dragover', 'drop'])
        dispatchEvent(new DragEvent(name, { dataTransfer: carried, bubbles: true, cancelable: true }));
    }, another);
    await page.getByText('Coach of the halt').first().waitFor();
    await context.close();
  });

  test('a file that cannot be read is refused with the reason, and the open layout is untouched', async () => {
    const { page, context } = await visit(browser, `${host.base}/bench/compartment-coach`);
    await judged(page);
    const wrong = text.replace('"amplitudeVolts":15', '"amplitudeVolts":150');
    for (const [name, content, why] of [
      ['cut.hazel.json', text.slice(0, 900), /cut off/],
      ['wrong.hazel.json', wrong, /supplies\.track\.amplitudeVolts.*allowed is at most 22 V/s],
      ['huge.hazel.json', Buffer.alloc(17 * 1024 * 1024, ' '), /larger than 16 MB/],
      ['shelf.zip', Buffer.from('PK\u0003\u0004 not a whole archive'), /damaged or cut off/],
    ] as const) {
      await give(page, name, content);
      await page.getByTestId('complaints').waitFor();
      await expect.poll(() => page.getByTestId('complaints').innerText()).toMatch(why);
      await page.getByRole('button', { name: 'Back to the open layout' }).click();
      await page.getByTestId('complaints').waitFor({ state: 'detached' });
    }
    await expect
      .poll(() => page.locator('.crumbs').innerText())
      .toMatch(/Brackwater Quay.*Compartment coach 14/s);
    await expect.poll(() => page.getByRole('button', { name: 'Undo' }).isDisabled()).toBe(true);
    await context.close();
  });

  test('names that try to be a script, a path or a prototype stay names, under the page’s own policy', async () => {
    const { page, context, troubles, requests } = await visit(browser, host.base);
    const script = '<img src=x onerror=document.title=1><script>document.title=2</script>';
    const plain = JSON.parse(another) as { name: string; jobs: Record<string, Record<string, unknown>> };
    const [coach] = Object.values(plain.jobs);
    plain.name = script;
    plain.jobs = {
      ...plain.jobs,
      'a/../../b': { ...coach, name: '=cmd|x', order: 90 },
      constructor: { ...coach, name: script.slice(0, 80), order: 91 },
    };
    await give(page, 'hostile.hazel.json', JSON.stringify(plain));
    await page.getByText('=cmd|x').first().waitFor();
    await page.locator('.job-card', { hasText: '=cmd' }).click();
    await judged(page);
    await page.getByRole('link', { name: 'Line' }).click();
    await page.locator('.job-card', { hasText: '<img src=x' }).first().click();
    await judged(page);
    await expect.poll(() => page.title()).not.toMatch(/^[12]$/);
    await expect.poll(() => page.locator('img[src="x"]').count()).toBe(0);
    expect(requests.filter((r) => !r.startsWith(host.base) && !/^(data|blob):/.test(r))).toEqual([]);
    expect(troubles).toEqual([]);
    await context.close();
  });
});
