import { describe, expect, test } from 'vitest';
import { addPlace, addRun, withBus } from '../../tests/networks';
import { boatTrain } from '../../tests/generated';
import { change, changedBy } from '../document/patch';
import { readLayout, writeLayout } from '../document/file';
import { usualSupply } from '../document/usual-supply';
import { judgeNetwork } from '../finding/feed/judge-network';
import { planWires } from '../finding/feed/plan-wires';
import { runTable } from '../build/lists/run-table';
import { supplyKind } from '../supply';
import { feedWires, nextThicker } from '../part/feed-wire';
import { isRail, rails, runConductors } from '../part/rail';
import { busAlong, rowOfBoards, trackAlong } from './begin';
import { costOfRuns } from './cost';
import { hangsOn } from './hangs-on';
import { feedReading } from './reading';
import { runMillimetres } from './run-length';
import { shortsOf } from './short';
import { standsOf } from './stands';
import type { Layout } from '../document/layout';

/** A booster, a dropper of half a metre, and so many metres of track from there on. */
const track = (metres: number, rail: string, volts = 15): Layout =>
  change(withBus(12, 5), (draft) => {
    draft.supplies.booster = {
      ...usualSupply('dcc-track', 'H0', 1),
      kind: 'dcc-track',
      name: 'Booster',
      amplitudeVolts: volts,
    } as never;
    addPlace(draft, 'booster', 0, 0, { kind: 'supply', supplyId: 'booster' });
    addPlace(draft, 'near', 0, 100, { kind: 'tap' });
    addPlace(draft, 'far', 1000 * metres, 100, { kind: 'tap' });
    addRun(draft, 'booster', 'near', { wire: '24-0.2', millimetres: 500 });
    addRun(draft, 'near', 'far', { wire: rail });
  }).layout;
const found = (layout: Layout, rule: string) => judgeNetwork(layout).filter((f) => f.rule === rule);

describe('rails as conductors', () => {
  test.each([
    // A rail's code is its height in thousandths of an inch (NMRA RP-15.1).
    ['rail-55', 1.397],
    ['rail-70', 1.778],
    ['rail-83', 2.108],
    ['rail-100', 2.54],
  ])('%s is %f mm high', (id, height) => {
    expect(rails[id].heightMillimetres).toBeCloseTo(height, 3);
  });
  test('a lower rail has more resistance, and any more than the thinnest bus wire', () => {
    const ohms = Object.values(rails).map((r) => r.ohmsPerMetre);
    expect([...ohms].sort((a, b) => b - a)).toEqual(ohms);
    // Common practice, no source: about 0.1 ohm a metre of code 100, and a quarter of an ohm of code 55.
    expect(rails['rail-100'].ohmsPerMetre).toBeGreaterThan(0.09);
    expect(rails['rail-100'].ohmsPerMetre).toBeLessThan(0.15);
    expect(rails['rail-55'].ohmsPerMetre).toBeGreaterThan(0.2);
    expect(rails['rail-55'].ohmsPerMetre).toBeLessThan(0.35);
    for (const r of Object.values(rails))
      expect(r.ohmsPerMetre).toBeGreaterThan(runConductors['7-0.2'].ohmsPerMetre);
    expect(runConductors['16-0.2'].ohmsPerMetre).toBeCloseTo(
      1 / 58 / feedWires['16-0.2'].squareMillimetres,
      9,
    );
    expect(nextThicker('rail-100')).toBeNull();
  });
  test('a piece of track is as long as it lies, and costs no wire', () => {
    const layout = change(track(4, 'rail-100'), (d) => void (d.network.nodes.far.yMillimetres = 3100)).layout;
    const [, rail] = Object.entries(layout.network.runs).find(([, r]) => isRail(r.wire))!;
    expect(runMillimetres(layout, rail)).toBe(5000);
    const ids = Object.keys(layout.network.runs);
    expect(costOfRuns(layout, ids)).toBeCloseTo((2 * 500 * feedWires['24-0.2'].metrePrice) / 1000, 9);
    const row = runTable(layout, feedReading(layout)).find((r) => r.wire.startsWith('Rail'))!;
    expect([row.plus, row.minus, row.price]).toEqual(['', '', 0]);
  });
});

describe('a train far from a dropper', () => {
  test('loses what Ohm’s law says of wire and rails, there and back', () => {
    const layout = track(6, 'rail-55');
    const wire = 2 * (0.5 * runConductors['24-0.2'].ohmsPerMetre + 0.002);
    const rail = 2 * (6 * rails['rail-55'].ohmsPerMetre + 0.002);
    const [finding] = found(layout, 'track-volts');
    // A source behind 5 milliohm.
    expect(finding.figures[0].is / (wire + rail + 0.005)).toBeCloseTo(1, 3);
    expect(finding.figures[0].limit).toBeCloseTo(0.08 * 15, 9);
    expect(finding.subject.part).toBe('far');
  });
  test('a dropper there is offered, and cures it', () => {
    const layout = track(6, 'rail-55');
    const [finding] = found(layout, 'track-volts');
    const [dropper] = finding.remedies;
    expect(dropper.label).toMatch(/^A dropper there, of 24\/0.2 \(\+/);
    const cured = changedBy(layout, dropper.patches).layout;
    expect(found(cured, 'track-volts')).toEqual([]);
    const added = Object.values(cured.network.runs).at(-1)!;
    expect([added.to, added.wire]).toEqual(['far', '24-0.2']);
    // From the wires, not from one end of the rails to the other.
    expect(added.from).toBe('booster');
  });
  test.each([
    [1, 'rail-100'],
    [3, 'rail-100'],
  ])('%i m of %s from a dropper is nothing to speak of', (metres, rail) => {
    expect(found(track(metres, rail), 'track-volts')).toEqual([]);
  });
  test('wires that go nowhere near a track are not judged by it', () => {
    expect(found(track(12, '16-0.2'), 'track-volts')).toEqual([]);
  });
  test('a short at the far end of long thin rails does not trip the booster', () => {
    const short = (metres: number): { ohmicAmps: number; limitAmps: number } =>
      shortsOf(track(metres, 'rail-55')).get('far')!;
    expect(short(2).ohmicAmps).toBeGreaterThan(short(2).limitAmps);
    expect(short(30).ohmicAmps).toBeLessThan(short(30).limitAmps);
    expect(found(track(2, 'rail-55'), 'short-not-cleared')).toEqual([]);
    expect(found(track(30, 'rail-55'), 'short-not-cleared')[0].title).toBe(
      'The booster does not cut off at a short at far',
    );
  });
});

describe('a track laid along the boards', () => {
  const laid = change(track(1, '24-0.2'), (draft) => {
    draft.network = { nodes: {}, runs: {} };
    rowOfBoards(draft, 3, 1000, 450);
    draft.boards.corner = {
      order: 9,
      name: 'Corner',
      xMillimetres: 2550,
      yMillimetres: 450,
      widthMillimetres: 450,
      depthMillimetres: 1000,
    };
    busAlong(draft, 'booster');
    trackAlong(draft, 'booster');
  }).layout;
  const { nodes, runs } = laid.network;
  const pieces = Object.values(runs).filter((r) => isRail(r.wire));

  test('goes on from board to board, from the end of the first to that of the last', () => {
    expect(pieces).toHaveLength(5);
    pieces.slice(1).forEach((p, k) => expect(p.from).toBe(pieces[k].to));
    const ends = [pieces[0].from, pieces.at(-1)!.to].map((id) => nodes[id]);
    expect(ends.map((e) => [e.xMillimetres, e.yMillimetres])).toEqual([
      [60, 180],
      [2730, 1390],
    ]);
  });
  test('has a dropper on each board, from a strip', () => {
    const onTrack = new Set(pieces.flatMap((p) => [p.from, p.to]));
    const droppers = Object.values(runs).filter((r) => !isRail(r.wire) && onTrack.has(r.to));
    expect(droppers.map((d) => nodes[d.from].is.kind)).toEqual(Array(4).fill('strip'));
    expect(new Set(droppers.map((d) => d.from)).size).toBe(4);
    for (const id of onTrack) expect(hangsOn(laid).get(id)?.supplyId).toBe('booster');
  });
  test('every rule is content with it, and it is a file that opens again', () => {
    expect(judgeNetwork(laid).map((f) => f.sentence)).toEqual([]);
    expect(readLayout(writeLayout(laid)).ok).toBe(true);
  });
  test('wires are planned without touching its rails', () => {
    const planned = changedBy(laid, planWires(laid, 'booster').patches).layout;
    for (const [id, run] of Object.entries(laid.network.runs))
      if (isRail(run.wire)) expect(planned.network.runs[id]).toEqual(run);
    expect(found(planned, 'short-not-cleared')).toEqual([]);
  });
  test('its rails are where its trains stand, not its bus', () => {
    const quay = boatTrain();
    const own = Object.values(quay.network.runs).filter((r) => isRail(r.wire));
    const spots = standsOf(quay).rails.map(({ from, to }) => [from.x, from.y, to.x, to.y]);
    const at = (id: string) => quay.network.nodes[id];
    expect(spots).toEqual(
      own.map((r) => [
        at(r.from).xMillimetres,
        at(r.from).yMillimetres,
        at(r.to).xMillimetres,
        at(r.to).yMillimetres,
      ]),
    );
  });
});

describe('a common return', () => {
  /** Two supplies with wires of their own, both on the common return or one alone. */
  const shared = (kind: 'dcc-track' | 'dc-track' | 'ac-track' | 'layout-bus', both = true): Layout =>
    change(withBus(12, 5), (draft) => {
      draft.supplies.other = { ...usualSupply(kind, 'H0', 1), name: 'Other' } as never;
      addPlace(draft, 'bus', 0, 0, { kind: 'supply', supplyId: 'bus', joinsMinus: true });
      addPlace(draft, 'other', 500, 0, { kind: 'supply', supplyId: 'other', joinsMinus: both });
      addPlace(draft, 'one', 0, 300, { kind: 'tap' });
      addPlace(draft, 'two', 500, 300, { kind: 'tap' });
      addRun(draft, 'bus', 'one');
      addRun(draft, 'other', 'two');
    }).layout;
  const told = (layout: Layout) => found(layout, 'common-return');

  test.each([
    // Common practice, no source: throttles have shared a return where their units are isolated, boosters never.
    ['dc-track', 'mind'],
    ['dcc-track', 'stop'],
    ['ac-track', 'stop'],
  ] as const)('is told of where %s changes its sides: %s', (kind, severity) => {
    const [finding, ...more] = told(shared(kind));
    expect(more).toEqual([]);
    expect(finding.severity).toBe(severity);
    // In series: what the one gives at its highest and what the other does.
    const layout = shared(kind);
    const highest = (id: string) => supplyKind(layout.supplies[id]).highestVolts(layout.supplies[id]);
    expect(finding.figures[0].is).toBeCloseTo(highest('bus') + highest('other'), 9);
    const cured = changedBy(layout, finding.remedies[0].patches).layout;
    expect(told(cured)).toEqual([]);
    expect(cured.network.nodes.bus.is).toMatchObject({ joinsMinus: true });
  });
  test('of two that keep their sides, or of one alone, is nothing to tell', () => {
    expect(told(shared('layout-bus'))).toEqual([]);
    expect(told(shared('dcc-track', false))).toEqual([]);
  });
  test('stands in the file, and a file without the word has none', () => {
    const read = readLayout(writeLayout(shared('dc-track')));
    expect(read.ok && read.layout.network.nodes.other.is).toMatchObject({ joinsMinus: true });
    expect(told(track(1, 'rail-100'))).toEqual([]);
  });
});
