import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { buildIfStale, installPackages, requireNode, root } from './steps.mjs';
import { provideChromium } from './browser.mjs';

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
const browser = await chromium.launch({
  executablePath,
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
const views = { line: '/', bench: '/bench/compartment-coach', 'bench-try': '/bench/compartment-coach/try' };
for (const [name, path] of Object.entries(views)) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://127.0.0.1:4199${path}`);
  await page.getByText('The reservoir is rated too low').waitFor();
  if (name === 'bench-try') await page.locator('.recharts-line').first().waitFor();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
}
await browser.close();
process.exit(0);
