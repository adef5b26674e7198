import { inOrder } from '../../document/in-order';
import { overheadLamps, type OverheadLamp } from '../../part/overhead-lamp';
import { eachRow } from './rig-rule';
import type { Cure } from '../finding';
import type { RigRecord, RigRowRecord } from '../../document/rig-record';

/** Lamps that take so much more or less power are not taken for one another, as a share. */
const SAME_WATTS = 0.25;

/** Of the lamps as they are sold the one most like a row's own within some whites, nearest to a white; null where there is none. */
function likeIn(row: RigRowRecord, least: number, most: number, aim: number): OverheadLamp | null {
  const [nearest] = Object.values(overheadLamps)
    .filter(
      (l) =>
        l.form === row.form &&
        l.volts === row.volts &&
        Math.abs(l.watts / row.watts - 1) <= SAME_WATTS &&
        l.kelvin >= least &&
        l.kelvin <= most,
    )
    .sort((a, b) => Math.abs(a.kelvin - aim) - Math.abs(b.kelvin - aim));
  return nearest ?? null;
}

/** Puts a lamp as it is sold in a row: all its bag says, where and how it hangs stays. */
export function putLamp(row: RigRowRecord, lamp: OverheadLamp): void {
  const { lumens, watts, kelvin, duv, beamDegrees, cutMillimetres, copperOhms, pieceMillimetres, price } =
    lamp;
  Object.assign(row, {
    ...{ lumens, watts, kelvin, duv, beamDegrees },
    ...{ cutMillimetres, copperOhms, pieceMillimetres, price },
  });
}

/**
 * Rows of another white: lamps that are sold, with their own light, where there are such for every row;
 * else the white alone, which is asked for.
 */
export function rowsOfWhite(
  rigId: string,
  rig: RigRecord,
  { least, most, aim }: { readonly least: number; readonly most: number; readonly aim: number },
): Cure[] {
  const rows = inOrder(rig.rows).filter((r) => r.on);
  const lamps = rows.map((r) => likeIn(r, least, most, aim));
  const names = [...new Set(lamps.map((l) => l?.name))];
  return [
    ...(lamps.every((l) => l !== null)
      ? [
          {
            label: `${names.join('; ')} in ${rows.length === 1 ? 'its row' : 'every row'}`,
            recipe: eachRow(rigId, (row) => {
              const lamp = likeIn(row, least, most, aim);
              if (lamp) putLamp(row, lamp);
            }),
          },
        ]
      : []),
    {
      label: `Rows of ${aim} K, if they are to be had`,
      recipe: eachRow(rigId, (row) => {
        row.kelvin = aim;
        row.duv = 0;
      }),
    },
  ];
}
