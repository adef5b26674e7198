import { assemble } from '../../assembly/assemble';
import { formatQuantity } from '../../quantity/format';
import { supplyKind } from '../../supply';
import { placePath, type FeedRule } from './feed-rule';
import type { FeedStudy } from '../../feed/study';
import type { Layout } from '../../document/layout';

/** A unit no larger is offered. */
const MOST_AMPS = 20;

/** A reservoir that is empty when power comes on: its charge, and what it draws at first. */
interface Empty {
  readonly place: string;
  readonly coulombs: number;
  readonly amps: number;
}

/** Reservoirs of a job at some volts behind so many ohms: each by its own charge resistor, where it has one. */
function emptyIn(layout: Layout, jobId: string, place: string, volts: number, loopOhms: number): Empty[] {
  return assemble(layout, jobId).parts.flatMap((part, _, parts): Empty[] => {
    const farads = part.kind === 'electrolytic' ? part.farads : part.kind === 'driver' ? part.feed.farads : 0;
    if (farads <= 0) return [];
    const charge = parts.find(
      (p) => p.kind === 'resistor' && p.role === 'charge' && p.line !== null && p.line === part.line,
    );
    const ohms = loopOhms + (charge?.kind === 'resistor' ? charge.ohms : 0);
    return [{ place, coulombs: farads * volts, amps: volts / ohms }];
  });
}

/** Every reservoir on a supply, straight or on the way, as it is when power comes on. */
function emptyOn({ layout, fed, shorts }: FeedStudy, supplyId: string): Empty[] {
  return Object.entries(layout.network.nodes).flatMap(([place, { is }]) => {
    const on = fed.get(place);
    const loop = shorts.get(place)?.loopOhms;
    // A converter begins softly: what hangs behind it is its own to charge.
    if (is.kind !== 'job' || on?.supplyId !== supplyId || on.converter !== null || loop === undefined)
      return [];
    return emptyIn(layout, is.jobId, place, on.volts, loop);
  });
}

/**
 * All reservoirs that charge at once when power comes on: a supply that is asked for more than it gives
 * gives its limit, for as long as the sum of charges over what is left of it, and may take that for a short.
 */
export const inrushTogether: FeedRule = {
  id: 'inrush-together',
  judge(study) {
    const { layout, reading } = study;
    return [...(reading?.supplies ?? [])].flatMap(([id, { amps, limitAmps }]) => {
      const empty = emptyOn(study, id);
      const first = empty.reduce((sum, e) => sum + e.amps, 0);
      const left = limitAmps - amps;
      if (empty.length === 0 || first <= left || left <= 0) return [];
      const supply = layout.supplies[id];
      const { seconds: bears } = supplyKind(supply).limit(supply);
      const coulombs = empty.reduce((sum, e) => sum + e.coulombs, 0);
      const lasts = coulombs / left;
      if (lasts <= bears) return [];
      const stronger = Math.ceil(10 * (amps + coulombs / bears) + 1e-9) / 10;
      return [
        {
          id: `inrush-together ${id}`,
          severity: 'mind' as const,
          title: `${supply.name} may not start`,
          sentence: `${empty.length} ${empty.length === 1 ? 'reservoir charges' : 'reservoirs charge'} at once when power comes on: its limit of ${formatQuantity(limitAmps, 'amp')} for ${formatQuantity(lasts, 'second', { significant: 2 })}; after ${formatQuantity(bears, 'second', { significant: 2 })} it takes that for a short.`,
          reason:
            'Empty reservoirs are a short for a moment. Charge resistors before them, fewer of them at a switch, or a unit that gives more for longer start it.',
          paths: [['supplies', id], ...empty.map((e) => placePath(e.place))],
          terminals: [],
          figures: [{ is: lasts, limit: bears, unit: 'second' as const }],
          cures: [
            {
              label: `A supply that gives ${formatQuantity(stronger, 'amp')}`,
              recipe: (draft) => {
                const own = draft.supplies[id];
                if (!('limitAmps' in own) || stronger > MOST_AMPS) return false;
                own.limitAmps = stronger;
                return true;
              },
            },
          ],
        },
      ];
    });
  },
};
