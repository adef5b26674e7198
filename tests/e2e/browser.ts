import { spawn } from 'node:child_process';
import type { Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { AddressInfo } from 'node:net';
import { chromium, type Browser, type Page } from 'playwright-core';
import { application } from '../../server/application';

const executablePath = process.env.CHROMIUM || '/usr/bin/chromium';
const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Debian's Chromium, as the tests drive it. */
export function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath, args });
}

/** A browser on a folder of its own that can be killed, all its processes at once, as by a power cut. */
export async function killableBrowser(
  folder: string,
): Promise<{ browser: Browser; kill: () => Promise<void> }> {
  const child = spawn(
    executablePath,
    [
      ...args,
      '--headless',
      '--window-size=1280,800',
      '--remote-debugging-port=0',
      `--user-data-dir=${folder}`,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
  );
  const endpoint = await new Promise<string>((done, refuse) => {
    let said = '';
    child.stderr.on('data', (piece: Buffer) => {
      said += String(piece);
      const found = /DevTools listening on (ws:\S+)/.exec(said);
      if (found) done(found[1]);
    });
    child.on('exit', () => refuse(new Error(`the browser ended: ${said.slice(-300)}`)));
  });
  const browser = await chromium.connectOverCDP(endpoint);
  const kill = async (): Promise<void> => {
    const ended = new Promise((done) => child.once('exit', done));
    process.kill(-child.pid!, 'SIGKILL');
    await ended;
  };
  return { browser, kill };
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
  // Parts that slide and fade are waited for by every press: what is shown is the same without.
  const context = await browser.newContext({
    viewport: size,
    acceptDownloads: true,
    reducedMotion: 'reduce',
  });
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

/** Takes one of a few possibilities that stand side by side, by the beginning of its words. */
export const pick = (page: Page, words: RegExp): Promise<void> =>
  page.locator('.ant-radio-button-wrapper').filter({ hasText: words }).first().click();
/** Chooses a drawing of the job. */
export const picture = (page: Page, name: string): Promise<void> =>
  page.locator('.pictures').getByText(name, { exact: true }).click();
/** Presses what is on the card of controls, by its words. */
export const control = (page: Page, name: string): Promise<void> =>
  page.locator('.stage-controls').getByText(name, { exact: true }).click();
/** Switches on the card of controls, by what is written beside it. */
export const toggle = (page: Page, name: string): Promise<void> =>
  page.locator('.stage-controls').getByRole('switch', { name }).click();
/** Sets a slider by a press on its rail, to a share of it. */
export async function slide(page: Page, name: RegExp, share: number): Promise<void> {
  const rail = page.locator('.ant-slider', { has: page.getByRole('slider', { name }) });
  const { width, height } = (await rail.boundingBox())!;
  await rail.click({ position: { x: width * share, y: height / 2 } });
}
