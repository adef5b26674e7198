import { inSentence } from '../../../quantity/format';
import { SLEEVE_MILLIMETRES } from '../../../study/stock';
import { after, fact, once } from '../fact';
import { counted, type Making } from '../making';
import { act, type Act } from '../task';
import { sleeveUse, wireUses } from '../wire-use';
import type { Ends } from '../ends';

/** Minutes to cut and mark a wire, to slide on a sleeve and to shrink it (common practice, no source). */
const CUT = 0.5;
const SLEEVE = 0.3;
const SHRINK = 0.2;
/** What is joined before anything is threaded has its sleeves slid on and shrunk together. */
export const ON_BENCH = 'bench';

/** The wires of a job, cut in one go and marked. */
export function cutTask({ wires, count: many }: Making): Act[] {
  if (wires.length === 0) return [];
  return [
    act({
      id: 'cut',
      does: `Cut ${counted(wires.length * many, 'wire')} to length, and label both ends`,
      says: 'By the table of wires; what goes to another place is long, to be shortened where it is joined. Bare 2 mm at each end.',
      tool: 'knife',
      minutes: CUT * wires.length * many,
      caution: 'eyes',
      uses: wireUses(wires, many),
      makes: wires.map((w) => fact.cut(w.lead)),
    }),
  ];
}

/** The sleeves for joints, slid on together. */
export function sleeved(group: string, joints: readonly Act[], making: Making, ends: Ends): Act {
  const { count: many, assembly } = making;
  const joins = joints.flatMap((t) => ends.sleeves(t.id));
  const pieces = joins.length * many;
  const bench = group === ON_BENCH;
  const leads = new Map(assembly.leads.map((l) => [l.id, l]));
  return act({
    id: `sleeve ${group}`,
    formerly: joints.flatMap((t) => t.formerly.map((f) => `sleeve ${f}`)),
    does: bench
      ? 'Slide heat-shrink on, before the bench joints'
      : `Slide heat-shrink on, before you ${inSentence(joints[0].does)}`,
    says: `${counted(pieces, 'piece')} of ${SLEEVE_MILLIMETRES} mm, pushed well away from the iron. Once it is joined they no longer go on.`,
    tool: 'hands',
    position: joints[0].position,
    parts: [...new Set(joints.flatMap((t) => t.parts))],
    lamps: [...new Set(joints.flatMap((t) => t.lamps))],
    minutes: SLEEVE * pieces,
    uses: [sleeveUse(pieces)],
    makes: joins.map((e) => fact.sleeved(e.lead, e.part)),
    asks: once([
      ...making.cut(joins),
      ...joints.flatMap((t) => t.asks.filter((a) => a.fact === fact.open)),
      // A sleeve does not go through what only bare wire passes.
      ...(bench
        ? []
        : joins.flatMap((e) =>
            leads
              .get(e.lead)!
              .through.map((p) => after(fact.through(e.lead, p), 'the sleeve does not go through with it')),
          )),
    ]),
  });
}

/** The sleeves, shrunk: those of the bench joints before anything is threaded, the others before it is tried. */
export function shrunk(
  sleeves: ReadonlyMap<string, readonly Act[]>,
  { count: many, facts, bench }: Making,
  ends: Ends,
): Act[] {
  const groups = [
    ['bench', [...(sleeves.get(ON_BENCH) ?? [])]],
    ['inside', [...sleeves].filter(([g]) => g !== ON_BENCH).flatMap(([, own]) => own)],
  ] as const;
  return groups.flatMap(([name, own]) => {
    const joins = own.flatMap((t) => ends.sleeves(t.id));
    if (joins.length === 0) return [];
    const pieces = joins.length * many;
    return [
      act({
        id: `shrink ${name}`,
        does: `Push ${counted(pieces, 'sleeve')} over ${pieces === 1 ? 'its joint and shrink it' : 'their joints and shrink them'}`,
        says: `Centred over the bare metal, then a moment of heat all round${name === 'inside' && facts.thinShell(bench.job) ? '; card between it and the shell' : ''}. None of the metal shows.`,
        tool: 'heat',
        position: name === 'bench' ? 'bench' : 'inside',
        parts: [...new Set(own.flatMap((t) => t.parts))],
        lamps: [...new Set(own.flatMap((t) => t.lamps))],
        minutes: SHRINK * pieces,
        caution: name === 'inside' && facts.thinShell(bench.job) ? 'plastic' : null,
        makes: joins.map((e) => fact.shrunk(e.lead, e.part)),
        asks: joins.map((e) => after(fact.joined(e.lead, e.part), 'a sleeve is shrunk over what is joined')),
      }),
    ];
  });
}
