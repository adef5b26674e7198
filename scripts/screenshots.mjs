import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfStale, installPackages, requireNode, root } from './steps.mjs';
import { openChromium, provideChromium } from './browser.mjs';

// One picture of each main view, from the demo, as a first visitor sees it.

requireNode();
installPackages();
buildIfStale();
const executablePath = provideChromium();
if (!executablePath) throw new Error('the pictures need Chromium');
process.env.PORT = '4199';
await import('../dist/server/main.mjs');
const folder = join(root, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const browser = await openChromium(executablePath);
const judged = (page) => page.locator('.findings[aria-busy="false"]').waitFor();
const views = {
  line: [
    '/',
    async (page) => {
      await page.getByText('Reservoir: rated too low').waitFor();
      await page.locator('.line-plan .pin').first().waitFor();
    },
  ],
  signal: [
    '/bench/quay-starter/aspects',
    async (page) => {
      await judged(page);
      await page.locator('.aspect-card').first().waitFor();
    },
  ],
  crossing: [
    '/bench/quay-street/power',
    async (page) => {
      await judged(page);
      await page.locator('.choice-options').getByText('Two-transistor flasher').click();
      await page.locator('.pictures').getByText('Flasher', { exact: true }).click();
      await page.locator('.line-chart .curve').first().waitFor();
      await page.getByRole('table', { name: 'Parts for the wanted rate' }).waitFor();
    },
  ],
  bench: ['/bench/compartment-coach', judged],
  'bench-try': [
    '/bench/compartment-coach/try',
    async (page) => {
      await judged(page);
      await page.locator('.line-chart .curve').first().waitFor();
    },
  ],
  locomotive: ['/bench/diesel-shunter/circuit', judged],
  'locomotive-functions': ['/bench/railcar-tern/functions', judged],
  scene: [
    '/bench/lighthouse/timeline',
    async (page) => {
      await judged(page);
      await page.locator('.timeline-clip').first().waitFor();
    },
  ],
  feeds: [
    '/feeds',
    async (page) => {
      await page.locator('.finding').first().waitFor();
      await page.locator('.feeds-loads li').first().waitFor();
    },
  ],
  overhead: [
    '/overhead',
    async (page) => {
      await page.locator('.finding').first().waitFor();
      await page.locator('.rig-band').first().waitFor();
    },
  ],
  lamps: [
    '/bench/quay-lamps/brief',
    async (page) => {
      await judged(page);
      await page.locator('.line-chart .curve').first().waitFor();
    },
  ],
  building: [
    '/bench/harbour-office',
    async (page) => {
      await judged(page);
      await page.locator('.pictures').getByText('Trimmers', { exact: true }).click();
      await page.locator('.line-chart .curve').first().waitFor();
    },
  ],
  train: ['/train/boat-train', judged],
  shelf: [
    '/shelf',
    async (page) => {
      await page.getByRole('button', { name: 'More for Brackwater Quay' }).click();
      await page.getByRole('menuitem', { name: 'Duplicate' }).click();
      await page.getByRole('button', { name: 'More for Brackwater Quay (copy)' }).waitFor();
      await page.locator('.line-picture rect[fill="#2b3b35"], .line-picture path').first().waitFor();
    },
  ],
  drawer: [
    '/drawer',
    async (page) => {
      for (const band of ['yellow', 'violet', 'red', 'gold'])
        await page.locator('.band-keys').getByText(band, { exact: true }).click();
    },
  ],
  build: [
    '/bench/diesel-shunter/build',
    async (page) => {
      await judged(page);
      await page.locator('.task-list li').first().waitFor();
    },
  ],
  wiring: [
    '/bench/compartment-coach/build',
    async (page) => {
      await judged(page);
      await page.locator('.pictures').getByText('Wiring', { exact: true }).click();
      await page.locator('svg.wiring').waitFor();
    },
  ],
  'at-bench': [
    '/at-bench/diesel-shunter',
    async (page) => {
      for (let n = 0; n < 6; n++) await page.locator('.done-key').click();
    },
  ],
  sheet: ['/sheet/diesel-shunter', (page) => page.locator('.sheet-page[aria-busy="false"] .paper').waitFor()],
};
for (const [name, [path, ready]] of Object.entries(views)) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://127.0.0.1:4199${path}`);
  await ready(page);
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
process.exit(0);
