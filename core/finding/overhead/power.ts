import { LOADED_SHARE } from '../../supply';
import { formatQuantity } from '../../quantity/format';
import {
  LEAST_SHARE,
  MOST_WARMER,
  PLUG_ABOVE,
  plugRatings,
  QUICK_HERTZ,
  unitAmps,
} from '../../overhead/limits';
import { bySection, BUNDLE_SHARE, feedWires } from '../../part/feed-wire';
import type { eachRow } from './rig-rule';
import { rigPath, type RigRule } from './rig-rule';

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

/** A supply that is asked for nearly all it gives, or more. */
export const rigSupply: RigRule = {
  id: 'rig-supply',
  judge({ rig, rigId, power }) {
    if (!power || power.supplyAmps <= LOADED_SHARE * power.limitAmps) return [];
    const over = power.supplyAmps > power.limitAmps;
    const next = unitAmps.find((a) => LOADED_SHARE * a >= power.supplyAmps);
    return [
      {
        id: 'rig-supply',
        severity: over ? ('stop' as const) : ('mind' as const),
        title: over ? 'The supply cannot feed it' : 'The supply runs near its limit',
        sentence: `${formatQuantity(power.supplyAmps, 'amp')} of ${formatQuantity(power.limitAmps, 'amp')} at ${formatQuantity(rig.supply.volts, 'volt')}; ${Math.round(100 * LOADED_SHARE)} % is what one uses.`,
        reason: 'A unit at its limit runs hot and sags, all evening long.',
        paths: [rigPath(rigId, 'supply', 'amps')],
        terminals: [],
        figures: [{ is: power.supplyAmps, limit: LOADED_SHARE * power.limitAmps, unit: 'amp' as const }],
        cures: next
          ? [
              {
                label: `A unit of ${formatQuantity(next, 'amp')}`,
                recipe: (draft) => void (draft.rigs[rigId].supply.amps = next),
              },
            ]
          : [],
      },
    ];
  },
};

/** A plug from module to module, or a feed wire, over what it bears. */
export const rigPlugAndWire: RigRule = {
  id: 'rig-plug',
  judge({ rig, rigId, power }) {
    if (!power) return [];
    const { plugAmps, supplyAmps, wireBearsAmps } = power;
    const plug = plugRatings.find((a) => plugAmps !== null && a >= PLUG_ABOVE * plugAmps);
    const wire = bySection().find(
      (w) =>
        w.id.startsWith('awg') === rig.supply.wire.startsWith('awg') &&
        w.bearsAmps * BUNDLE_SHARE >= supplyAmps,
    );
    return [
      ...(plugAmps !== null && plugAmps > rig.supply.plugAmps
        ? [
            {
              id: 'rig-plug',
              severity: 'stop' as const,
              title: 'The first plug carries too much',
              sentence: `${formatQuantity(plugAmps, 'amp')} go through the plug of the first module to the others; it bears ${formatQuantity(rig.supply.plugAmps, 'amp')}.`,
              reason:
                'Contacts over their rating grow hot and loosen. A larger plug, or a lead of its own to the far modules.',
              paths: [rigPath(rigId, 'supply', 'plugAmps')],
              terminals: [],
              figures: [{ is: plugAmps, limit: rig.supply.plugAmps, unit: 'amp' as const }],
              cures: plug
                ? [
                    {
                      label: `Plugs of ${formatQuantity(plug, 'amp')}`,
                      recipe: (draft: Parameters<ReturnType<typeof eachRow>>[0]) =>
                        void (draft.rigs[rigId].supply.plugAmps = plug),
                    },
                  ]
                : [],
            },
          ]
        : []),
      ...(supplyAmps > wireBearsAmps
        ? [
            {
              id: 'rig-wire',
              severity: 'stop' as const,
              title: 'The feed wire is too thin',
              sentence: `${formatQuantity(supplyAmps, 'amp')} in ${feedWires[rig.supply.wire].name}, which bears ${formatQuantity(wireBearsAmps, 'amp')} where it lies against timber.`,
              reason: 'A wire that is warm all evening ages its insulation.',
              paths: [rigPath(rigId, 'supply', 'wire')],
              terminals: [],
              figures: [{ is: supplyAmps, limit: wireBearsAmps, unit: 'amp' as const }],
              cures: wire
                ? [
                    {
                      label: `${wire.name} instead of ${feedWires[rig.supply.wire].name}`,
                      recipe: (draft: Parameters<ReturnType<typeof eachRow>>[0]) =>
                        void (draft.rigs[rigId].supply.wire = wire.id),
                    },
                  ]
                : [],
            },
          ]
        : []),
    ];
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
          cures: [
            {
              label: `Feed ${row.name} at both ends`,
              recipe: (draft) => void (draft.rigs[rigId].rows[rowId].fed = 'both ends'),
            },
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
