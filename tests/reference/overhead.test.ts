import { expect, test } from 'vitest';
import { emptyLayout } from '../../core/document/empty-layout';
import { change } from '../../core/document/patch';
import { newRig, rowOf } from '../../core/overhead/begin';
import { areaOf } from '../../core/overhead/area';
import { piecesOf } from '../../core/overhead/geometry';
import { rigPower } from '../../core/overhead/power';
import { feedVolts, rigNetwork } from '../../core/overhead/rig-network';
import { KNEE_SHARE, KNEE_WIDTH, pieceRun, type PieceRun } from '../../core/overhead/strip-run';
import { overheadLamps } from '../../core/part/overhead-lamp';
import { referenceVector, runReference } from './simulator';

/** The ladder with both of its conductors apart, each unit a source of current by its own volts. */
function deckOf({ unit, count, stepOhms, feeds }: PieceRun): string {
  const knee = KNEE_SHARE * unit.volts;
  const bent = (v: string): string =>
    `((${v}-${knee}+sqrt((${v}-${knee})*(${v}-${knee})+${KNEE_WIDTH ** 2}))/2)`;
  const full = (unit.volts - knee + Math.hypot(unit.volts - knee, KNEE_WIDTH)) / 2;
  const lines = ['* a piece of strip along its own copper'];
  feeds.forEach(({ at, ohms, volts }, i) =>
    lines.push(`vs${i} s${i} 0 ${volts}`, `rfp${i} s${i} p${at} ${ohms / 2}`, `rfm${i} m${at} 0 ${ohms / 2}`),
  );
  for (let k = 0; k < count; k++) {
    if (k > 0) lines.push(`rp${k} p${k - 1} p${k} ${stepOhms / 2}`, `rm${k} m${k} m${k - 1} ${stepOhms / 2}`);
    lines.push(`b${k} p${k} m${k} i=${unit.amps / full}*${bent(`v(p${k},m${k})`)}`);
  }
  return `${[...lines, '.tran 1u 2u', '.end'].join('\n')}\n`;
}

/** Lamp, length, fed, supply volts, converter, metres of feed wire. */
const pieces = [
  ['strip-24-10', 1000, 'one end', 24, false, 500],
  ['strip-24-10', 5000, 'one end', 24, false, 1000],
  ['strip-24-10', 5000, 'both ends', 24, false, 1000],
  ['strip-24-14', 4000, 'one end', 24, false, 3000],
  ['strip-24-19', 5000, 'both ends', 24, false, 2000],
  ['strip-12-10', 2000, 'one end', 12, false, 1000],
  ['strip-12-14', 5000, 'one end', 12, false, 1000],
  ['strip-12-14', 5000, 'both ends', 12, false, 4000],
  ['strip-12-10', 3000, 'one end', 24, true, 1000],
  ['tube-600', 3000, 'one end', 24, false, 1500],
] as const;

test.each(pieces)(
  '%s, %d mm, fed at %s from %d V, converter %s, %d mm of wire',
  async (lamp, length, fed, volts, converter, wire) => {
    const begun = newRig(emptyLayout('Quay'), {
      name: 'Rig',
      boards: [],
      widthMillimetres: length,
      depthMillimetres: 450,
      heightMillimetres: 450,
      wanted: 'soft-day',
    });
    const { layout } = {
      layout: change(begun.layout, (draft) => {
        const rig = draft.rigs[begun.rigId];
        Object.assign(rig.supply, { volts, wireMillimetres: wire });
        const place = { lengthMillimetres: length, depthMillimetres: 200, heightMillimetres: 450 };
        rig.rows = { row: { ...rowOf(overheadLamps[lamp], 1, place), fed, converter } };
      }).layout,
    };
    const rig = layout.rigs[begun.rigId];
    const { row } = rig.rows;
    const [piece] = piecesOf(row, rig, areaOf(layout, rig));
    const run = pieceRun(rig, row, piece, feedVolts(rig, row));
    const answer = await runReference(deckOf(run));
    const at = (k: number): number => {
      const [plus, minus] = [`v(p${k})`, `v(m${k})`].map((v) => referenceVector(answer, v).at(-1)!);
      return plus - minus;
    };
    for (const k of [0, Math.floor(run.count / 2), run.count - 1])
      expect(Math.abs(run.volts[k] / at(k) - 1)).toBeLessThan(0.005);
    const given = run.feeds.reduce((sum, _, i) => sum - referenceVector(answer, `i(vs${i})`).at(-1)!, 0);
    expect(Math.abs(run.amps / given - 1)).toBeLessThan(0.005);
  },
);

/** A whole rig with its feed: one wire, modules behind one another, every row's pieces on it. */
function rigDeck(
  volts: number,
  { feedOhms, betweenOhms, rows }: ReturnType<typeof rigNetwork>,
  modules: number,
): string {
  const lines = ['* rows on one feed', `vs s 0 ${volts}`, `rf s m0 ${feedOhms}`];
  for (let k = 1; k < modules; k++) lines.push(`rm${k} m${k - 1} m${k} ${betweenOhms}`);
  [...rows.values()].flat().forEach(({ unit, count, stepOhms, feeds, module }, n) => {
    const knee = KNEE_SHARE * unit.volts;
    const full = (unit.volts - knee + Math.hypot(unit.volts - knee, KNEE_WIDTH)) / 2;
    feeds.forEach(({ at, ohms }, i) => lines.push(`rj${n}x${i} m${module} n${n}x${at} ${ohms}`));
    for (let k = 0; k < count; k++) {
      const v = `(v(n${n}x${k})-${knee})`;
      if (k > 0) lines.push(`rs${n}x${k} n${n}x${k - 1} n${n}x${k} ${stepOhms}`);
      lines.push(
        `b${n}x${k} n${n}x${k} 0 i=${unit.amps / full}*((${v}+sqrt(${v}*${v}+${KNEE_WIDTH ** 2}))/2)`,
      );
    }
  });
  return `${[...lines, '.tran 1u 2u', '.end'].join('\n')}\n`;
}

/** Lamp, rows, millimetres of the whole, of a module, of wire, fed. */
const shared = [
  ['strip-24-5', 2, 10_000, null, 5000, 'one end'],
  ['strip-24-10', 2, 4000, null, 3000, 'both ends'],
  ['strip-12-10', 3, 3000, null, 1500, 'one end'],
  ['strip-24-10', 2, 4000, 1000, 4000, 'one end'],
] as const;

test.each(shared)(
  '%s, %d rows of %s mm on one thin feed, modules of %s mm, %d mm of wire, fed at %s: within 1 %%',
  async (lamp, count, length, module, wire, fed) => {
    const begun = newRig(emptyLayout('Quay'), {
      name: 'Rig',
      boards: [],
      widthMillimetres: length,
      depthMillimetres: 450,
      heightMillimetres: 450,
      wanted: 'soft-day',
    });
    const { layout } = change(begun.layout, (draft) => {
      const rig = draft.rigs[begun.rigId];
      rig.moduleMillimetres = module;
      Object.assign(rig.supply, { volts: overheadLamps[lamp].volts, wire: '7-0.2', wireMillimetres: wire });
      const place = { lengthMillimetres: module ?? length, depthMillimetres: 200, heightMillimetres: 450 };
      rig.rows = Object.fromEntries(
        Array.from({ length: count }, (_, i) => [
          `row-${i}`,
          { ...rowOf(overheadLamps[lamp], i + 1, place), fed },
        ]),
      );
    });
    const rig = layout.rigs[begun.rigId];
    const network = rigNetwork(rig, areaOf(layout, rig));
    const answer = await runReference(rigDeck(rig.supply.volts, network, network.volts.length));
    const at = (node: string): number => referenceVector(answer, `v(${node})`).at(-1)!;
    network.volts.forEach((v, k) => expect(Math.abs(v / at(`m${k}`) - 1)).toBeLessThan(0.01));
    const drawn = -referenceVector(answer, 'i(vs)').at(-1)!;
    expect(Math.abs(rigPower(layout, rig).supplyAmps / drawn - 1)).toBeLessThan(0.01);
    for (const [n, run] of [...network.rows.values()].flat().entries())
      expect(Math.abs(run.volts.at(-1)! / at(`n${n}x${run.count - 1}`) - 1)).toBeLessThan(0.01);
  },
);
