import { inOrder } from '../../document/in-order';
import { formatQuantity } from '../../quantity/format';
import { SEEN_COLOUR } from '../../light/difference';
import { apart } from '../../overhead/arrival';
import { betterMix, mixRows, wantedOf } from '../../overhead/better-mix';
import { rigPath, type RigRule } from './rig-rule';
import { rowsOfWhite } from './sold-white';

/** Colours of white to the thousandth the eye parts. */
const inUv = (distance: number): string => distance.toFixed(4);

/** Colour that is seen to change over the boards. */
export const colourDrift: RigRule = {
  id: 'rig-colour-drift',
  judge({ rig, rigId, light }) {
    if (light.drift <= SEEN_COLOUR) return [];
    const rows = inOrder(rig.rows).filter((r) => r.on);
    const widest = rows
      .flatMap((a, i) => rows.slice(i + 1).map((b) => ({ a, b, distance: apart(a, b) })))
      .sort((p, q) => q.distance - p.distance)
      .at(0);
    const own = light.white.kelvin;
    return [
      {
        id: 'rig-colour-drift',
        severity: 'mind' as const,
        title: 'The light changes colour over the boards',
        sentence: `It differs by ${inUv(light.drift)} in u′v′ from its mean; from ${SEEN_COLOUR} on an eye parts two whites.${widest ? ` ${widest.a.name} and ${widest.b.name} are ${inUv(widest.distance)} apart.` : ''}`,
        reason:
          'Warm and cool rows side by side mix only where both reach. Put them close together, in turn, or take one colour.',
        paths: [rigPath(rigId, 'rows')],
        terminals: [],
        figures: [],
        cures: [
          rowsOfWhite(rigId, rig, {
            least: rig.wanted.leastKelvin,
            most: rig.wanted.mostKelvin,
            aim: Math.round(own / 100) * 100,
          }),
        ],
      },
    ];
  },
};

/** A mix that is warmer or cooler than what is wanted. */
export const notWantedColour: RigRule = {
  id: 'rig-colour',
  judge({ layout, rig, rigId, light }) {
    const { leastKelvin, mostKelvin } = rig.wanted;
    const { kelvin } = light.white;
    if (Object.keys(rig.rows).length === 0) return [];
    // A white is told in whole kelvins, and judged as it is told.
    if (Math.round(kelvin) >= leastKelvin && Math.round(kelvin) <= mostKelvin) return [];
    const wanted = wantedOf(rig);
    const middle = wanted.kelvin;
    return [
      {
        id: 'rig-colour',
        severity: 'mind' as const,
        title: kelvin < leastKelvin ? 'Warmer than is wanted' : 'Cooler than is wanted',
        sentence: `All together it is ${formatQuantity(Math.round(kelvin), 'kelvin', { significant: 5 })}; ${formatQuantity(leastKelvin, 'kelvin', { significant: 5 })} to ${formatQuantity(mostKelvin, 'kelvin', { significant: 5 })} are wanted.`,
        reason:
          'From 4000 to 5000 K an eye takes light indoors for day; below it is evening, above it turns grass blue and faces grey.',
        paths: [rigPath(rigId, 'rows')],
        terminals: [],
        figures: [
          { is: kelvin, limit: kelvin < leastKelvin ? leastKelvin : mostKelvin, unit: 'kelvin' as const },
        ],
        cures: [
          {
            label: `The rows there are, mixed for ${middle} K`,
            recipe: (draft) => {
              const mix = betterMix(layout, rigId, wanted);
              if (mix) mixRows(draft.rigs[rigId], mix.levels);
            },
          },
          rowsOfWhite(rigId, rig, { least: leastKelvin, most: mostKelvin, aim: middle }),
        ],
      },
    ];
  },
};
