import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const places = [
  process.env.CHROMIUM,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/snap/bin/chromium',
];

/** Where the browser for tests is, or null. */
export function findChromium() {
  return places.find((p) => p && existsSync(p)) ?? null;
}

/** Finds Chromium, installing Debian's where that can be done. @returns its path, or null */
export function provideChromium() {
  const found = findChromium();
  if (found) return found;
  const isRoot = process.getuid?.() === 0;
  const prefix = isRoot ? [] : ['sudo', '-n'];
  if (spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0) {
    console.log('Installing Chromium for the browser tests (once)…');
    for (const words of [
      ['update', '-qq'],
      ['install', '-y', '-qq', '--no-install-recommends', 'chromium'],
    ]) {
      const [program, ...rest] = [...prefix, 'apt-get', ...words];
      spawnSync(program, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      });
    }
  }
  return findChromium();
}

/** Chromium as tests, pictures and measurements drive it. */
export async function openChromium(executablePath) {
  // Fetched here: what looks for a browser runs before the packages are there.
  const { chromium } = await import('playwright-core');
  return chromium.launch({
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
}
