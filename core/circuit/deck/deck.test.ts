import { describe, expect, test } from 'vitest';
import { answerDeck } from './answer';
import { DeckError } from './error';
import { spiceNumber } from './number';
import { readDeck } from './read';
import { writeDeck } from './write';
import type { Netlist } from '../netlist';

const answer = (...lines: string[]) => answerDeck(readDeck(lines.join('\n')));
const refusal = (...lines: string[]): DeckError => {
  try {
    answer(...lines);
  } catch (error) {
    if (error instanceof DeckError) return error;
    throw error;
  }
  throw new Error('it was answered');
};

test.each([
  ['1k', 1e3],
  ['4.7u', 4.7e-6],
  ['10MEG', 1e7],
  ['1m', 1e-3],
  ['100nF', 1e-7],
  ['1e-3', 1e-3],
  ['1.5e3k', 1.5e6],
  ['-.5V', -0.5],
  ['2mil', 50.8e-6],
])('the SPICE number %s', (text, figure) => {
  expect(spiceNumber(text)! / figure).toBeCloseTo(1, 12);
});
test('what is no number', () => {
  for (const text of ['4k7', 'k', '', '--1', '1..2', '1e400']) expect(spiceNumber(text)).toBeNull();
});

describe('answers', () => {
  test('columns as asked, SPICE sign: a source that feeds reads negative', () => {
    const { headings, rows } = answer(
      't',
      'V1 a 0 10',
      'R1 a b 1k',
      'R2 b 0 1k',
      '.op',
      '.print op v(a) V( A , B ) i(V1) i(r2)',
      '.end',
    );
    expect(headings).toEqual(['v(a)', 'v(a,b)', 'i(v1)', 'i(r2)']);
    [10, 5, -0.005, 0.005].forEach((figure, i) => expect(rows[0][i]).toBeCloseTo(figure, 9));
  });
  test('a sweep has its values first, falling too', () => {
    const { headings, rows } = answer('t', 'v1 a 0 0', 'r1 a 0 1k', '.dc v1 2 -2 -1', '.print dc i(v1)');
    expect(headings[0]).toBe('sweep');
    expect(rows.map((r) => r[0])).toEqual([2, 1, 0, -1, -2]);
    expect(rows[0][1]).toBeCloseTo(-0.002, 12);
  });
  test('rows lie on the print step from start to stop', () => {
    const { rows } = answer('t', 'v1 a 0 sin(0 1 50)', 'r1 a 0 1k', '.tran 1m 10m 4m', '.print tran v(a)');
    expect(rows.map((r) => r[0])).toEqual([0.004, 0.005, 0.006, 0.007, 0.008, 0.009, 0.01]);
    for (const [t, v] of rows) expect(v).toBeCloseTo(Math.sin(100 * Math.PI * t), 3);
  });
  test('UIC, IC= and .ic are honoured; without UIC, IC= is not', () => {
    const body = ['c1 a 0 1u ic=5', 'r1 a 0 1k', 'c2 b 0 1u', 'r2 b 0 1k'];
    const given = answer('t', ...body, '.ic v(b)=3', '.tran 1m 1m uic', '.print tran v(a) v(b)');
    expect(given.rows[0][1]).toBeCloseTo(5, 3);
    expect(given.rows[0][2]).toBeCloseTo(3, 3);
    expect(given.rows[1][1]).toBeCloseTo(5 * Math.exp(-1), 1);
    const held = answer('t', ...body, '.ic v(b)=3', '.tran 1m 1m', '.print tran v(a) v(b)');
    expect(held.rows[0][1]).toBeCloseTo(0, 9);
    expect(held.rows[0][2]).toBeCloseTo(3, 3);
  });
  test('a delayed pulse and a source value at rest', () => {
    const { rows } = answer(
      't',
      'v1 a 0 dc 2 pulse(0 5 1m 0.1m 0.1m 1m 4m)',
      'r1 a 0 1k',
      '.tran 0.5m 7m',
      '.print tran v(a)',
    );
    expect(rows.map((r) => Math.round(r[1]))).toEqual([0, 0, 0, 5, 5, 0, 0, 0, 0, 0, 0, 5, 5, 0, 0]);
    expect(
      answer('t', 'v1 a 0 dc 2 pulse(0 5)', 'r1 a 0 1k', '.op', '.print op v(a)').rows[0][0],
    ).toBeCloseTo(2, 12);
  });
});

describe('what others write', () => {
  const half = (...source: string[]): number =>
    answer('t', `v1 a 0 ${source.join(' ')}`, 'r1 a b 1k', 'r2 b 0 1k', '.op', '.print op v(b)').rows[0][0];
  test.each([
    '6 ac 1',
    'ac 1 0 6',
    'dc=6 ac 1 90',
    'dc 6 sin(0 1 50) ac 1',
    'sin(0 1 50) ac 1 dc 6',
    'ac dc 6',
  ])('a source of "%s" stands at 6 V', (source) => expect(half(source)).toBeCloseTo(3, 9));
  test('what is passed over is said, with its line', () => {
    const cards = ['t', 'v1 c 0 5 ac 1', 'q1 c c 0 m', '.model m npn(bf=80 xtf=2)', '.op', '.print op v(c)'];
    expect(readDeck(cards.join('\n')).notes).toEqual([
      { line: 4, text: expect.stringMatching(/^XTF of model m /) },
      { line: 2, text: expect.stringMatching(/^AC of v1 /) },
    ]);
  });
  test('three alike are one of three times the area; a parameter may stand without its sign', () => {
    const leg = (card: string): number =>
      answer('t', 'v1 a 0 5', 'r1 a b 1k', card, '.model d1 d(is 1e-12 n 1.5 rs 10)', '.op', '.print op v(b)')
        .rows[0][0];
    expect(leg('d1 b 0 d1 m=3')).toBeCloseTo(leg('d1 b 0 d1 3'), 12);
    expect(leg('d1 b 0 d1 m=3')).toBeLessThan(leg('d1 b 0 d1') - 0.01);
  });
  test('a substrate may stand before the model, and a model may be called as a node is', () => {
    const volts = (card: string): number =>
      answer(
        't',
        'v1 p 0 5',
        'r1 p s 1k',
        'r2 p b 100k',
        card,
        '.model 9 npn(bf=80)',
        '.op',
        '.print op v(s)',
      ).rows[0][0];
    expect(volts('q1 s b 0 0 9')).toBe(volts('q1 s b 0 9'));
  });
  test('a ring begun from its charges swings as a cosine: 1 F and 1 H, 5 V, 100 s', () => {
    const { rows } = answer(
      't',
      'c1 a 0 1 ic=5',
      'l1 a 0 1',
      'c2 b 0 1',
      'l2 b 0 1 ic=5',
      '.tran .1 100 uic',
      '.print tran v(a) v(b)',
    );
    expect(rows).toHaveLength(1001);
    for (const [t, a, b] of rows) {
      expect(Math.abs(a - 5 * Math.cos(t))).toBeLessThan(0.05);
      expect(Math.abs(b + 5 * Math.sin(t))).toBeLessThan(0.05);
    }
  });
  test('a junction fed by a current stores what flowed into it', () => {
    // Depletion charge between 0 and -5 V: CJ0 VJ / (1 - M) ((1 + 5 / VJ)^(1 - M) - 1).
    const { rows } = answer(
      't',
      'i1 0 a pulse(0 -1u 0 1n 1n 1 2)',
      'd1 a 0 m',
      '.model m d(is=1e-18 cjo=100p vj=0.8 m=0.4)',
      'r1 a 0 1g',
      '.tran 1u 400u',
      '.print tran v(a)',
    );
    const charge = (v: number): number => ((100e-12 * 0.8) / 0.6) * ((1 - v / 0.8) ** 0.6 - 1);
    for (const [t, v] of rows.slice(10, 300)) expect(charge(v) / (1e-6 * t)).toBeCloseTo(1, 2);
    expect(rows[300][1]).toBeLessThan(-4);
  });
});

describe('refusals name the line and the reason', () => {
  const op = ['.op', '.print op v(a)'];
  test.each([
    [['t', 'v1 a 0 5', 'q1 a 0 b npn', ...op], 3, /no model npn/],
    [['t', 'v1 a 0 5', 'm1 a 0 b 0 nmos', ...op], 3, /element m1 is not known/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.noise v(a) v1 dec 10 1 1k', ...op], 4, /card \.noise is not known/],
    [['t', 'v1 a 0 5', 'r1 a 0 4k7', ...op], 3, /'4k7' is not a number/],
    [['t', 'v1 a 0 5', 'r1 a 0', ...op], 3, /needs two nodes and a value/],
    [['t', 'v1 a 0 5', 'd1 a 0 nomodel', ...op], 3, /no model nomodel/],
    [['t', 'v1 a 0 5', 'd1 a 0 m', '.model m njf', ...op], 4, /model type njf/],
    [['t', 'v1 a 0 5', 'd1 a 0 m', '.model m npn', ...op], 3, /no diode's model/],
    [['t', 'v1 a 0 5', 'd1 a 0 m', '.model m d(cjp=1p)', ...op], 4, /cjp=1p/],
    [['t', 'v1 a 0 5', 'd1 a 0 m', '.model m d(cjo=1p m=1)', ...op], 4, /grading of 1/],
    [['t', 'v1 a 0 dc 5 ac', 'v2 a 0 ac 1 pwr 3', 'r1 a 0 1k', ...op], 3, /'pwr' is not understood/],
    [['t', 'v1 a 0 sin(0 1 50) pulse(0 1)', 'r1 a 0 1k', ...op], 2, /two waveforms/],
    [
      ['t', 'v1 a 0 5', 'q1 a a 0 s n', '.model n npn(ccs=1p)', '.tran 1u 1m', '.print tran v(a)'],
      3,
      /node s floats/,
    ],
    [['t', 'v1 a 0 5', 'r1 a 0 1k m=0', ...op], 3, /stands for 0 alike/],
    [['t', 'v1 a 0 5', 'x1 a 0 sub', ...op], 3, /no subcircuit sub/],
    [
      ['t', 'v1 a 0 5', 'x1 a sub', '.subckt sub p q', 'r1 p q 1', '.ends', ...op],
      3,
      /1 nodes, sub has 2 pins/,
    ],
    [['t', 'v1 a 0 5', 'x1 a 0 sub', '.subckt sub p q', 'x1 p q sub', '.ends', ...op], 5, /contains itself/],
    [['t', 'v1 a 0 5', '.subckt sub p q', 'r1 p q 1'], 3, /without \.ends/],
    [['t', 'v1 a 0 5', '.subckt sub p q', 'r1 p q 1', ...op], 5, /line 3: is its \.ends missing/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.op'], 4, /nothing to print/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.print op v(a)'], 4, /no analysis/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.op', '.print op v(zz)'], 5, /no node zz/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.op', '.print op w(a)'], 5, /not a vector/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', 'r1 a 0 2k', ...op], 4, /second element called r1/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.dc v9 0 1 1', '.print dc v(a)'], 4, /no source v9/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.dc v1 0 1 -1', '.print dc v(a)'], 4, /never reaches/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', '.tran 1m', '.print tran v(a)'], 4, /step and a stop/],
    [['t', 'v1 a 0 pwl(0 0 2 1 1 5)', 'r1 a 0 1k', ...op], 2, /do not ascend/],
    [['t', '+ 5', 'r1 a 0 1k', ...op], 2, /nothing to continue/],
    [['t', 'v1 a 0 5', 'c1 a b 1u', 'r1 a 0 1k', ...op], 3, /node b floats/],
    [['t', 'v1 a 0 5', 'r1 a 0 1k', 'v2 a 0 6', ...op], 4, /v2.*v1|v1.*v2/],
    [['t', 'i1 0 a 1', 'c1 a 0 1u', ...op], 2, /node a floats/],
    [['t', 'v1 a b 5', 'r1 a b 1k', ...op], 2, /node a floats/],
  ])('%j', (lines, line, reason) => {
    const error = refusal(...(lines as string[]));
    expect(error.reason).toMatch(reason as RegExp);
    expect(error.line).toBe(line);
    expect(error.message).not.toMatch(/\n/);
  });
  test('an empty deck', () => {
    expect(refusal('').line).toBe(1);
  });
});

describe('writing', () => {
  const netlist: Netlist = {
    title: 'everything',
    elements: [
      {
        kind: 'voltage',
        id: 'supply',
        a: 'Rail One',
        b: '0',
        wave: { kind: 'dcc', amplitude: 15, bits: '10', oneHalf: 58e-6, zeroHalf: 100e-6 },
      },
      { kind: 'resistor', id: 'r1', a: 'Rail One', b: 'b', ohms: 47 },
      { kind: 'resistor', id: 'link', a: 'b', b: 'c', ohms: 0 },
      {
        kind: 'diode',
        id: 'd1',
        a: 'c',
        b: 'd',
        model: {
          saturationAmps: 5e-9,
          emission: 1.75,
          seriesOhms: 0.05,
          breakdownVolts: 100,
          breakdownAmps: 5e-6,
        },
      },
      { kind: 'capacitor', id: 'store', a: 'd', b: '0', farads: 4.7e-6, initialVolts: 3 },
      { kind: 'inductor', id: 'l1', a: 'd', b: 'e', henries: 1e-3 },
      { kind: 'limiter', id: 'limit', a: 'e', b: 'f', limitAmps: 0.01, kneeVolts: 0.8 },
      {
        kind: 'switch',
        id: 'cut',
        a: 'f',
        b: 'g',
        onOhms: 0.05,
        offOhms: 1e8,
        closed: true,
        toggleSeconds: [1e-3, 2e-3],
      },
      {
        kind: 'diode',
        id: 'd2',
        a: 'g',
        b: '0',
        model: { saturationAmps: 2e-18, emission: 3, seriesOhms: 8 },
      },
      {
        kind: 'current',
        id: 'i1',
        a: 'd',
        b: '0',
        wave: {
          kind: 'pulse',
          low: 0,
          high: 1e-3,
          delay: 0,
          rise: 1e-6,
          fall: 1e-6,
          width: 1e-4,
          period: 2e-4,
        },
      },
      { kind: 'resistor', id: 'r2', a: 'd', b: '0', ohms: 1e4 },
    ],
  };
  const request = { cards: ['.tran 10u 3m uic', '.print tran v(d) v(g) i(l1)'] };
  test('junctions that store, gains that fall and a substrate come back as they were written', () => {
    const text = writeDeck(
      readDeck(
        't\nv1 c 0 5\nd1 c 0 m\nq1 c c 0 s n\nr1 s 0 1\n.model m d(cjo=4p tt=6n)\n.model n npn(ikf=0.2 ise=1e-14 ne=1.6 var=20 cje=8p tf=0.4n cjc=5p mjc=0.4 ccs=2p)\n.op\n.print op v(c)',
      ).netlist,
      { cards: ['.op', '.print op v(c)'] },
    );
    expect(text).toMatch(/cjo=[^]*tt=[^]*ikf=/);
    expect(
      writeDeck(readDeck(text).netlist, { cards: ['.op', '.print op v(c)'] })
        .split('\n')
        .slice(1),
    ).toEqual(text.split('\n').slice(1));
  });
  test('writer, reader, writer: the same deck; our own elements come back as themselves', () => {
    const once = writeDeck(netlist, request);
    const back = readDeck(once);
    expect(
      writeDeck({ ...back.netlist, title: 'everything' }, request).replace(/pwl\([^)]*\) r=0/s, 'W'),
    ).toBe(once.replace(/pwl\([^)]*\) r=0/s, 'W'));
    expect(back.netlist.elements.map((e) => e.kind)).toEqual(
      expect.arrayContaining(['limiter', 'switch', 'diode', 'inductor']),
    );
    const limiter = back.netlist.elements.find((e) => e.kind === 'limiter');
    expect(limiter).toMatchObject({ limitAmps: 0.01, kneeVolts: 0.8 });
    expect(back.netlist.elements.find((e) => e.kind === 'switch')).toMatchObject({
      closed: true,
      toggleSeconds: [1e-3, 2e-3],
    });
  });
  test('and the same answer, row by row', () => {
    const once = readDeck(writeDeck(netlist, request));
    const twice = readDeck(writeDeck(once.netlist, request));
    const [a, b] = [answerDeck(once), answerDeck(twice)];
    expect(a.rows.length).toBe(301);
    a.rows.forEach((row, i) => row.forEach((figure, j) => expect(figure).toBeCloseTo(b.rows[i][j], 9)));
  });
});

describe('decks made to harm', () => {
  const deck = (...cards: string[]): string => ['title', 'v1 a 0 5', ...cards, '.print op v(a)'].join('\n');
  test.each([
    [
      'a model parameter of the language’s own',
      deck('r1 a 0 1k', 'd1 a 0 m', '.model m d(__proto__=1)', '.op'),
      /is not known/,
    ],
    ['another of them', deck('r1 a 0 1k', 'd1 a 0 m', '.model m d(constructor=1)', '.op'), /is not known/],
    [
      'a sweep within a sweep, a million squared',
      'title\nv1 a 0 5\nv2 b 0 5\nr1 a 0 1k\nr2 b 0 1k\n.dc v1 0 1 1u v2 0 1 1u\n.print dc v(a)',
      /more than a million points/,
    ],
    [
      'subcircuits that double forty times with nothing in them',
      deck(
        'r1 a 0 1k',
        '.subckt s0 p',
        '.ends',
        ...Array.from({ length: 40 }, (_, i) => [
          `.subckt s${i + 1} p`,
          `x1 p s${i}`,
          `x2 p s${i}`,
          '.ends',
        ]).flat(),
        'x9 a s40',
        '.op',
      ),
      /more than 200000 elements, subcircuits among them/,
    ],
    ['a line of blanks without end', deck(`r1 a 0 1k${' '.repeat(200_000)}x`, '.op'), /not understood/],
    ['a figure of digits without end', deck(`r1 a 0 ${'1'.repeat(200_000)}`, '.op'), /not a number/],
    [
      'a run of more steps than anyone waits for',
      'title\nv1 a 0 sin(0 1 1meg)\nr1 a b 1k\nc1 b 0 1n\n.tran 1 1000\n.print tran v(b)',
      /more than 20000000 steps/,
    ],
    [
      'an answer that no circuit has',
      'title\nv1 a 0 1e20\nr1 a 0 1\n.op\n.print op v(a)',
      /which no circuit has/,
    ],
  ])('%s is refused, with the line', (_, source, why) => {
    const answer = (): unknown => answerDeck(readDeck(source));
    expect(answer).toThrow(DeckError);
    expect(answer).toThrow(why);
  });
  test('nothing is left behind in the language’s own objects', () => {
    expect(({} as Record<string, unknown>).saturationAmps).toBeUndefined();
  });
});
