import { formatQuantity } from '../../quantity/format';
import { CLEARED_SECONDS, fuseSpeeds, goesWithin } from '../../part/fuse-speed';
import { feedWires, nextThicker } from '../../part/feed-wire';
import { supplyKind } from '../../supply';
import { guardedPlaces, type FeedStudy, type Guarded } from '../../feed/study';
import { placePath, type FeedRule } from './feed-rule';
import { smallerFuse } from './smaller-fuse';

/** Whether a short at a place is cleared: by what, within how many seconds. */
function clearing(study: FeedStudy, { short, fuses, place }: Guarded): number | null {
  const byFuse = fuses.map((f) => goesWithin(f.speed, f.carries / f.amps)).filter((s) => s !== null);
  const supplyId = study.fed.get(place)?.supplyId;
  const supply = supplyId === undefined ? null : study.layout.supplies[supplyId];
  // A supply that is asked for more than its limit switches off by itself, if it is reached at all.
  const bySupply =
    supply && short.ohmicAmps > short.limitAmps ? [supplyKind(supply).limit(supply).seconds] : [];
  const all = [...byFuse, ...bySupply];
  return all.length === 0 ? null : Math.min(...all);
}

/** A short that neither a fuse nor the supply clears: the loop's resistance keeps it too small. */
export const shortNotCleared: FeedRule = {
  id: 'short-not-cleared',
  judge(study) {
    const { layout, reading } = study;
    if (!reading) return [];
    const worst = new Map<string, Guarded>();
    for (const g of guardedPlaces(study)) {
      const seconds = clearing(study, g);
      if (seconds !== null && seconds <= CLEARED_SECONDS) continue;
      // Told once for what guards it: at the place where least flows.
      const key = g.fuses[0]?.run ?? `supply ${study.fed.get(g.place)?.supplyId ?? ''}`;
      const known = worst.get(key);
      if (!known || g.short.amps < known.short.amps) worst.set(key, g);
    }
    return [...worst.values()].map((g) => {
      const { name } = layout.network.nodes[g.place];
      const fuse = g.fuses.at(0);
      const supplyId = study.fed.get(g.place)?.supplyId;
      const booster = supplyId !== undefined && layout.supplies[supplyId].kind === 'dcc-track';
      const seconds = clearing(study, g);
      const limit = fuse ? fuse.amps * fuseSpeeds[fuse.speed].latest[1][0] : g.short.limitAmps;
      const flows = fuse ? Math.abs(reading.runs.get(fuse.run)!.amps) : 0;
      return {
        id: `short-not-cleared ${fuse?.run ?? supplyId ?? g.place}`,
        severity: 'stop' as const,
        title: fuse
          ? `A short at ${name} does not blow its fuse`
          : booster
            ? `The booster does not cut off at a short at ${name}`
            : `Nothing clears a short at ${name}`,
        sentence: `The loop there and back has ${formatQuantity(g.short.loopOhms, 'ohm', { significant: 2 })}: ${formatQuantity(g.short.amps, 'amp')} flow. ${
          fuse
            ? `A ${fuseSpeeds[fuse.speed].name} fuse of ${formatQuantity(fuse.amps, 'amp')} is sure to go within ${CLEARED_SECONDS} s from ${formatQuantity(limit, 'amp')} on`
            : `The supply gives ${formatQuantity(limit, 'amp')} for ever`
        }${seconds === null ? '' : `; it takes ${formatQuantity(seconds, 'second', { significant: 2 })}`}.`,
        reason:
          'What is not cleared goes on: a derailed wheel, a dropped screw or a pinched lead glows, and nothing switches off.',
        paths: [placePath(g.place)],
        terminals: [],
        subject: { part: g.place },
        figures: [{ is: g.short.amps, limit, unit: 'amp' as const }],
        cures: [
          ...(fuse ? smallerFuse(fuse, flows) : []),
          {
            label: 'Thicker wire on the way there',
            recipe: (draft) => {
              let changed = false;
              for (const run of Object.values(draft.network.runs)) {
                if (study.fed.get(run.from)?.supplyId !== supplyId) continue;
                const next = nextThicker(nextThicker(run.wire)?.id ?? run.wire);
                if (next && feedWires[run.wire].squareMillimetres < next.squareMillimetres) {
                  run.wire = next.id;
                  changed = true;
                }
              }
              return changed;
            },
          },
        ],
      };
    });
  },
};
