import type { Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { AddressInfo } from 'node:net';
import { chromium, type Browser, type Page } from 'playwright-core';
import { application } from '../../server/application';

/** Debian's Chromium, as the tests drive it. */
export function openBrowser(): Promise<Browser> {
  return chromium.launch({
    executablePath: process.env.CHROMIUM || '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}

/** The built application on a free port, reachable from every address of this machine. */
export async function serve(): Promise<{ base: string; elsewhere: string | null; close: () => void }> {
  const folder = fileURLToPath(new URL('../../dist/app', import.meta.url));
  const server: Server = application(folder).listen(0, '0.0.0.0');
  await new Promise((done) => server.once('listening', done));
  const { port } = server.address() as AddressInfo;
  const other = Object.values(networkInterfaces())
    .flat()
    .find((n) => n?.family === 'IPv4' && !n.internal);
  return {
    base: `http://127.0.0.1:${port}`,
    elsewhere: other ? `http://${other.address}:${port}` : null,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

/** A page in a browser profile of its own, with what went wrong in it and what it asked for. */
export async function visit(browser: Browser, address: string, size = { width: 1280, height: 800 }) {
  const context = await browser.newContext({ viewport: size, acceptDownloads: true });
  const page = await context.newPage();
  page.setDefaultTimeout(60_000);
  const troubles: string[] = [];
  const requests: string[] = [];
  page.on('pageerror', (e) => troubles.push(e.message));
  page.on('console', (m) => {
    if (m.type() === 'error') troubles.push(m.text());
  });
  page.on('request', (r) => requests.push(r.url()));
  await page.goto(address);
  return { page, context, troubles, requests };
}

/** Waits until the findings are those of the layout as it stands. */
export async function judged(page: Page): Promise<void> {
  await page.locator('.findings[aria-busy="false"]').waitFor();
}

export const finding = (page: Page, rule: string) => page.locator(`.finding[data-rule="${rule}"]`);
export const figure = (page: Page, name: string) => page.locator(`[data-figure="${name}"]`).innerText();
