import { formatQuantity } from '../../quantity/format';
import { fasciaFor } from '../../overhead/limits';
import { rigPath, type RigRule } from './rig-rule';

/** Lamps that shine into the eyes of who stands before the layout. */
export const seenLamps: RigRule = {
  id: 'rig-glare',
  judge({ rig, rigId, light: { sight } }) {
    if (sight.seen.length === 0) return [];
    const has = rig.fascia?.dropMillimetres ?? 0;
    const needs = fasciaFor(sight.hidingMillimetres);
    const names = sight.seen.map((id) => rig.rows[id].name).join(', ');
    return [
      {
        id: 'rig-glare',
        severity: 'mind' as const,
        title: 'The lamps are seen from the front',
        sentence: `${names}: from an eye ${formatQuantity(rig.eye.heightMillimetres, 'millimetre')} above the scenery and ${formatQuantity(rig.eye.awayMillimetres, 'millimetre')} before it they show ${rig.fascia ? 'below the fascia' : 'with no fascia'}; it would have to reach ${formatQuantity(needs, 'millimetre')} down, and reaches ${formatQuantity(has, 'millimetre')}.`,
        reason: 'A bare lamp in view dazzles, and the scenery beside it looks dark.',
        paths: [rigPath(rigId, 'fascia')],
        terminals: [],
        figures: [{ is: has, limit: needs, unit: 'millimetre' as const }],
        cures: [
          {
            label: `A fascia ${needs} mm high`,
            recipe: (draft) => {
              const own = draft.rigs[rigId];
              own.fascia = {
                forwardMillimetres: 0,
                reflectance: 0,
                ...own.fascia,
                dropMillimetres: needs,
              };
            },
          },
        ],
      },
    ];
  },
};
