import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfStale, installPackages, requireNode, root, runTool, startTool } from './steps.mjs';
import { provideChromium, provideCompilers } from './browser.mjs';

requireNode();
installPackages();
let passed = 0;
let failed = 0;
const judge = (name, ok) => {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) passed++;
  else failed++;
};

/** Checks that follow one another; two rows of them run at once. */
async function inTurn(checks) {
  for (const [name, tool, words] of checks) judge(name, (await startTool(tool, words)) === 0);
}
await Promise.all([
  inTurn([
    ['types', 'tsc', ['--noEmit']],
    ['prettier', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ]),
  inTurn([
    ['eslint', 'eslint', ['.']],
    ['types of core alone, without screen or machine', 'tsc', ['-p', 'tsconfig.core.json']],
    [
      'rooms import only from above',
      'depcruise',
      [
        ...['core', 'app', 'cli', 'bench', 'server', 'demo', 'tests'],
        ...['--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
      ],
    ],
  ]),
]);
buildIfStale();

provideCompilers();
const chromium = provideChromium();
if (!chromium) {
  judge('a browser for the browser tests', false);
  console.log(
    'The browser tests need Chromium: install it (on Debian: apt-get install chromium) or say where it is with CHROMIUM=/path.',
  );
}
const report = join(root, '.cache', 'tests.json');
mkdirSync(join(root, '.cache'), { recursive: true });
rmSync(report, { force: true });
const projects = ['unit', 'app', 'programs', 'fuzz', 'reference', ...(chromium ? ['e2e'] : [])].flatMap(
  (p) => ['--project', p],
);
const status = runTool(
  'vitest',
  ['run', ...projects, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
  {
    env: { ...process.env, CHROMIUM: chromium ?? '' },
  },
);
try {
  const { numPassedTests, numFailedTests, numFailedTestSuites, success } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  passed += numPassedTests;
  failed += numFailedTests;
  if (!success && numFailedTests === 0) failed += Math.max(1, numFailedTestSuites);
  else if (status !== 0 && numFailedTests === 0) failed++;
} catch {
  console.log('The test runner gave no report.');
  failed++;
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
