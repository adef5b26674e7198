import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));
const program = join(root, 'dist', 'cli', 'hazel.mjs');
const demo = join(root, 'tests', 'layouts', 'quay-version-2.hazel.json');
const folder = mkdtempSync(join(tmpdir(), 'hazel-'));
const file = (name: string, content: string | Uint8Array): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
const hazel = (...words: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...words], {
    encoding: 'utf8',
    timeout: 60_000,
  });
  return { status, stdout, stderr };
};
/** One line, status 1, no stack trace. */
const complains = (answer: ReturnType<typeof hazel>, why: RegExp): void => {
  expect(answer.status).toBe(1);
  expect(answer.stdout).toBe('');
  expect(answer.stderr.trimEnd().split('\n')).toHaveLength(1);
  expect(answer.stderr).not.toMatch(/\bat .*\.(mjs|ts|js):\d+/);
  expect(answer.stderr).toMatch(why);
};

describe('names from a file', () => {
  const layout = JSON.parse(readFileSync(demo, 'utf8')) as { jobs: Record<string, Record<string, unknown>> };
  const [id, job] = Object.entries(layout.jobs)[0];
  const escape = '\u001b[2Jgone\u0007';
  const path = file(
    'hostile.hazel.json',
    JSON.stringify({
      ...layout,
      jobs: { [id]: { ...job, name: escape }, other: { ...job, name: 'Sound', order: 9 } },
    }),
  );
  test.each(['check', 'solve'])('do not steer the terminal: %s', (command) => {
    const { stdout, stderr } = hazel(command, path);
    // eslint-disable-next-line no-control-regex
    expect(stdout + stderr).not.toMatch(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/);
    expect(stdout).toContain('gone');
    expect(stdout).toContain('Sound');
  });
  test('nor does a complaint', () => {
    complains(hazel('check', path, '--job', escape), /there is no job .*gone/);
  });
});

describe('hazel deck', () => {
  test('prints a table with the headings as asked, a comma quoted', () => {
    const path = file(
      'divider.cir',
      'divider\nV1 a 0 10\nR1 a b 1k\nR2 b 0 1k\n.tran 1m 3m\n.print tran v(a) v(A,b) i(V1)\n.end\n',
    );
    const { status, stdout } = hazel('deck', path);
    expect(status).toBe(0);
    const lines = stdout.trimEnd().split('\n');
    expect(lines[0]).toBe('time,v(a),"v(a,b)",i(v1)');
    expect(lines).toHaveLength(5);
    expect(lines[4].split(',').map(Number)[0]).toBe(0.003);
    expect(lines[4].split(',').map(Number)[2]).toBeCloseTo(5, 9);
    const { rows } = JSON.parse(hazel('deck', path, '--json').stdout) as { rows: number[][] };
    expect(rows).toHaveLength(4);
  });
  test('an operating point has no first column', () => {
    const path = file('op.cir', 't\nv1 a 0 10\nr1 a 0 1k\n.op\n.print op v(a)\n');
    expect(hazel('deck', path).stdout).toBe('v(a)\n10\n');
  });
  test('a refusal is FILE:LINE: reason', () => {
    const path = file('floating.cir', 't\nv1 a 0 5\nr1 a 0 1k\nc1 a b 1u\n.op\n.print op v(b)\n');
    const answer = hazel('deck', path);
    complains(answer, /node b floats/);
    expect(answer.stderr.startsWith(`${path}:4: `)).toBe(true);
  });
});

/** Decks that are hard for a solver: each has to be answered rightly, or refused in one line. */
const hard: readonly (readonly [string, string, (rows: number[][]) => void])[] = [
  [
    'a kilovolt on a hundred silicon diodes',
    `t\nv1 n0 0 1000\n${Array.from({ length: 100 }, (_, i) => `d${i} n${i} n${i + 1} m`).join('\n')}\nr1 n100 0 10\n.model m d(is=1e-15 n=1)\n.op\n.print op v(n100) i(v1)\n`,
    ([r]) => {
      expect(r[0]).toBeGreaterThan(890);
      expect(r[0]).toBeLessThan(925);
      expect(r[1]).toBeCloseTo(-r[0] / 10, 3);
    },
  ],
  [
    'a junction so steep that it is a step',
    't\nv1 a 0 5\nr1 a b 1k\nd1 b 0 m\n.model m d(is=1e-30 n=0.05)\n.op\n.print op v(b)\n',
    ([r]) => {
      const slope = 0.05 * 0.025865;
      expect(r[0]).toBeCloseTo(slope * Math.log((5 - r[0]) / 1000 / 1e-30), 4);
    },
  ],
  [
    'deep breakdown from a stiff source',
    't\nv1 a 0 -200\nr1 a b 1\nd1 b 0 m\n.model m d(is=1e-14 bv=5 ibv=1m)\n.op\n.print op v(b)\n',
    ([r]) => {
      expect(r[0]).toBeLessThan(-5);
      expect(r[0]).toBeGreaterThan(-5.6);
    },
  ],
  [
    'anti-parallel lamps floating between two bridges',
    't\nv1 a 0 12\nd1 a p m\nd2 0 p m\nd3 n a m\nd4 n 0 m\nr1 p x 1k\nd5 x y l\nd6 y x l\nd7 y n m\n.model m d(is=1e-9 n=1.7)\n.model l d(is=1e-18 n=3 rs=5)\n.op\n.print op v(p,n) v(x,y)\n',
    ([r]) => {
      expect(r[1]).toBeGreaterThan(2);
      expect(r[1]).toBeLessThan(3);
    },
  ],
  [
    'nothing but blocked junctions',
    't\nv1 a 0 12\nd1 b a m\nd2 0 b m\n.model m d(is=1e-14)\n.op\n.print op v(b) i(v1)\n',
    ([r]) => {
      expect(r[0]).toBeGreaterThan(5.5);
      expect(r[0]).toBeLessThan(6.5);
    },
  ],
  [
    'resistances twelve decades apart',
    't\nv1 a 0 1\nr1 a b 1u\nr2 b c 1meg\nr3 c 0 1g\nr4 b 0 1k\n.op\n.print op v(c) i(r4)\n',
    ([r]) => {
      expect(r[0]).toBeCloseTo(1 / 1.001, 6);
      expect(r[1]).toBeCloseTo(1e-3, 6);
    },
  ],
  [
    'a coil cut off by a diode',
    't\nv1 a 0 pulse(10 -10 1m 1n 1n 1m 10m)\nd1 a b m\nl1 b c 10m\nr1 c 0 100\nd2 0 b m\n.model m d(is=1e-12 n=1.2 rs=0.1)\n.tran 20u 4m\n.print tran v(b) i(l1)\n',
    (rows) => {
      for (const r of rows) expect(r[2]).toBeGreaterThan(-1e-4);
      expect(rows[rows.length - 1][2]).toBeGreaterThan(0.08);
    },
  ],
  [
    'a capacitor given a voltage its source forbids',
    't\nv1 a 0 5\nr0 a b 1m\nc1 b 0 1u ic=-5\nr1 b 0 1k\n.tran 1u 20u uic\n.print tran v(b)\n',
    (rows) => {
      expect(rows[rows.length - 1][1]).toBeCloseTo(5, 3);
    },
  ],
  [
    'nanosecond edges in a second of silence',
    't\nv1 a 0 pulse(0 5 0.1 1n 1n 1u 0.2)\nr1 a b 1k\nc1 b 0 1n\n.tran 1m 1\n.print tran v(a) v(b)\n',
    (rows) => {
      expect(rows).toHaveLength(1001);
      for (const r of rows) expect(Math.abs(r[2])).toBeLessThanOrEqual(5.01);
    },
  ],
  [
    'a ring of lamps between rails that chase one another',
    't\nv1 a 0 sin(0 15 50)\nv2 b 0 sin(0 15 50 0 0 120)\nv3 c 0 sin(0 15 50 0 0 240)\nd1 a x m\nd2 b x m\nd3 c x m\nd4 y a m\nd5 y b m\nd6 y c m\nc1 x y 10u\nr1 x y 470\nrx y 0 10meg\n.model m d(is=1e-9 n=1.7 rs=0.05)\n.tran 50u 60m\n.print tran v(x,y)\n',
    (rows) => {
      const late = rows.slice(-400).map((r) => r[1]);
      expect(Math.max(...late)).toBeLessThan(26);
      expect(Math.min(...late)).toBeGreaterThan(20);
    },
  ],
];

describe('ten hard decks', () => {
  test.each(hard)('%s', (name, source, check) => {
    const { status, stdout, stderr } = hazel(
      'deck',
      file(`${name.replace(/\W+/g, '-')}.cir`, source),
      '--json',
    );
    expect(stderr).toBe('');
    expect(status).toBe(0);
    const { rows } = JSON.parse(stdout) as { rows: number[][] };
    for (const row of rows) for (const figure of row) expect(Number.isFinite(figure)).toBe(true);
    check(rows);
  });
});

describe('hazel on a layout', () => {
  test('check: status 1 on a stop, 0 once it is mended', () => {
    const { status, stdout } = hazel('check', demo);
    expect(status).toBe(1);
    expect(stdout).toMatch(/STOP Reservoir: rated too low\. It sees up to 17\.3 V/);
    const mended = file('mended.hazel.json', hazelText('"ratedVolts": 16', '"ratedVolts": 25'));
    expect(hazel('check', mended)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/nothing needs attention/),
    });
    expect(JSON.parse(hazel('check', demo, '--json').stdout)[0].findings[0].rule).toBe('reservoir-rating');
  }, 30_000);
  test('sheet: as Markdown, and as a page with its drawing; a job there is not is refused', () => {
    const quay = join(root, 'demo', 'brackwater-quay.hazel.json');
    const markdown = hazel('sheet', quay, '--job', 'diesel-shunter');
    expect(markdown.status).toBe(0);
    expect(markdown.stdout).toMatch(/^# Diesel shunter 7\n/);
    expect(markdown.stdout).toMatch(/^1\. \[ \] \*\*/m);
    const page = hazel('sheet', quay, '--job', 'diesel-shunter', '--html', '--proof');
    expect(page.stdout).toMatch(/^<!doctype html>/);
    expect(page.stdout).toContain('<svg');
    expect(page.stdout).toContain('The shortest proof');
    complains(hazel('sheet', quay, '--job', 'nobody'), /there is no job nobody/);
    complains(hazel('sheet', quay), /--job is missing/);
  });
  test('check: trains too, with what an eye sees differ', () => {
    const { stdout } = hazel('check', join(root, 'demo', 'brackwater-quay.hazel.json'));
    expect(stdout).toMatch(/Boat train:/);
    expect(stdout).toMatch(/MIND Open saloon 22 is brighter and bluer\. It differs from Heritage coach 2 by/);
    expect(stdout).toMatch(/NOTE To be filed: board between the roof tabs\..*notches 0\.5 mm deep/);
    // What is no job: the power under the boards, and the light above them.
    expect(stdout).toMatch(/The power under the boards: /);
    expect(stdout).toMatch(/Late sun over the slip: [\s\S]*The right end is dim/);
  });
  test('solve: figures with units, and as JSON in SI', () => {
    expect(hazel('solve', demo).stdout).toMatch(/as it stands: 14\.2 mA; .*Lamp 7 2\.03 mA \(70\)/);
    const [answer] = JSON.parse(hazel('solve', demo, '--json').stdout) as {
      lamps: { amps: { mean: number } }[];
    }[];
    expect(answer.lamps).toHaveLength(7);
    expect(answer.lamps[0].amps.mean).toBeCloseTo(2.03e-3, 5);
  });
  test('netlist: a deck that this program solves to the same figures', () => {
    const { stdout } = hazel('netlist', demo, '--job', 'compartment-coach');
    const answer = hazel('deck', file('job.cir', stdout));
    expect(answer.status).toBe(0);
    expect(answer.stdout.trimEnd().split('\n').pop()!.split(',').map(Number)[2]).toBeCloseTo(2.6786, 3);
  });
});

describe('hazel new', () => {
  test('writes a layout with one fresh job, as chosen, that check and sheet take', () => {
    const made = hazel(
      'new',
      'coach',
      '--scale',
      'N',
      '--supply',
      'ac-track',
      '--sort',
      'short',
      '--wanted',
      '55',
    );
    expect(made).toMatchObject({ status: 0, stderr: '' });
    const layout = JSON.parse(made.stdout) as {
      scale: string;
      jobs: Record<string, { kind: string; wantedLux: number }>;
      supplies: Record<string, { kind: string }>;
    };
    expect(layout.scale).toBe('N');
    const [[jobId, job]] = Object.entries(layout.jobs);
    expect(job).toMatchObject({ kind: 'coach', wantedLux: 55 });
    expect(Object.values(layout.supplies).map((s) => s.kind)).toContain('ac-track');
    const path = file('fresh.hazel.json', made.stdout);
    expect(hazel('check', path).status).toBe(0);
    expect(hazel('sheet', path, '--job', jobId).stdout).toMatch(/^# /);
  });
  test('lists what may be chosen, says what cannot be had, and refuses what is none of it', () => {
    const help = hazel('new', 'signal', '--help');
    expect(help.stdout).toMatch(/--practice .*two-aspect/);
    expect(help.stdout).toMatch(/--scale .*H0/);
    const dark = hazel('new', 'display-model', '--supply', 'cell', '--part', 'strip-warm');
    expect(dark.status).toBe(0);
    expect(dark.stderr).toMatch(/wants .* V to light/);
    complains(hazel('new', 'coach', '--sort', 'tram'), /--sort tram is not one of open, /);
    complains(hazel('new', 'coach', '--wanted', '4000'), /--wanted 4000 is not between 9 and 300/);
    complains(hazel('new', 'bus'), /there is no kind bus/);
  });
});

function hazelText(from: string, to: string): string {
  const { layout } = { layout: spawnSync('cat', [demo], { encoding: 'utf8' }).stdout };
  return layout.replace(from, to);
}

describe('bad input gives one line and status 1', () => {
  const each = ['deck', 'solve', 'check', 'netlist'] as const;
  test.each(each)('%s', (command) => {
    complains(hazel(command), /usage/);
    complains(hazel(command, join(folder, 'missing')), /cannot be opened/);
    complains(hazel(command, folder), /not a file/);
    complains(hazel(command, file('empty', '')), /empty/);
    complains(hazel(command, file('binary', new Uint8Array([1, 0, 255, 0]))), /not a text file/);
    complains(
      hazel(
        command,
        file('bytes', new Uint8Array(Array.from({ length: 4000 }, (_, i) => 128 + ((i * 37) % 127)))),
      ),
      /./,
    );
    complains(hazel(command, demo, '--wrong'), /option --wrong is not known/);
  });
  test('commands that are not there', () => {
    complains(hazel(), /usage/);
    complains(hazel('toString'), /usage/);
  });
  test('a deck that contains itself, one that explodes, one nested without end', () => {
    complains(
      hazel('deck', file('self.cir', 't\nx1 a 0 s\n.subckt s p q\nx1 p q s\n.ends\n.op\n.print op v(a)\n')),
      /contains itself/,
    );
    const levels = Array.from(
      { length: 12 },
      (_, i) =>
        `.subckt s${i} p q\n${Array.from({ length: 10 }, (_, k) => `x${k} p q s${i + 1}`).join('\n')}\n.ends`,
    );
    complains(
      hazel(
        'deck',
        file(
          'bomb.cir',
          `t\nv1 a 0 1\nx1 a 0 s0\n${levels.join('\n')}\n.subckt s12 p q\nr1 p q 1\n.ends\n.op\n.print op v(a)\n`,
        ),
      ),
      /more than 200000 elements/,
    );
    complains(
      hazel(
        'deck',
        file('nest.cir', `t\n${Array.from({ length: 900 }, (_, i) => `.subckt s${i} p q`).join('\n')}\n`),
      ),
      /nested too deep/,
    );
  });
  test('layouts that are none', () => {
    complains(hazel('check', file('foreign.json', '{"format":"else"}')), /not a Hazel Spark layout/);
    complains(
      hazel('solve', file('deep.json', `{"format":"hazel-spark-layout","version":1,"x":${'['.repeat(1e5)}`)),
      /not JSON/,
    );
    complains(
      hazel('check', file('newer.json', hazelText('"version": 2', '"version": 70'))),
      /newer Hazel Spark/,
    );
    complains(hazel('netlist', demo, '--job', 'ghost'), /there is no job ghost/);
  });
});
