import { formatQuantity } from '../../quantity/format';
import { nextThicker } from '../../part/feed-wire';
import { waysFrom } from '../../feed/hangs-on';
import { placePath, type FeedRule } from './feed-rule';
import { feedToMiddle, secondSupply } from './nearer-feed';
import type { Cure } from '../finding';
import type { Layout } from '../../document/layout';

/** An eye forgives so much of a difference in lightness between like lamps (common practice, no source). */
const FORGIVEN = 5;

/** The runs from a place back to its supply, the shortest way. */
export function wayBack(layout: Pick<Layout, 'network'>, place: string): string[] {
  const { at } = waysFrom(layout);
  const from = new Map<string, { readonly run: string; readonly place: string } | null>([[place, null]]);
  const queue = [place];
  for (const here of queue) {
    if (layout.network.nodes[here].is.kind === 'supply') {
      const way: string[] = [];
      for (let step = from.get(here); step; step = from.get(step.place)) way.push(step.run);
      return way.reverse();
    }
    for (const { run, to } of at.get(here) ?? [])
      if (!from.has(to)) {
        from.set(to, { run, place: here });
        queue.push(to);
      }
  }
  return [];
}

/** Lamps at the far end that look dimmer than their like at the near one. */
export const dimmerFarOut: FeedRule = {
  id: 'dimmer-far-out',
  judge({ layout, reading, fed }) {
    if (!reading) return [];
    const bySupply = new Map<
      string,
      { readonly id: string; readonly lightness: number; readonly volts: number }[]
    >();
    for (const [id, { lightness, volts }] of reading.places) {
      const supply = fed.get(id)?.supplyId;
      if (supply === undefined || lightness === null) continue;
      bySupply.set(supply, [...(bySupply.get(supply) ?? []), { id, lightness, volts }]);
    }
    return [...bySupply].flatMap(([supplyId, lit]) => {
      const dimmest = lit.reduce((a, b) => (b.lightness < a.lightness ? b : a));
      const brightest = lit.reduce((a, b) => (b.lightness > a.lightness ? b : a));
      const apart = brightest.lightness - dimmest.lightness;
      if (apart <= FORGIVEN) return [];
      const { name } = layout.network.nodes[dimmest.id];
      const way = wayBack(layout, dimmest.id);
      const supplyPlace = Object.entries(layout.network.nodes).find(
        ([, { is }]) => is.kind === 'supply' && is.supplyId === supplyId,
      );
      const thicker = (steps: number): Cure => ({
        label:
          steps === 1
            ? 'The next thicker wire on the way there'
            : `Wire ${steps} sizes thicker on the way there`,
        recipe: (draft) => {
          let changed = false;
          for (const id of way) {
            const run = draft.network.runs[id];
            for (let k = 0; k < steps; k++) {
              const next = nextThicker(run.wire);
              if (!next) break;
              run.wire = next.id;
              changed = true;
            }
          }
          return changed;
        },
      });
      const last = way.length > 0 ? layout.network.runs[way[0]] : null;
      const ring: Cure[] =
        supplyPlace && last && way.length > 1
          ? [
              {
                label: 'A ring: a run back from there to the supply',
                recipe: (draft) => {
                  const { runs } = draft.network;
                  runs[`ring-${dimmest.id}`] = {
                    ...layout.network.runs[way[way.length - 1]],
                    order: 1 + Math.max(0, ...Object.values(runs).map((r) => r.order)),
                    label: `Ring to ${name}`.slice(0, 60),
                    from: supplyPlace[0],
                    to: dimmest.id,
                    fromOutput: false,
                    millimetres: null,
                    parts: [...layout.network.runs[way[way.length - 1]].parts],
                  };
                },
              },
            ]
          : [];
      return [
        {
          id: `dimmer-far-out ${supplyId}`,
          severity: 'mind' as const,
          title: `${name} looks dimmer than its like`,
          sentence: `It gets ${formatQuantity(dimmest.volts, 'volt', { significant: 3 })} and shows ${dimmest.lightness.toFixed(0)} of 100; ${layout.network.nodes[brightest.id].name} gets ${formatQuantity(brightest.volts, 'volt', { significant: 3 })} and shows ${brightest.lightness.toFixed(0)}. From ${FORGIVEN} on it is seen.`,
          reason:
            'Volts are lost in both conductors on the way, and most where most flows: at the beginning.',
          paths: [placePath(dimmest.id)],
          terminals: [],
          subject: { part: dimmest.id },
          figures: [{ is: apart, limit: FORGIVEN, unit: 'of 100' as const }],
          cures: [
            [thicker(1), thicker(2), thicker(3)],
            ring,
            feedToMiddle(layout, { place: dimmest.id, way }),
            secondSupply(layout, { place: dimmest.id, way }, supplyId),
          ],
        },
      ];
    });
  },
};
