import { formatQuantity } from '../../quantity/format';
import { LEAST_SHARE, MOST_WARMER, QUICK_HERTZ } from '../../overhead/limits';
import { thickerFeed } from './feed';
import { rigPath, type RigRule } from './rig-rule';
import type { Cure } from '../finding';

/** Rows on volts that are not theirs. */
export const wrongVolts: RigRule = {
  id: 'rig-wrong-volts',
  judge({ rig, rigId }) {
    return Object.entries(rig.rows).flatMap(([id, row]) => {
      if (!row.on || row.volts === rig.supply.volts || (row.converter && row.volts < rig.supply.volts))
        return [];
      const over = row.volts < rig.supply.volts;
      const volts = formatQuantity(rig.supply.volts, 'volt');
      const own = formatQuantity(row.volts, 'volt');
      return [
        {
          id: `rig-wrong-volts ${id}`,
          severity: over ? ('stop' as const) : ('mind' as const),
          title: over ? `${row.name}: ${own} on ${volts}` : `${row.name} stays dark on ${volts}`,
          sentence: over
            ? `It is made for ${own} and would get ${volts}: some ${Math.round((rig.supply.volts / row.volts - 0.72) / 0.28)} times its current.`
            : `It is made for ${own}; on ${volts} its lamps hardly begin to conduct.`,
          reason: over
            ? 'Strip has only small resistors: on twice its volts it burns within minutes. A step-down converter feeds it, and takes about half its current from the supply.'
            : 'Lamps in series need the sum of their volts.',
          paths: [rigPath(rigId, 'rows', id, 'volts')],
          terminals: [],
          subject: { line: id },
          figures: [{ is: rig.supply.volts, limit: row.volts, unit: 'volt' as const }],
          cures: over
            ? [
                {
                  label: `A step-down converter to ${own}`,
                  recipe: (draft) => void (draft.rigs[rigId].rows[id].converter = true),
                },
              ]
            : [
                {
                  label: `A supply of ${own}`,
                  recipe: (draft) => void (draft.rigs[rigId].supply.volts = row.volts),
                },
              ],
        },
      ];
    });
  },
};

/** Strip so long that its own copper leaves its far end dim. */
export const tooLong: RigRule = {
  id: 'rig-too-long',
  judge({ rig, rigId, power }) {
    if (!power) return [];
    return power.rows.flatMap(({ rowId, leastShare }) => {
      if (leastShare >= LEAST_SHARE) return [];
      const row = rig.rows[rowId];
      const recipe: Cure['recipe'] = (draft) => void (draft.rigs[rigId].rows[rowId].fed = 'both ends');
      const both: Cure = { label: `Feed ${row.name} at both ends`, recipe };
      const also = { label: `${row.name} fed at both ends`, recipe };
      return [
        {
          id: `rig-too-long ${rowId}`,
          severity: 'mind' as const,
          title: `${row.name} is too long for one feed`,
          sentence: `Its dimmest unit gives ${Math.round(100 * leastShare)} % of its brightest; from ${Math.round(100 * LEAST_SHARE)} % down it is seen along the row.`,
          reason:
            'The copper of strip is thin. Feed it at both ends or in pieces; at 24 V half the current flows, and a quarter is lost.',
          paths: [rigPath(rigId, 'rows', rowId, 'fed')],
          terminals: [],
          subject: { line: rowId },
          figures: [{ is: 100 * leastShare, limit: 100 * LEAST_SHARE, unit: '%' as const }],
          // Its far lead is of the feed's wire too: where that is thin, both.
          cures: [
            row.fed === 'both ends' ? thickerFeed(rigId, rig) : [both, ...thickerFeed(rigId, rig, 0, also)],
          ],
        },
      ];
    });
  },
};

/** Strip that grows hot where it lies. */
export const rigHeat: RigRule = {
  id: 'rig-heat',
  judge({ rig, rigId, power }) {
    if (!power) return [];
    return power.rows.flatMap(({ rowId, warmerKelvin }) => {
      if (warmerKelvin <= MOST_WARMER) return [];
      const row = rig.rows[rowId];
      return [
        {
          id: `rig-heat ${rowId}`,
          severity: 'mind' as const,
          title: `${row.name} grows hot`,
          sentence: `${Math.round(warmerKelvin)} K warmer than the air where it lies; ${MOST_WARMER} K are enough.`,
          reason: 'Heat ages lamps and glue. Aluminium carries it off; timber keeps it.',
          paths: [rigPath(rigId, 'rows', rowId, 'channel')],
          terminals: [],
          subject: { line: rowId },
          figures: [{ is: warmerKelvin, limit: MOST_WARMER, unit: 'kelvin' as const }],
          cures: [
            {
              label: 'Open aluminium channel',
              recipe: (draft) => void (draft.rigs[rigId].rows[rowId].channel = 'open'),
            },
          ],
        },
      ];
    });
  },
};

/** Dimming by pulses slow enough to tire an eye. */
export const rigFlicker: RigRule = {
  id: 'rig-flicker',
  judge({ rigId, power }) {
    if (!power?.pulsed || power.pulsed.percent <= power.pulsed.lowRiskPercent) return [];
    const { hertz, percent, lowRiskPercent } = power.pulsed;
    return [
      {
        id: 'rig-flicker',
        severity: 'mind' as const,
        title: 'Dimmed by slow pulses',
        sentence: `All of the light (${percent} %) comes and goes ${hertz} times a second; at that rate ${Math.round(lowRiskPercent)} % is low risk (IEEE 1789).`,
        reason: 'It tires eyes, moves trains in jerks, and bands every photograph.',
        paths: [rigPath(rigId, 'dimming')],
        terminals: [],
        figures: [{ is: percent, limit: lowRiskPercent, unit: '%' as const }],
        cures: [
          {
            label: `A dimmer of ${QUICK_HERTZ / 1000} kHz`,
            recipe: (draft) => void (draft.rigs[rigId].dimming = { kind: 'pulse-width', hertz: QUICK_HERTZ }),
          },
          {
            label: 'Dim by voltage',
            recipe: (draft) => void (draft.rigs[rigId].dimming = { kind: 'voltage' }),
          },
        ],
      },
    ];
  },
};
