import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { checkLayout } from '../document/file';
import { change } from '../document/patch';
import { removeRig } from '../feed/rig-on-plan';
import { liesOf } from './area';
import { newRigs } from './begin';
import { mayBeBeside } from './beside';
import { dimRows, matchOf } from './match';
import { mountingOf } from './mounting';
import { MOVED_STEP, movingLight, rigStudy, withRow } from './study';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

/** Boards in an L: slip, quay and terminal along, street down from the last. */
const quay = boatTrain();

/** A rig of one row without loss in its copper and its wire, with nothing that throws light back. */
const plainRig = (of: Partial<RigRecord>, row: Partial<RigRecord['rows'][string]>): RigRecord => ({
  ...quay.rigs.rig,
  litWith: [],
  moduleMillimetres: null,
  backscene: null,
  fascia: null,
  room: { lux: 0, kelvin: 3000 },
  supply: { ...quay.rigs.rig.supply, wireMillimetres: 0 },
  rows: {
    row: {
      ...Object.values(quay.rigs.rig.rows)[0],
      channel: 'none',
      copperOhms: 0,
      // So little that the joint of its feed costs no light.
      watts: 0.1,
      cutMillimetres: 50,
      fromMillimetres: 0,
      tiltDegrees: 0,
      level: 1,
      on: true,
      ...row,
    },
  },
  ...of,
});

const withRigs = (rigs: Record<string, RigRecord>): Layout =>
  change(quay, (draft) => {
    draft.network = { nodes: {}, runs: {} };
    draft.rigs = rigs;
  }).layout as Layout;

describe('rigs lit together', () => {
  test('two in line give together what one over both gives', () => {
    const layout = withRigs({
      both: plainRig({ boards: ['slip', 'quay'] }, { lengthMillimetres: 2000 }),
      left: plainRig({ boards: ['slip'], litWith: ['right'] }, { lengthMillimetres: 1000 }),
      right: plainRig({ boards: ['quay'], litWith: ['left'] }, { lengthMillimetres: 1000 }),
    });
    const [both, left, right] = ['both', 'left', 'right'].map((id) => rigStudy(layout, id, 50).light);
    const { columns, rows } = left.map;
    expect(both.map.columns).toBe(2 * columns);
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++) {
        const [whole, half] = [2 * columns * r + c, columns * r + c];
        expect(left.map.lux[half]).toBeCloseTo(both.map.lux[whole], 2);
        expect(right.map.lux[half]).toBeCloseTo(both.map.lux[whole + columns], 2);
      }
    expect(left.besideLux).toBeGreaterThan(0);
    expect(left.besideLux).toBeLessThan(left.meanLux / 2);
    expect(left.xy.x).toBeCloseTo(both.xy.x, 6);
  });
  test('around the corner by the inverse square of the distance on the plan', () => {
    const lumens = 900;
    const layout = withRigs({
      along: plainRig({ boards: ['terminal'], litWith: ['down'] }, { on: false }),
      down: plainRig(
        { boards: ['street'], backsceneAt: 'right' },
        { form: 'spot', lumens, beamDegrees: 120, lengthMillimetres: 1000, pieceMillimetres: 1000 },
      ),
    });
    const { down } = layout.rigs;
    const row = Object.values(down.rows)[0];
    const spot = liesOf(layout, down).onPlan({ x: 500, y: row.depthMillimetres });
    // On the plan: half way along the street, so far from its right side.
    const { street, terminal } = layout.boards;
    expect(spot).toEqual({
      x: street.xMillimetres + street.widthMillimetres - row.depthMillimetres,
      y: street.yMillimetres + street.depthMillimetres / 2,
    });
    const { map } = rigStudy(layout, 'along', 50).light;
    for (const i of [0, 7, map.lux.length - 1]) {
      const x = terminal.xMillimetres + ((i % map.columns) + 0.5) * (terminal.widthMillimetres / map.columns);
      const y =
        terminal.yMillimetres + (Math.floor(i / map.columns) + 0.5) * (terminal.depthMillimetres / map.rows);
      const metres = Math.hypot(x - spot.x, y - spot.y, row.heightMillimetres) / 1000;
      const cosine = row.heightMillimetres / 1000 / metres;
      // A beam of 120 degrees is Lambert's: I = (lumens / pi) cos, E = I cos / d² (CIE S 017, handbooks).
      expect(map.lux[i]).toBeCloseTo(((lumens / Math.PI) * cosine * cosine) / metres ** 2, 3);
    }
  });
  test('what comes around the corner is thrown back by the backscene here', () => {
    const [lumens, reflectance, high] = [900, 0.6, 300];
    const bare = withRigs({
      along: plainRig({ boards: ['terminal'], litWith: ['down'] }, { on: false }),
      down: plainRig(
        { boards: ['street'], backsceneAt: 'right' },
        { form: 'spot', lumens, beamDegrees: 120, lengthMillimetres: 1000, pieceMillimetres: 1000 },
      ),
    });
    const papered = change(
      bare,
      (draft) => void (draft.rigs.along.backscene = { heightMillimetres: high, reflectance }),
    ).layout as Layout;
    const [without, withIt] = [bare, papered].map((layout) => rigStudy(layout, 'along', 50).light);
    const { down } = bare.rigs;
    const row = Object.values(down.rows)[0];
    const spot = liesOf(bare, down).onPlan({ x: 500, y: row.depthMillimetres });
    const { terminal } = bare.boards;
    // The backscene in small squares, each Lambert's: E = Int M cos cos / (pi r^2), by the midpoint rule.
    const square = 10;
    const fromBackscene = (x: number, y: number): number => {
      let lux = 0;
      for (let u = square / 2; u < terminal.widthMillimetres; u += square)
        for (let z = square / 2; z < high; z += square) {
          const [dx, dy, dz] = [
            terminal.xMillimetres + u - spot.x,
            terminal.yMillimetres - spot.y,
            z - row.heightMillimetres,
          ];
          const from = Math.hypot(dx, dy, dz);
          // Its beam is Lambert's, straight down; it meets the backscene along y.
          const onIt = ((lumens / Math.PI) * (-dz / from) * (-dy / from)) / (from / 1000) ** 2;
          const to = Math.hypot(x - u, y, z);
          lux += (reflectance * onIt * (y / to) * (z / to) * square ** 2) / (Math.PI * to ** 2);
        }
      return lux;
    };
    const { columns, rows, lux, stepMillimetres } = withIt.map;
    for (const [c, r] of [
      [columns - 1, 2],
      [Math.floor(columns / 2), 4],
      [columns - 4, rows - 1],
    ]) {
      const more = lux[r * columns + c] - without.map.lux[r * columns + c];
      const expected = fromBackscene(
        (c + 0.5) * stepMillimetres,
        ((r + 0.5) * terminal.depthMillimetres) / rows,
      );
      expect(more / expected).toBeGreaterThan(0.97);
      expect(more / expected).toBeLessThan(1.03);
    }
    expect(withIt.backsceneLux).toBeGreaterThan(1);
  });
  test('while a row is moved the rest is kept, but not where the fascia goes with it', () => {
    const layout = change(quay, (draft) => {
      const { rig } = draft.rigs;
      rig.fascia = { dropMillimetres: 150, forwardMillimetres: 20, reflectance: 0.7 };
      rig.room.lux = 40;
    }).layout as Layout;
    const moving = movingLight(layout, 'rig', rigStudy(layout, 'rig', 50));
    const { rig } = layout.rigs;
    for (const [rowId, key, to] of [
      ['row-2', 'heightMillimetres', 400],
      ['row-2', 'heightMillimetres', 700],
      ['row-2', 'depthMillimetres', 60],
      ['row-1', 'depthMillimetres', 300],
      ['row-2', 'heightMillimetres', 400],
    ] as const) {
      const moved = withRow(rig, { rowId, key, to });
      const there = change(layout, (draft) => void (draft.rigs.rig = moved)).layout as Layout;
      const [kept, anew] = [moving(moved), rigStudy(there, 'rig', MOVED_STEP).light];
      expect(kept.leastLux / anew.leastLux).toBeCloseTo(1, 9);
      expect(kept.mostLux / anew.mostLux).toBeCloseTo(1, 9);
    }
  });
  test('over the same boards one is instead of the other; a moved row keeps the others’ light', () => {
    const layout = withRigs({
      old: plainRig({ boards: ['quay'] }, {}),
      here: plainRig({ boards: ['quay'], litWith: ['old', 'there'] }, { lengthMillimetres: 900 }),
      there: plainRig({ boards: ['slip'] }, { lengthMillimetres: 900 }),
      typed: plainRig({ boards: [] }, {}),
    });
    expect(mayBeBeside(layout, 'here')).toEqual(['there']);
    expect(mayBeBeside(layout, 'typed')).toEqual([]);
    const alone = change(layout, (draft) => void (draft.rigs.here.litWith = [])).layout as Layout;
    const study = rigStudy(layout, 'here', 25);
    expect(study.light.meanLux - rigStudy(alone, 'here', 25).light.meanLux).toBeCloseTo(
      study.light.besideLux,
      6,
    );
    const { here } = layout.rigs;
    const moved = movingLight(layout, 'here', study)(here);
    expect(moved.meanLux).toBeCloseTo(rigStudy(layout, 'here', MOVED_STEP).light.meanLux, 9);
    expect(moved.besideLux).toBeGreaterThan(0);
  });
  test('legs of an L are lit together; one that is taken away is lit with none; one there is not is refused', () => {
    const { layout, rigIds } = newRigs(quay, {
      name: 'Noon',
      boards: Object.keys(quay.boards),
      widthMillimetres: 1000,
      depthMillimetres: 450,
      heightMillimetres: 450,
      wanted: 'overcast-noon',
    });
    const [first, second] = rigIds;
    expect(layout.rigs[first].litWith).toEqual([second]);
    expect(rigStudy(layout, second, 25).light.besideLux).toBeGreaterThan(1);
    const left = change(layout, (draft) => removeRig(draft, second)).layout;
    expect(left.rigs[first].litWith).toEqual([]);
    const wrong = structuredClone(left) as Layout;
    wrong.rigs[first].litWith = [second];
    const read = checkLayout(wrong);
    if (read.ok) throw new Error('it was taken');
    expect(read.complaints[0].reason).toContain('there is no rig');
  });
  test('what those beside give is there anyway: rows are dimmed for the rest, and to nothing where it is enough', () => {
    const layout = withRigs({
      here: plainRig({ boards: ['quay'], litWith: ['there'] }, { lengthMillimetres: 1000 }),
      there: plainRig({ boards: ['slip'] }, { lengthMillimetres: 1000 }),
    });
    const { light } = rigStudy(layout, 'here', 50);
    const wanted = light.besideLux + 0.4 * (light.meanLux - light.besideLux);
    const { times } = matchOf(layout.rigs.here, light, wanted);
    expect(times).toBeCloseTo(0.4, 9);
    const dimmed = change(layout, (draft) => dimRows(draft.rigs.here, times)).layout as Layout;
    expect(rigStudy(dimmed, 'here', 50).light.meanLux).toBeCloseTo(wanted, 6);
    // A row without a dimmer gets one, and it is among what is to be bought.
    expect(dimmed.rigs.here.dimming.kind).toBe('pulse-width');
    const buys = (of: Layout) =>
      mountingOf(of, of.rigs.here).parts.filter((p) => p.name.startsWith('Dimmer'));
    expect(buys(layout)).toEqual([]);
    expect(buys(dimmed)).toMatchObject([{ name: 'Dimmers, pulses of 3 kHz or quicker', count: 1 }]);
    expect(matchOf(layout.rigs.here, light, light.besideLux / 2).level).toBe(0);
  });
});

describe('modules that join', () => {
  /** Directly below the end of a Lambertian line: Int over it of (Phi'/pi) h² / (x² + h²)². */
  const belowEnd = (perMetre: number, length: number, h: number): number =>
    ((perMetre / Math.PI) * (length / (length ** 2 + h ** 2) + Math.atan(length / h) / h)) / 2;
  const joined = (row: Partial<RigRecord['rows'][string]>, more: Partial<RigRecord> = {}) => {
    const layout = withRigs({
      rig: plainRig(
        { boards: [], widthMillimetres: 2000, depthMillimetres: 450, moduleMillimetres: 1000, ...more },
        { depthMillimetres: 225, heightMillimetres: 400, lumens: 600, beamDegrees: 120, ...row },
      ),
    });
    const { joints } = rigStudy(layout, 'rig', 20).light;
    expect(joints).toHaveLength(1);
    return joints[0];
  };
  test('each gives at their joint what the end of a line gives, and together what is there', () => {
    const { at, lux, alone } = joined({ lengthMillimetres: 1000 });
    expect(at).toBe(1000);
    expect(alone!.left / belowEnd(600, 1, 0.4)).toBeCloseTo(1, 4);
    // The second is fed through the first, and has a little less of its volts.
    expect(alone!.right / alone!.left).toBeCloseTo(1, 3);
    expect((alone!.left + alone!.right) / lux).toBeCloseTo(1, 2);
  });
  test('one whose strip is too short lacks more at its right than at its left', () => {
    const { alone } = joined({ lengthMillimetres: 600 });
    // The left one ends 400 mm before the joint; the right one begins at it.
    expect(alone!.right / belowEnd(600, 0.6, 0.4)).toBeCloseTo(1, 3);
    expect(alone!.left / (belowEnd(600, 1, 0.4) - belowEnd(600, 0.4, 0.4))).toBeCloseTo(1, 3);
  });
  test('spots belong to their module, and boards in one piece have none alone', () => {
    const spots = { form: 'spot', pieceMillimetres: 500, lengthMillimetres: 1000, lumens: 400 } as const;
    const { alone } = joined(spots);
    // Two of each, Lambert's: I = (lumens / pi) cos, E = I cos / d².
    const one = (x: number): number => (400 / Math.PI) * (0.4 ** 2 / (x ** 2 + 0.4 ** 2) ** 2);
    expect(alone!.left / (one(0.25) + one(0.75))).toBeCloseTo(1, 6);
    expect(alone!.right / alone!.left).toBeCloseTo(1, 9);
    expect(joined(spots, { moduleMillimetres: null, boards: ['slip', 'quay'] }).alone).toBeNull();
  });
});
