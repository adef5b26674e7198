import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildIfStale, installPackages, requireNode, root } from './steps.mjs';

// Whole processes, one after another, the fastest of a few: our program, the reference simulator in
// WebAssembly and, where it is installed, the native one. Ratios are what counts; times depend on the machine.

requireNode();
installPackages();
buildIfStale();
const folder = join(root, '.cache', 'bench');
mkdirSync(folder, { recursive: true });

const models = '.model silicon d(is=2.5e-9 n=1.75 rs=0.05)\n.model white d(is=1e-18 n=3 rs=8)';
const lamps = Array.from({ length: 7 }, (_, i) => `r${i} q x${i} 2.2k\nd${i} x${i} m white`).join('\n');
const unit = (n) =>
  `r${n} q s${n} 150\nda${n} s${n} t${n} white\ndb${n} t${n} u${n} white\ndc${n} u${n} m white`;
const taps = Array.from(
  { length: 300 },
  (_, i) =>
    `rw${i} n${i} n${i + 1} 0.02\nrl${i} n${i + 1} x${i} 1k\nd${i} x${i} 0 white\ncl${i} n${i + 1} 0 1u`,
).join('\n');
const bridge =
  'dba r p silicon\ndbb 0 p silicon\ndbc m r silicon\ndbd m 0 silicon\nrb1 m 0 10meg\nrb2 p 0 10meg';
const decks = {
  '3 s of a DCC coach': `coach\nv1 t 0 pulse(-15 15 0 1u 1u 57u 116u)\nrt t r 0.5\n${bridge}\nrc p q 100\nc1 q m 470u ic=0\n${lamps}\n${models}\n.tran 100u 3 uic\n.print tran v(q,m) i(v1)\n.end\n`,
  '200 ms of an AC strip': `strip\nv1 t 0 sin(0 22 50)\nrt t r 1\n${bridge}\nrc p q 47\nc1 q m 470u\n${[1, 2, 3, 4].map(unit).join('\n')}\n${models}\n.tran 20u 200m\n.print tran v(q,m) i(v1)\n.end\n`,
  'a bus of 300 taps, 20 ms': `bus\nv1 n0 0 pulse(0 12 1m 10u 10u 8m 20m)\n${taps}\n${models}\n.tran 20u 20m\n.print tran v(n150) v(n300) i(v1)\n.end\n`,
};

const seconds = (command, words, runs) => {
  let best = Infinity;
  for (let i = 0; i < runs; i++) {
    const start = process.hrtime.bigint();
    const done = spawnSync(command, words, {
      stdio: ['ignore', 'ignore', 'pipe'],
      encoding: 'utf8',
      env: { ...process.env, SPICE_ASCIIRAWFILE: '1' },
    });
    const took = Number(process.hrtime.bigint() - start) / 1e9;
    if (done.status !== 0)
      return { failed: (done.stderr || String(done.error ?? 'failed')).trim().split('\n').pop() };
    best = Math.min(best, took);
  }
  return { best };
};
const said = (t) =>
  t === undefined ? 'not installed' : t.failed ? `failed (${t.failed})` : `${t.best.toFixed(2)} s`;
const ratio = (other, ours) =>
  other?.best && ours.best ? `${(other.best / ours.best).toFixed(1)} times ours` : '';

const wasm = join(folder, 'reference.mjs');
writeFileSync(
  wasm,
  `import { Simulation } from ${JSON.stringify(pathToFileURL(join(root, 'node_modules', 'eecircuit-engine', JSON.parse(readFileSync(join(root, 'node_modules', 'eecircuit-engine', 'package.json'), 'utf8')).module ?? 'dist/eecircuit-engine.mjs')).href)};
import { readFileSync } from 'node:fs';
const s = new Simulation(); await s.start(); s.setNetList(readFileSync(process.argv[2], 'utf8')); const r = await s.runSim();
const t = r.data[0].values; if (!(t[t.length - 1] >= Number(process.argv[3]) * 0.999)) { console.error('did not reach its stop time'); process.exit(1); } process.exit(0);
`,
);
const program = join(root, 'dist', 'cli', 'hazel.mjs');
const native = spawnSync('ngspice', ['--version'], { stdio: 'ignore' }).status === 0;
const empty = seconds(process.execPath, ['-e', '0'], 5);
console.log(`starting Node.js alone: ${empty.best.toFixed(2)} s\n`);
const stops = { '3 s of a DCC coach': 3, '200 ms of an AC strip': 0.2, 'a bus of 300 taps, 20 ms': 0.02 };
for (const [name, deck] of Object.entries(decks)) {
  const path = join(folder, `${name.replace(/\W+/g, '-')}.cir`);
  writeFileSync(path, deck);
  const ours = seconds(process.execPath, [program, 'deck', path], 5);
  const wasmTime = seconds(process.execPath, [wasm, path, String(stops[name])], 1);
  const nativeTime = native ? seconds('ngspice', ['-b', path], 2) : undefined;
  console.log(name);
  console.log(
    `  ours                ${said(ours)}${ours.best ? `, of which solving and printing ${(ours.best - empty.best).toFixed(2)} s` : ''}`,
  );
  console.log(`  reference, wasm     ${said(wasmTime)} ${ratio(wasmTime, ours)}`);
  console.log(`  reference, native   ${said(nativeTime)} ${ratio(nativeTime, ours)}\n`);
}
const quay = join(root, 'demo', 'brackwater-quay.hazel.json');
for (const part of ['first', 'edit', 'train', 'vehicle', 'feeds', 'overhead']) {
  const words = [join(root, 'dist', 'bench', 'main.mjs'), part, quay];
  const timed = spawnSync(process.execPath, words, { encoding: 'utf8' });
  console.log(timed.status === 0 ? timed.stdout : timed.stderr);
}
await import('./frames.mjs');
spawnSync(process.execPath, [join(root, 'scripts', 'edits.mjs')], { stdio: 'inherit' });
