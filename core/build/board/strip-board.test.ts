// @vitest-environment happy-dom
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { generatedJobs, generatedKinds, type Case } from '../../../tests/kinds';
import { assemble } from '../../assembly/assemble';
import { netsOf, terminalKey, terminalsOf, type Assembly } from '../../assembly/assembly';
import { boardSvg, cutWords, linkWords } from './board-svg';
import { boardSize, extracted, extractedPads, isSound, padLinks, type StripBoard } from './board';
import { boardParts, plainBoardArea, stripBoard } from './strip-board';

/** What the leads of a job join of the parts on its board, and what its wires lead to; told from the assembly alone. */
function wanted(assembly: Assembly): string[][] {
  const here = new Set(boardParts(assembly).map((p) => p.id));
  const nets = netsOf({
    ...assembly,
    parts: boardParts(assembly),
    leads: assembly.leads.filter((l) => here.has(l.from.part) && here.has(l.to.part)),
  });
  const groups = new Map<string, string[]>();
  for (const part of boardParts(assembly))
    for (const terminal of terminalsOf[part.kind]) {
      const key = terminalKey({ part: part.id, terminal });
      groups.set(nets.get(key)!, [...(groups.get(nets.get(key)!) ?? []), key]);
    }
  for (const lead of assembly.leads)
    for (const [inside, outside] of [
      [lead.from, lead.to],
      [lead.to, lead.from],
    ])
      if (here.has(inside.part) && !here.has(outside.part))
        groups.get(nets.get(terminalKey(inside))!)!.push(`${lead.id} ${terminalKey(outside)}`);
  return [...groups.values()].map((g) => g.sort()).sort((a, b) => (a[0] < b[0] ? -1 : 1));
}

const demoJobs: Case[] = Object.keys(boatTrain().jobs).map((jobId) => ({ layout: boatTrain(), jobId }));
const generated = fc.sample(fc.oneof(...generatedKinds.map((k) => generatedJobs[k])), {
  numRuns: 260,
  seed: 50,
});
const made = [...demoJobs, ...generated].flatMap(({ layout, jobId }) => {
  const assembly = assemble(layout, jobId);
  const found = stripBoard(assembly);
  return boardParts(assembly).length === 0 ? [] : [{ assembly, found }];
});
const boards = made.flatMap(({ assembly, found }) => (found.ok ? [{ assembly, board: found.board }] : []));

describe('a strip-board for every job of the demo and 260 generated ones', () => {
  test('is found for nearly all that have something to sit on it; the others say why', () => {
    expect(made.length).toBeGreaterThan(120);
    expect(boards.length / made.length).toBeGreaterThan(0.95);
    for (const { found } of made) if (!found.ok) expect(found.reason).toMatch(/reach over more than/);
  });
  test('its copper connects what the job’s leads connect, and nothing else', () => {
    for (const { assembly, board } of boards) expect(extracted(board)).toEqual(wanted(assembly));
  });
  test('on pads, bare wires along the rows connect the same, and each of them is needed', () => {
    for (const { assembly, board } of boards) {
      const links = padLinks(board);
      expect(extractedPads(board, links)).toEqual(wanted(assembly));
      for (const [i] of links.entries())
        expect(
          extractedPads(
            board,
            links.filter((_, k) => k !== i),
          ),
        ).not.toEqual(wanted(assembly));
    }
  });
  test('no hole is used twice, no bodies meet, nothing sits in a cut', () => {
    for (const { board } of boards) expect(isSound(board)).toBe(true);
  });
  test('beats a board of a column for each part and a strip for each net, where there are more than two parts', () => {
    let smaller = 0;
    for (const { assembly, board } of boards) {
      expect(board.columns * board.rows).toBeLessThanOrEqual(plainBoardArea(assembly));
      if (board.columns * board.rows < plainBoardArea(assembly)) smaller++;
    }
    expect(smaller / boards.length).toBeGreaterThan(0.5);
    // Of the demo's, those with more than two parts: two on one strip are as small as they can be.
    for (const { layout, jobId } of demoJobs) {
      const assembly = assemble(layout, jobId);
      const found = stripBoard(assembly);
      if (boardParts(assembly).length > 2 && found.ok)
        expect(found.board.columns * found.board.rows, jobId).toBeLessThan(plainBoardArea(assembly));
    }
  });
  test('is never larger than the room given, and says how large it would be where it does not fit', () => {
    for (const { assembly, board } of boards.slice(0, 60)) {
      const { lengthMillimetres: l, widthMillimetres: w } = boardSize(board);
      expect(stripBoard(assembly, { lengthMillimetres: w, widthMillimetres: l }).ok).toBe(true);
      const none = stripBoard(assembly, {
        lengthMillimetres: l - 0.1,
        widthMillimetres: Math.min(l, w) - 0.1,
      });
      expect(none.ok ? '' : none.reason).toMatch(/smallest board found is .* mm; there are/);
    }
  });
  test('some strips are shared, and cut between their nets', () => {
    expect(boards.filter(({ board }) => board.cuts.length > 0).length).toBeGreaterThan(3);
  });
  test('and the check can fail: a cut left out joins what should be apart, a leg moved shows', () => {
    const { assembly, board } = boards.find((b) => b.board.cuts.length > 0)!;
    expect(extracted({ ...board, cuts: [] })).not.toEqual(wanted(assembly));
    const [first, ...rest] = board.parts;
    const wrong: StripBoard = {
      ...board,
      parts: [
        {
          ...first,
          legs: new Map(
            [...first.legs].map(([t, h], i) => [t, i === 0 ? { ...h, row: (h.row + 1) % board.rows } : h]),
          ),
        },
        ...rest,
      ],
    };
    expect(extracted(wrong)).not.toEqual(wanted(assembly));
  });
  test('a job with nothing to sit on a board says so', () => {
    const bare: Assembly = { ...boards[0].assembly, parts: [], leads: [] };
    expect(stripBoard(bare)).toEqual({
      ok: false,
      reason: expect.stringMatching(/nothing that would sit/) as string,
    });
  });
  test('drawn from both sides: every leg and cut where it is placed, the copper mirrored', () => {
    const { board } = boards.find((b) => b.board.cuts.length > 0)!;
    const parse = (side: 'parts' | 'copper'): Element =>
      new DOMParser().parseFromString(boardSvg(board, side, new Map()), 'image/svg+xml').documentElement;
    const [above, below] = [parse('parts'), parse('copper')];
    expect(above.getElementsByClassName('leg')).toHaveLength(
      board.parts.reduce((n, p) => n + p.legs.size, 0),
    );
    const middles = (of: Element): number[] =>
      [...of.getElementsByClassName('cut')].map((c) => Number(c.firstElementChild!.getAttribute('cx')));
    const width = Number(above.getAttribute('width'));
    expect(middles(above)).toHaveLength(board.cuts.length);
    middles(above).forEach((cx, i) => expect(middles(below)[i]).toBeCloseTo(width - cx, 6));
    const pads = new DOMParser().parseFromString(
      boardSvg(board, 'copper', new Map(), 'pads'),
      'image/svg+xml',
    );
    expect(pads.getElementsByClassName('link')).toHaveLength(padLinks(board).length);
    expect(pads.getElementsByClassName('strip')).toHaveLength(0);
    expect(pads.getElementsByClassName('cut')).toHaveLength(0);
    expect(linkWords(board)).toMatch(/^Bare wire in row \d+ from hole \d+ to \d+/);
    expect(cutWords(board)).toMatch(
      new RegExp(`strip ${board.cuts[0].row + 1} at hole ${board.cuts[0].column + 1}`),
    );
  });
});
