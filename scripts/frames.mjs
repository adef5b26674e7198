/* global performance, requestAnimationFrame -- what runs in the page */
import { openChromium, provideChromium } from './browser.mjs';

// How many frames a second the stage shows while a train runs past: the demo's, and twelve coaches.

const SECONDS = 5;
const COACHES = 12;

const executablePath = provideChromium();
if (!executablePath) console.log('frames a second: not measured, there is no Chromium');
else {
  process.env.PORT = '4198';
  await import('../dist/server/main.mjs');
  const browser = await openChromium(executablePath);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto('http://127.0.0.1:4198/train/boat-train');
  await page.locator('.findings[aria-busy="false"]').waitFor();
  for (const coaches of [4, COACHES]) {
    for (let n = await page.locator('.car-list li').count(); n < coaches; n++) {
      await page.getByLabel('Couple on').click();
      await page.getByRole('option', { name: 'Compartment coach 14' }).click();
    }
    await page.locator('.findings[aria-busy="false"]').waitFor();
    await page.getByRole('button', { name: 'Run it past' }).click();
    await page.waitForTimeout(1500);
    const { mean, longest } = await page.evaluate(
      (seconds) =>
        new Promise((done) => {
          let before = performance.now();
          const began = before;
          let frames = 0;
          let longest = 0;
          const tick = (now) => {
            frames++;
            longest = Math.max(longest, now - before);
            before = now;
            if (now - began > 1000 * seconds) done({ mean: (1000 * frames) / (now - began), longest });
            else requestAnimationFrame(tick);
          };
          requestAnimationFrame(tick);
        }),
      SECONDS,
    );
    console.log(
      `${coaches} coaches running past: ${mean.toFixed(1)} frames a second over ${SECONDS} s, longest gap ${longest.toFixed(0)} ms`,
    );
    await page.getByRole('button', { name: 'Stop it' }).click();
  }
  await browser.close();
  process.exit(0);
}
