/* global document, MutationObserver, performance, requestAnimationFrame, setInterval, clearInterval -- what runs in the page */
import { openChromium, provideChromium } from './browser.mjs';

// How many frames a second are shown while a train runs past (the demo's, and twelve coaches), and while the
// height of a rig's row is dragged.

const SECONDS = 5;
const COACHES = 12;
/** A frame that comes later after the last is late: a screen shows sixty a second. */
const LATE_MS = 20;

/** Frames a second that are shown over some seconds, and the longest gap between two. */
const framesOver = (page, lasts) =>
  page.evaluate(
    ([seconds, tooLong]) =>
      new Promise((done) => {
        let before = performance.now();
        const began = before;
        let frames = 0;
        let longest = 0;
        let late = 0;
        const tick = (now) => {
          frames++;
          longest = Math.max(longest, now - before);
          if (now - before > tooLong) late++;
          before = now;
          if (now - began > 1000 * seconds)
            done({ mean: (1000 * frames) / (now - began), longest, onTime: 1 - late / frames });
          else requestAnimationFrame(tick);
        };
        requestAnimationFrame(tick);
      }),
    [lasts, LATE_MS],
  );

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
      // The list has unfolded.
      await page.waitForTimeout(400);
      await page.getByRole('option', { name: 'Compartment coach 14' }).click();
    }
    await page.locator('.findings[aria-busy="false"]').waitFor();
    await page.getByRole('button', { name: 'Run it past' }).click();
    await page.waitForTimeout(1500);
    const { mean, longest } = await framesOver(page, SECONDS);
    console.log(
      `${coaches} coaches running past: ${mean.toFixed(1)} frames a second over ${SECONDS} s, longest gap ${longest.toFixed(0)} ms`,
    );
    await page.getByRole('button', { name: 'Stop it' }).click();
  }
  await page.goto('http://127.0.0.1:4198/overhead');
  await page.locator('.finding').first().waitFor();
  await page.locator('.rig-row').nth(1).click();
  const slider = page.getByRole('slider', { name: 'Above the scenery' });
  await slider.scrollIntoViewIfNeeded();
  const knob = await slider.boundingBox();
  const [x, y] = [knob.x + knob.width / 2, knob.y + knob.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // Each new map that is drawn is counted beside the frames.
  await page.evaluate(() => {
    globalThis.maps = 0;
    new MutationObserver(() => globalThis.maps++).observe(document.querySelector('.rig-map'), {
      subtree: true,
      childList: true,
      attributeFilter: ['d'],
    });
  });
  const shown = framesOver(page, SECONDS);
  // A hand does not wait for the screen: the mouse tells where it is a hundred times a second.
  const moves = [];
  const hand = setInterval(() => moves.push(page.mouse.move(x + 60 * Math.sin(moves.length / 30), y)), 10);
  const { mean, longest, onTime } = await shown;
  clearInterval(hand);
  await Promise.all(moves);
  await page.mouse.up();
  const maps = await page.evaluate(() => globalThis.maps);
  console.log(
    `the height of a row dragged: ${mean.toFixed(1)} frames a second, ${(100 * onTime).toFixed(0)} % of them in time, longest gap ${longest.toFixed(0)} ms, ${maps} maps drawn anew for ${moves.length} moves of the hand`,
  );
  await browser.close();
  process.exit(0);
}
