import { formatQuantity } from '../../quantity/format';
import { BUNDLE_SHARE, bySection } from '../../part/feed-wire';
import { isRail, runConductors } from '../../part/rail';
import { guardedPlaces, type FeedStudy, type Guarded } from '../../feed/study';
import { FUSE_ABOVE, fuseRatings } from '../../part/fuse-ratings';
import { runPath, type FeedRule } from './feed-rule';
import type { Cure } from '../finding';
import type { Layout } from '../../document/layout';
import type { RunPart, RunRecord } from '../../document/network-record';

/** What a wire of a run bears where it lies. */
export const bearsOf = ({ wire, bundled }: Pick<RunRecord, 'wire' | 'bundled'>): number =>
  runConductors[wire].bearsAmps * (bundled ? BUNDLE_SHARE : 1);

/** The end of a run that lies further from the supply: where a short is harder on what guards it. */
const farEnd = (guarded: ReadonlyMap<string, Guarded>, { from, to }: RunRecord): Guarded | undefined => {
  const [a, b] = [guarded.get(from), guarded.get(to)];
  if (!a || !b) return a ?? b;
  return a.short.loopOhms > b.short.loopOhms ? a : b;
};

/** Runs that want the same said of them: of one wire, behind one guard. */
interface Lot {
  readonly ids: string[];
  readonly bears: number;
  readonly far: Guarded;
  readonly flows: number;
}

/** Thicker wire in some runs, the next that bears so much; none where none does. */
function thicker(layout: Layout, ids: readonly string[], needs: number): Cure[] {
  const { wire, bundled } = layout.network.runs[ids[0]];
  const next = bySection().find(
    (w) => w.id.startsWith('awg') === wire.startsWith('awg') && bearsOf({ wire: w.id, bundled }) >= needs,
  );
  if (!next) return [];
  return [
    {
      label: `${next.name} instead of ${runConductors[wire].name}${ids.length > 1 ? ` in ${ids.length} runs` : ''}`,
      recipe: (draft) => {
        for (const id of ids) draft.network.runs[id].wire = next.id;
      },
    },
  ];
}

/** Wires that carry more than they bear as the layout is used. */
export const wireTooThin: FeedRule = {
  id: 'wire-too-thin',
  judge({ layout, reading }) {
    if (!reading) return [];
    return Object.entries(layout.network.runs).flatMap(([id, run]) => {
      // A rail has no insulation to soften.
      if (isRail(run.wire)) return [];
      const bears = bearsOf(run);
      const { amps, warmerBy } = reading.runs.get(id)!;
      const flows = Math.abs(amps);
      if (flows <= bears) return [];
      return [
        {
          id: `wire-too-thin ${id}`,
          severity: 'stop' as const,
          title: `${run.label}: the wire is too thin for what flows`,
          sentence: `${formatQuantity(flows, 'amp')} flow in ${runConductors[run.wire].name}, which bears ${formatQuantity(bears, 'amp')}${run.bundled ? ' in a bundle' : ''}${warmthWords(warmerBy)}`,
          reason: 'A wire that is warm all evening ages its insulation, and softens what lies on it.',
          paths: [runPath(id)],
          terminals: [],
          subject: { line: id },
          figures: [{ is: flows, limit: bears, unit: 'amp' as const }],
          cures: thicker(layout, [id], flows),
        },
      ];
    });
  },
};

/** Above these, in kelvin over the room, insulation melts, and copper glows and parts (common practice, no source). */
const [INSULATION_MELTS, COPPER_GLOWS] = [80, 500] as const;

/** What a wire so much warmer than the room comes to: no figure where there is no wire left to have it. */
function warmthWords(warmerBy: number): string {
  if (warmerBy >= COPPER_GLOWS) return ': it would glow red and melt through.';
  if (warmerBy >= INSULATION_MELTS) return ': its insulation would melt.';
  return `: some ${warmerBy.toFixed(0)} K warmer than the room.`;
}

/** Wires thinner than what guards them, told once for each sort of wire behind a guard. */
export const wireAndFuse: FeedRule = {
  id: 'wire-and-fuse',
  judge(study: FeedStudy) {
    const { layout, reading } = study;
    if (!reading) return [];
    const guarded = new Map(guardedPlaces(study).map((g) => [g.place, g]));
    const lots = new Map<string, Lot>();
    for (const [id, run] of Object.entries(layout.network.runs)) {
      if (isRail(run.wire)) continue;
      const bears = bearsOf(run);
      const far = farEnd(guarded, run);
      if (!far) continue;
      const guard = far.fuses.at(0)?.amps ?? far.short.limitAmps;
      // A short that gives no more than the wire bears hurts no wire.
      if (guard <= bears || far.short.amps <= bears) continue;
      const key = `${far.fuses.at(0)?.run ?? study.fed.get(far.place)?.supplyId ?? ''} ${run.wire}${run.bundled ? ' bundled' : ''}`;
      const known = lots.get(key);
      const flows = Math.abs(reading.runs.get(id)!.amps);
      if (known) {
        known.ids.push(id);
        lots.set(key, { ...known, flows: Math.max(flows, known.flows) });
      } else lots.set(key, { ids: [id], bears, far, flows });
    }
    return [...lots].map(([key, { ids, bears, far, flows }]) => {
      const run = layout.network.runs[ids[0]];
      const fuse = far.fuses.at(0);
      const guard = fuse?.amps ?? far.short.limitAmps;
      const wire = `${runConductors[run.wire].name}${run.bundled ? ' in a bundle' : ''}`;
      const through = fuse ? Math.abs(reading.runs.get(fuse.run)!.amps) : flows;
      const rating = fuseRatings.filter((r) => r <= bears && r >= FUSE_ABOVE * through).at(-1);
      const more = ids.length > 1 ? ` and ${ids.length - 1} more` : '';
      return {
        id: `wire-and-fuse ${key}`,
        severity: 'stop' as const,
        title: fuse
          ? `${run.label}${more}: the wire is too thin for its fuse`
          : `${run.label}${more}: no fuse guards this wire`,
        sentence: `${wire} bears ${formatQuantity(bears, 'amp')}; ${
          fuse
            ? `its fuse lets ${formatQuantity(guard, 'amp')} through for ever`
            : `the supply gives ${formatQuantity(guard, 'amp')}`
        }, and a short here draws ${formatQuantity(far.short.amps, 'amp')}.`,
        reason:
          'A fuse guards the thinnest wire behind it. Where it lets more through than the wire bears, the wire is the fuse, under the boards and under the scenery.',
        paths: ids.map((id) => runPath(id)),
        terminals: [],
        subject: { line: ids[0] },
        figures: [{ is: guard, limit: bears, unit: 'amp' as const }],
        cures: [
          ...(rating === undefined
            ? []
            : [
                {
                  label: `A quick fuse of ${formatQuantity(rating, 'amp')}${fuse || ids.length === 1 ? '' : ` where each of ${ids.length} runs begins`}`,
                  recipe: (draft: Parameters<Cure['recipe']>[0]) => {
                    const part: RunPart = { kind: 'fuse', amps: rating, speed: 'quick' };
                    if (fuse) draft.network.runs[fuse.run].parts[fuse.index] = part;
                    else for (const id of ids) draft.network.runs[id].parts.unshift({ ...part });
                  },
                },
              ]),
          ...thicker(layout, ids, guard),
        ],
      };
    });
  },
};
