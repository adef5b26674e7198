import { formatQuantity } from '../../quantity/format';
import { SEEN_LIGHTNESS } from '../../light/difference';
import { eyeSteps } from '../../overhead/light';
import { laidMillimetres, stretchMillimetres } from '../../overhead/geometry';
import { eachRow, rigPath, type OfRig, type RigRule } from './rig-rule';
import type { Cure } from '../finding';

/** Rows as long as the boards, or the module: as near as their cut marks allow. */
function longerRows({ rig, rigId, light }: OfRig): Cure {
  const whole = stretchMillimetres(rig, light.area);
  return {
    label: `Rows as long as ${rig.moduleMillimetres === null ? 'the boards' : 'the module'}`,
    recipe: eachRow(rigId, (row) => {
      row.fromMillimetres = 0;
      row.lengthMillimetres = whole;
      // Half of what the cut marks leave over at either end.
      row.fromMillimetres = Math.max(0, (whole - laidMillimetres(row, whole)) / 2);
    }),
  };
}

/** Light at one place along the boards, half way to the front. */
const atShare = ({ light: { map } }: OfRig, share: number): number => {
  const column = Math.min(map.columns - 1, Math.floor(share * map.columns));
  const middle = Math.floor(map.rows / 2);
  return map.lux[middle * map.columns + column];
};

/** Ends so near that a train stands in the dark there. */
const END_SHARE = 0.02;
/** An end has less light by nature: rows end there. So much darker is told. */
const END_STEPS = 12;

/** Ends of the boards that are plainly darker than their middle. */
export const dimEnds: RigRule = {
  id: 'rig-dim-ends',
  judge(of) {
    const { light, rigId } = of;
    const middle = atShare(of, 0.5);
    if (!(middle > 0)) return [];
    const ends = [
      ['left', atShare(of, END_SHARE)],
      ['right', atShare(of, 1 - END_SHARE)],
    ] as const;
    const [side, lux] = ends[0][1] < ends[1][1] ? ends[0] : ends[1];
    const steps = eyeSteps(lux, middle);
    // Rows as long as the boards leave ends of half the light: nothing but more length past them helps.
    if (steps > -END_STEPS || lux >= 0.48 * middle) return [];
    return [
      {
        id: 'rig-dim-ends',
        severity: 'mind' as const,
        title: `The ${side} end is dim`,
        sentence: `${formatQuantity(lux, 'lux')} at the ${side} end, ${formatQuantity(middle, 'lux')} in the middle: ${Math.round(-steps)} steps of a hundred darker.`,
        reason:
          'A row that ends before the board leaves its end to light from one side alone. Strip is cut at its marks: pieces of a metre over boards of 1200 mm leave 200 mm dark.',
        paths: [rigPath(rigId, 'rows')],
        terminals: [],
        figures: [{ is: lux, limit: middle, unit: 'lux' as const }],
        cures: light.area.width > 0 ? [longerRows(of)] : [],
      },
    ];
  },
};

/** A band across the boards where two modules meet. */
export const darkJoint: RigRule = {
  id: 'rig-dark-joint',
  judge(of) {
    const { light, rigId } = of;
    const dark = light.joints
      .map((j) => ({ ...j, steps: j.besideLux > 0 ? eyeSteps(j.lux, j.besideLux) : 0 }))
      .filter((j) => j.steps <= -SEEN_LIGHTNESS)
      .sort((a, b) => a.steps - b.steps);
    if (dark.length === 0) return [];
    const [worst] = dark;
    return [
      {
        id: 'rig-dark-joint',
        severity: 'mind' as const,
        title: `A dark band at ${dark.length === 1 ? 'the joint' : `${dark.length} joints`}`,
        sentence: `At ${formatQuantity(worst.at, 'millimetre')} along there are ${formatQuantity(worst.lux, 'lux')}, ${formatQuantity(worst.besideLux, 'lux')} beside it: ${Math.round(-worst.steps)} steps of a hundred, and from ${SEEN_LIGHTNESS} on an eye sees it.`,
        reason: `${
          worst.alone
            ? `Of their own lamps the module at the left gives ${formatQuantity(worst.alone.left, 'lux')} there and the one at the right ${formatQuantity(worst.alone.right, 'lux')}: what one lacks`
            : 'What one board lacks'
        } at its end its neighbour gives only where both rows reach the joint. A gap of the rig’s height or less is seen as a band.`,
        paths: [rigPath(rigId, 'rows')],
        terminals: [],
        figures: [{ is: worst.lux, limit: worst.besideLux, unit: 'lux' as const }],
        cures: [longerRows(of)],
      },
    ];
  },
};
