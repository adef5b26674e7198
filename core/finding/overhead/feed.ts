import { LOADED_SHARE } from '../../supply';
import { formatQuantity } from '../../quantity/format';
import { FEED_ENOUGH, FEED_LEAST, PLUG_ABOVE, plugRatings, unitAmps } from '../../overhead/limits';
import { bySection, BUNDLE_SHARE, feedWires } from '../../part/feed-wire';
import { FUSE_ABOVE, fuseRatings } from '../../part/fuse-ratings';
import { rigPath, type RigRule } from './rig-rule';
import type { RigRecord } from '../../document/rig-record';
import type { Cure } from '../finding';

/** Wires of the sort a rig is fed with that are thicker than its own, the thinnest first. */
const thickerThan = ({ supply }: RigRecord) =>
  bySection().filter(
    (w) =>
      w.id.startsWith('awg') === supply.wire.startsWith('awg') &&
      w.squareMillimetres > feedWires[supply.wire].squareMillimetres,
  );

/**
 * A rig's feed of a thicker wire: the first of all that does; each is tried in the whole network.
 * @param bears what it has to bear at least, in amperes
 * @param also what is changed with it, and in which words
 */
export function thickerFeed(
  rigId: string,
  rig: RigRecord,
  bears = 0,
  also?: { readonly label: string; readonly recipe: Cure['recipe'] },
): Cure[] {
  return thickerThan(rig)
    .filter((w) => w.bearsAmps * BUNDLE_SHARE >= bears)
    .map((w) => ({
      label: `${w.name} instead of ${feedWires[rig.supply.wire].name} as feed wire${also ? `, and ${also.label}` : ''}`,
      recipe: (draft) => {
        draft.rigs[rigId].supply.wire = w.id;
        also?.recipe(draft);
      },
    }));
}

/** A supply that is asked for nearly all it gives, or more. */
export const rigSupply: RigRule = {
  id: 'rig-supply',
  judge({ rig, rigId, power }) {
    if (!power || power.supplyAmps <= LOADED_SHARE * power.limitAmps) return [];
    const over = power.supplyAmps > power.limitAmps;
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
        cures: [
          // A stronger unit may ask for a wire and a fuse that bear what it gives.
          unitAmps
            .filter((a) => LOADED_SHARE * a >= power.supplyAmps)
            .slice(0, 1)
            .flatMap((amps) => {
              const unit = (draft: Parameters<Cure['recipe']>[0]): void =>
                void (draft.rigs[rigId].supply.amps = amps);
              const label = `A unit of ${formatQuantity(amps, 'amp')}`;
              return [
                { label, recipe: unit },
                ...thickerFeed(rigId, rig, 0, { label: label.toLowerCase(), recipe: unit }),
              ];
            }),
        ],
      },
    ];
  },
};

/** Plugs from module to module that carry more than they bear. */
export const rigPlug: RigRule = {
  id: 'rig-plug',
  judge({ rig, rigId, power }) {
    const plugAmps = power?.plugAmps ?? null;
    if (plugAmps === null || plugAmps <= rig.supply.plugAmps) return [];
    const plug = plugRatings.find((a) => a >= PLUG_ABOVE * plugAmps);
    return [
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
                recipe: (draft) => void (draft.rigs[rigId].supply.plugAmps = plug),
              },
            ]
          : [],
      },
    ];
  },
};

/** A feed wire over what it bears. */
export const rigWire: RigRule = {
  id: 'rig-wire',
  judge({ rig, rigId, power }) {
    if (!power || power.supplyAmps <= power.wireBearsAmps) return [];
    return [
      {
        id: 'rig-wire',
        severity: 'stop' as const,
        title: 'The feed wire is too thin',
        sentence: `${formatQuantity(power.supplyAmps, 'amp')} in ${feedWires[rig.supply.wire].name}, which bears ${formatQuantity(power.wireBearsAmps, 'amp')} where it lies against timber.`,
        reason: 'A wire that is warm all evening ages its insulation.',
        paths: [rigPath(rigId, 'supply', 'wire')],
        terminals: [],
        figures: [{ is: power.supplyAmps, limit: power.wireBearsAmps, unit: 'amp' as const }],
        cures: [thickerFeed(rigId, rig, power.supplyAmps)],
      },
    ];
  },
};

/** A feed wire that no fuse can guard: what flows blows the fuse, or what the fuse holds burns the wire. */
export const rigFuse: RigRule = {
  id: 'rig-fuse',
  judge({ rig, rigId, power }) {
    // What bears too little for what flows is told as that.
    if (!power || power.guard.by !== 'nothing' || power.supplyAmps > power.wireBearsAmps) return [];
    const least = fuseRatings.find((f) => f >= FUSE_ABOVE * power.supplyAmps);
    return [
      {
        id: 'rig-fuse',
        severity: 'stop' as const,
        title: 'No fuse guards the feed wire',
        sentence: `${formatQuantity(power.supplyAmps, 'amp')} flow, which ${least === undefined ? 'no small fuse holds' : `take a fuse of ${formatQuantity(least, 'amp')}`}; ${feedWires[rig.supply.wire].name} bears ${formatQuantity(power.wireBearsAmps, 'amp')}, and in a short the supply gives ${formatQuantity(power.limitAmps, 'amp')}.`,
        reason:
          'A fuse holds what flows with some to spare, and lets through no more than the wire bears. Where that cannot be, the wire is the fuse.',
        paths: [rigPath(rigId, 'supply', 'wire')],
        terminals: [],
        figures: [{ is: FUSE_ABOVE * power.supplyAmps, limit: power.wireBearsAmps, unit: 'amp' as const }],
        cures: [thickerFeed(rigId, rig, Math.min(power.limitAmps, FUSE_ABOVE * power.supplyAmps))],
      },
    ];
  },
};

/** A feed wire that takes light all rows should give. */
export const rigFeedDrop: RigRule = {
  id: 'rig-feed-drop',
  judge({ rig, rigId, power }) {
    if (!power || power.feed.lightShare >= FEED_LEAST) return [];
    const { lightShare, leastVolts, ohms } = power.feed;
    const modules = rig.moduleMillimetres === null ? '' : ' and the plugs between modules';
    return [
      {
        id: 'rig-feed-drop',
        severity: 'mind' as const,
        title: 'The feed wire takes light',
        sentence: `${formatQuantity(power.supplyAmps, 'amp')} through ${formatQuantity(ohms, 'ohm')} of ${feedWires[rig.supply.wire].name}${modules} leave ${formatQuantity(leastVolts, 'volt')} of ${formatQuantity(rig.supply.volts, 'volt')}: all rows together give ${Math.round(100 * lightShare)} % of their light.`,
        reason:
          'All rows hang on one feed, and strip falls off fast with its volts: a quarter less leaves it nearly dark. A thicker wire costs less than one more row, which would only draw more through the same wire.',
        paths: [rigPath(rigId, 'supply', 'wire')],
        terminals: [],
        figures: [{ is: 100 * lightShare, limit: 100 * FEED_LEAST, unit: '%' as const }],
        cures: [thickerFeed(rigId, rig)],
      },
    ];
  },
};

/** Whether the feed alone is why light is missing: with all that its rows can give there would be enough. */
export const isTheFeed = (lightShare: number, times: number): boolean =>
  lightShare < FEED_ENOUGH && times <= 1 / lightShare;
