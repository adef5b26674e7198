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

/** Whether a program can be started. */
const starts = (program) => spawnSync(program, ['--version'], { stdio: 'ignore' }).status === 0;

/** Installs Debian's packages where that can be done. */
function installDebian(packages, what) {
  if (!starts('apt-get')) return;
  const prefix = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  console.log(`Installing ${what} (once)…`);
  for (const words of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', ...packages],
  ]) {
    const [program, ...rest] = [...prefix, 'apt-get', ...words];
    spawnSync(program, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
}

/** Finds Chromium, installing Debian's where that can be done. @returns its path, or null */
export function provideChromium() {
  if (!findChromium()) installDebian(['chromium'], 'Chromium for the browser tests');
  return findChromium();
}

/** Compilers for what tests exported programs; what cannot be had leaves its tests out, and they say so. */
export function provideCompilers() {
  if (!starts('g++')) installDebian(['g++'], 'a C++ compiler for exported programs');
  if (!starts('avr-g++')) installDebian(['gcc-avr', 'avr-libc'], 'the AVR compiler for exported programs');
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
