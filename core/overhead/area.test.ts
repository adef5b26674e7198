import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { change } from '../document/patch';
import { areaOf, legsOf, onPlanOf } from './area';
import { newRigs } from './begin';
import { piecesOf } from './geometry';
import { judgeRig } from '../finding/overhead';
import { SEEN_LIGHTNESS } from '../light/difference';
import { eyeSteps, rigLight } from './light';
import { rigPower } from './power';
import { rigStudy } from './study';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

/** Boards in an L: three along, one down from the last; the fourth hangs at the right. */
const quay = boatTrain();
const turnedTo = (backsceneAt: RigRecord['backsceneAt'], boards: string[]): RigRecord => ({
  ...quay.rigs.rig,
  boards,
  backsceneAt,
});

describe('boards under a rig', () => {
  test('by the far side they lie as on the plan; by the near one as seen from behind', () => {
    const far = areaOf(quay, turnedTo('far', ['slip', 'quay']));
    expect(far).toMatchObject({ width: 2000, depth: 450, joints: [1000] });
    expect(far.boards.map((b) => [b.name, b.x])).toEqual([
      ['Slip', 0],
      ['Quay', 1000],
    ]);
    const near = areaOf(quay, turnedTo('near', ['slip', 'quay']));
    expect(near.boards.map((b) => [b.name, b.x])).toEqual([
      ['Slip', 1000],
      ['Quay', 0],
    ]);
  });
  test('a board across has its long side along the rows of a backscene at its side', () => {
    for (const side of ['left', 'right'] as const)
      expect(areaOf(quay, turnedTo(side, ['street']))).toMatchObject({ width: 1000, depth: 450 });
    // Who looks to the left has the near end of the boards at the left hand.
    const both = areaOf(quay, turnedTo('left', ['terminal', 'street']));
    const { street, terminal } = Object.fromEntries(
      both.boards.map((b) => [b.name === 'Terminal' ? 'terminal' : 'street', b]),
    );
    expect(street.x).toBeLessThan(terminal.x);
    const other = areaOf(quay, turnedTo('right', ['terminal', 'street']));
    expect(other.boards.find((b) => b.name === 'Terminal')!.x).toBe(0);
  });
  test.each([
    ['far', { x: 2775, y: 480 }],
    ['near', { x: 2775, y: 1420 }],
    ['left', { x: 2580, y: 950 }],
    ['right', { x: 2970, y: 950 }],
  ] as const)('with its backscene at the %s side its wires come down there', (side, spot) => {
    expect(onPlanOf(quay, turnedTo(side, ['street']))).toEqual(spot);
  });
  test('a rig turned with its boards gives the same light and takes the same', () => {
    // The same board laid along and across.
    const along = change(quay, (draft) => {
      Object.assign(draft.boards.street, { widthMillimetres: 1000, depthMillimetres: 450 });
    }).layout;
    const [a, b] = [
      { layout: along, rig: turnedTo('far', ['street']) },
      { layout: quay, rig: turnedTo('right', ['street']) },
    ];
    const light = (of: typeof a) => rigLight(of.layout, of.rig, { stepMillimetres: 20 });
    expect(light(b).meanLux).toBeCloseTo(light(a).meanLux, 9);
    expect(light(b).frontLux).toBeCloseTo(light(a).frontLux, 9);
    expect(rigPower(b.layout, b.rig).supplyAmps).toBeCloseTo(rigPower(a.layout, a.rig).supplyAmps, 9);
  });
});

describe('legs of a layout', () => {
  test('an L has two, the corner with the longer, each backscene at its outer side', () => {
    expect(legsOf(quay, Object.keys(quay.boards))).toEqual([
      { boards: ['slip', 'quay', 'terminal'], backsceneAt: 'far' },
      { boards: ['street'], backsceneAt: 'right' },
    ]);
  });
  test('a row is one; a leg at the left has its backscene there; boards that lie apart are legs of their own', () => {
    expect(legsOf(quay, ['slip', 'quay'])).toHaveLength(1);
    expect(legsOf(quay, [])).toEqual([]);
    const left = change(quay, (draft) => void (draft.boards.street.xMillimetres = 0)).layout;
    expect(legsOf(left, ['street'])).toEqual([{ boards: ['street'], backsceneAt: 'left' }]);
  });
  test('over an L a rig hangs along each leg, its rows as long as the leg, bright as wanted', () => {
    const wish = {
      name: 'Noon',
      boards: Object.keys(quay.boards),
      widthMillimetres: 1000,
      depthMillimetres: 450,
      heightMillimetres: 450,
      wanted: 'overcast-noon',
    };
    const { layout, rigIds } = newRigs(quay, wish);
    const rigs = rigIds.map((id) => layout.rigs[id]);
    expect(rigs.map((r) => r.name)).toEqual(['Noon, leg 1', 'Noon, leg 2']);
    const lengths = rigs.map((rig) => {
      const area = areaOf(layout as Layout, rig);
      const [piece] = piecesOf(Object.values(rig.rows)[0], rig, area);
      return [area.width, piece.to - piece.from];
    });
    expect(lengths).toEqual([
      [3000, 3000],
      [1000, 1000],
    ]);
    // Both lit, the corner with them, each is as wanted to the eye: nothing is left to be said.
    for (const id of rigIds) {
      const { meanLux, besideLux } = rigStudy(layout, id).light;
      expect(besideLux).toBeGreaterThan(0);
      expect(Math.abs(eyeSteps(meanLux, layout.rigs[id].wanted.lux))).toBeLessThan(SEEN_LIGHTNESS);
      expect(judgeRig(layout as Layout, id).filter((f) => f.severity !== 'note')).toEqual([]);
    }
  });
});
