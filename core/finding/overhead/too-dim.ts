import { freeId } from '../../document/usual-supply';
import { formatQuantity } from '../../quantity/format';
import { SEEN_LIGHTNESS } from '../../light/difference';
import { eyeSteps } from '../../overhead/light';
import { feedRows, feedWords } from '../../overhead/feed-rows';
import { FEED_ENOUGH } from '../../overhead/limits';
import { dimRows, matchOf } from '../../overhead/match';
import { overheadLamps } from '../../part/overhead-lamp';
import { isTheFeed, thickerFeed } from './feed';
import { eachRow, rigPath, type RigRule } from './rig-rule';
import { putLamp } from './sold-white';
import type { Layout } from '../../document/layout';
import type { Cure } from '../finding';

/** From one row to the next where they are added (common practice, no source). */
const APART = 100;

/** Less light on the boards than is wanted, or far more. */
export const tooDim: RigRule = {
  id: 'rig-too-dim',
  judge({ rig, rigId, light, power }) {
    const steps = eyeSteps(light.meanLux, rig.wanted.lux);
    if (Math.abs(steps) < SEEN_LIGHTNESS || Object.keys(rig.rows).length === 0) return [];
    const match = matchOf(rig, light, rig.wanted.lux);
    const figures = [{ is: light.meanLux, limit: rig.wanted.lux, unit: 'lux' as const }];
    const says = `${formatQuantity(light.meanLux, 'lux')} on average; ${formatQuantity(rig.wanted.lux, 'lux')} are wanted: ${Math.abs(Math.round(steps))} steps of a hundred ${steps < 0 ? 'darker' : 'brighter'} to the eye.`;
    if (steps > 0)
      return [
        {
          id: 'rig-too-bright',
          severity: 'note' as const,
          title: 'Brighter than is wanted',
          sentence: says,
          reason: 'Light to spare can be dimmed, and lamps that are dimmed last longer.',
          paths: [rigPath(rigId, 'wanted')],
          terminals: [],
          figures,
          cures: [
            {
              label: `Dim all rows to ${Math.max(0, Math.round(100 * match.times))} % of now`,
              recipe: (draft) => dimRows(draft.rigs[rigId], match.times),
            },
          ],
        },
      ];
    const cures: (Cure | readonly Cure[])[] = [];
    // More light draws more: where its feed cannot give it, what it needs is changed with it.
    const push = (cure: Cure & { readonly label: string }): void =>
      void cures.push([
        cure,
        {
          label: (made) => `${cure.label}, fed by ${feedWords(made.rigs[rigId])}`,
          recipe: (draft) => {
            cure.recipe(draft);
            feedRows(draft as Layout, draft.rigs[rigId]);
          },
        },
      ]);
    // Where the feed takes it no row is sold: a wire that leaves it is tried in the whole network.
    const byFeed = power !== null && isTheFeed(power.feed.lightShare, match.times);
    if (power !== null && power.feed.lightShare < FEED_ENOUGH) cures.push(thickerFeed(rigId, rig));
    if (match.level !== null)
      push({
        label: 'Dim the rows less',
        recipe: (draft) => dimRows(draft.rigs[rigId], match.times),
      });
    const { ofRow } = match;
    if (!byFeed && ofRow !== null && match.more > 0 && match.more <= 6)
      push({
        label: `${match.more} more ${match.more === 1 ? 'row' : 'rows'} like ${rig.rows[ofRow].name}`,
        recipe: (draft) => {
          const own = draft.rigs[rigId];
          const depths = Object.values(own.rows).map((r) => r.depthMillimetres);
          for (let k = 0; k < match.more; k++) {
            const id = freeId(own.rows, 'row');
            const deepest = Math.max(...depths);
            const depth = deepest + APART <= light.area.depth ? deepest + APART : Math.min(...depths) - APART;
            depths.push(depth);
            own.rows[id] = {
              ...structuredClone(rig.rows[ofRow]),
              order: 1 + Math.max(...Object.values(own.rows).map((r) => r.order)),
              name: `Row ${Object.keys(own.rows).length + 1}`,
              depthMillimetres: Math.max(0, depth),
            };
          }
        },
      });
    const strips = Object.values(rig.rows).filter((r) => r.on && r.form === 'strip');
    const [first] = strips;
    const stronger = first
      ? Object.values(overheadLamps)
          .filter(
            (l) =>
              l.form === 'strip' &&
              l.volts === first.volts &&
              Math.abs(l.kelvin - first.kelvin) < 600 &&
              l.lumens >= first.lumens * match.times * 0.9,
          )
          .sort((a, b) => a.lumens - b.lumens)
          .at(0)
      : undefined;
    if (!byFeed && stronger)
      push({
        label: `${stronger.name} in every row`,
        recipe: eachRow(rigId, (row) => {
          if (row.form !== 'strip' || row.volts !== stronger.volts) return;
          putLamp(row, stronger);
        }),
      });
    return [
      {
        id: 'rig-too-dim',
        severity: 'mind' as const,
        title: 'Too dim for what is wanted',
        sentence: says,
        reason:
          'Light falls with height and is lost in covers. More rows, stronger strip, less of a cover or a lower rig bring it back; doubling the light is only some 27 steps of a hundred to the eye.',
        paths: [rigPath(rigId, 'rows')],
        terminals: [],
        figures,
        cures,
      },
    ];
  },
};
