import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';

export const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command with the project as its folder; its output goes where ours goes. @returns exit status */
export function run(command, words, options = {}) {
  const done = spawnSync(command, words, {
    cwd: root,
    stdio: 'inherit',
    shell: process.platform === 'win32',
    ...options,
  });
  if (done.error) throw done.error;
  return done.status ?? 1;
}

/** Runs a program of an installed package. */
export function runTool(name, words, options = {}) {
  return run(process.execPath, [toolPath(name), ...words], options);
}

/** The same, beside others. @returns a promise of the exit status */
export function startTool(name, words) {
  return new Promise((done, refuse) => {
    const running = spawn(process.execPath, [toolPath(name), ...words], { cwd: root, stdio: 'inherit' });
    running.on('error', refuse);
    running.on('close', (status) => done(status ?? 1));
  });
}

function toolPath(name) {
  const owner = {
    vite: 'vite',
    tsc: 'typescript',
    vitest: 'vitest',
    eslint: 'eslint',
    depcruise: 'dependency-cruiser',
    prettier: 'prettier',
  }[name];
  const manifest = JSON.parse(readFileSync(join(root, 'node_modules', owner, 'package.json'), 'utf8'));
  const bin = typeof manifest.bin === 'string' ? manifest.bin : manifest.bin[name];
  return join(root, 'node_modules', owner, bin);
}

/** Says so, in one sentence, when this Node.js is too old. */
export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  console.error(`Hazel Spark needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}

/** Installs the packages when they are missing or older than the lock file. */
export function installPackages() {
  const stamp = join(root, 'node_modules', '.hazel-installed');
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages (once)…');
  if (run(npm, ['ci', '--include=dev', '--no-audit', '--no-fund']) !== 0) {
    console.error('The packages could not be installed: is the npm registry within reach?');
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}

const sources = [
  'app',
  'core',
  'cli',
  'server',
  'demo',
  'public',
  'index.html',
  'package-lock.json',
  'vite.config.ts',
  'vite.programs.config.ts',
  'tsconfig.json',
];

function newest(path) {
  const facts = statSync(path);
  if (!facts.isDirectory()) return facts.mtimeMs;
  return Math.max(facts.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds application, server and terminal when a source is newer than the last build. */
export function buildIfStale() {
  const stamp = join(root, 'dist', '.built');
  const changed = Math.max(...sources.map((s) => newest(join(root, s))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > changed) return;
  build();
}

export function build() {
  console.log('Building…');
  for (const words of [
    ['build', '--logLevel', 'warn'],
    ['build', '-c', 'vite.programs.config.ts', '--logLevel', 'warn'],
  ]) {
    if (runTool('vite', words) !== 0) {
      console.error('The build failed; what it says is above.');
      process.exit(1);
    }
  }
  mkdirSync(join(root, 'dist'), { recursive: true });
  writeFileSync(join(root, 'dist', '.built'), '');
}
