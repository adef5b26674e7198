import { passageKinds, EACH_PLACE, type PassageKind } from '../../../document/passage-record';
import { formatQuantity, inSentence } from '../../../quantity/format';
import { after, fact, type Condition } from '../fact';
import { ALREADY } from '../already-works';
import { times, type Making } from '../making';
import { act, type Act } from '../task';
import { soldUses } from '../wire-use';
import type { Passage } from '../../../assembly/passages';

/** Minutes to open a body, and to drill or file one hole (common practice, no source). */
const OPEN = 3;
const HOLE = 2;

/** What leads go through that is made for them, and with what; the others are there. */
const made: Readonly<Partial<Record<PassageKind, 'drill' | 'file'>>> = {
  hole: 'drill',
  bore: 'drill',
  slot: 'file',
};

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** The body comes open, what is cut, drilled or blackened is done while it is empty, and what is found in it goes. */
export function bodyTasks(making: Making): Act[] {
  const { bench, facts, lots, count, works } = making;
  const { job } = bench;
  const opening = facts.opening(job);
  const holes = holeTasks(making);
  return [
    ...(opening
      ? [
          act({
            id: 'open',
            does: opening.does,
            says: opening.says,
            tool: 'hands',
            position: 'closed',
            minutes: OPEN * count,
            late: true,
            caution: 'unplug',
            makes: [fact.open],
          }),
        ]
      : []),
    ...works.map((work) => {
      const own = lots.filter((l) => l.lamps.some((lamp) => work.lamps.includes(lamp.id)));
      const cuts = works.filter(
        (w) => w !== work && w.undone === 'cannot' && w.tool !== 'brush' && sameThing(w.lamps, work.lamps),
      );
      return act({
        id: `work ${work.id}`,
        does: work.does,
        says: work.says,
        tool: work.tool,
        sizes: work.sizes ?? [],
        uses: soldUses(work.takes ?? [], count),
        position: 'shell',
        minutes: work.minutes * count,
        dryMinutes: work.dryMinutes,
        undone: work.undone,
        lamps: work.lamps,
        caution:
          work.tool === 'drill' || work.tool === 'knife' ? 'eyes' : work.tool === 'iron' ? 'fumes' : null,
        makes: [fact.worked(work.id)],
        asks: [
          ...(opening ? [after(fact.open, 'the shell is worked on from inside')] : []),
          ...(work.id.startsWith(ALREADY) ? [] : outFirst(works)),
          ...(work.after ?? []).map((w) => after(fact.worked(w), 'it is worked on as it is then')),
          ...(work.tool === 'drill'
            ? own.map((l) => after(fact.tested(l.id), 'no hole for a lamp that is dead'))
            : []),
          ...(work.tool === 'brush'
            ? [
                ...cuts.map((w) => after(fact.worked(w.id), 'drilling goes through paint')),
                ...holes.flatMap((h) => h.makes.map((m) => after(m, 'drilling goes through paint'))),
              ]
            : []),
        ],
      });
    }),
    ...holes,
  ];
}

/** The holes that leads go through, like ones together, each as wide as what is threaded is told. */
function holeTasks({ bench, facts, passages, places, count, through, works }: Making): Act[] {
  const opening = facts.opening(bench.job) !== null;
  const groups = new Map<string, Passage[]>();
  for (const passage of passages) {
    if (!made[passage.kind] || through(passage.id).length === 0) continue;
    const like = JSON.stringify([
      passage.kind,
      passage.boreMillimetres,
      passage.lengthMillimetres,
      facts.hole?.(bench.job, passage) ?? null,
    ]);
    groups.set(like, [...(groups.get(like) ?? []), passage]);
  }
  return [...groups.values()].map((own) => {
    const [first] = own;
    const tool = made[first.kind]!;
    const many = count * own.reduce((sum, p) => sum + (p.serves === EACH_PLACE ? places.length : 1), 0);
    const names = own.map((p) => inSentence(p.name)).join(', ');
    const size = mm(first.boreMillimetres);
    const there =
      first.kind === 'bore' ? ' Where it is there already, look that a drill of that size passes.' : '';
    return act({
      id: `drill ${first.id}`,
      does:
        tool === 'drill'
          ? `Drill ${times(many)}${size} for the leads: ${names}`
          : `File ${times(many)}the ${inSentence(passageKinds[first.kind])}, ${size}: ${names}`,
      says: `${mm(first.lengthMillimetres)} ${tool === 'drill' ? 'deep' : 'long'}${opening ? ', the edge broken: it skins the leads' : ''}. ${facts.hole?.(bench.job, first) ?? ''}${there}`.trim(),
      tool,
      sizes: tool === 'drill' ? [first.boreMillimetres] : [],
      position: opening ? 'shell' : 'bench',
      minutes: HOLE * many,
      undone: 'cannot',
      caution: 'eyes',
      makes: own.map((p) => fact.hole(p.id)),
      asks: [
        ...(opening ? [after(fact.open, 'the shell is worked on from inside')] : []),
        ...outFirst(works),
      ],
    });
  });
}

/** What is in the model already is looked at, or out, before anything else is done to it. */
export const outFirst = (works: Making['works']): Condition[] =>
  works
    .filter((w) => w.id.startsWith(ALREADY))
    .map((w) => after(fact.worked(w.id), 'it is in the way, and shows what was there'));

/** Whether two works are about the same lamps; one about none is about all. */
const sameThing = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === 0 || b.length === 0 || a.some((id) => b.includes(id));

/** The facts of the holes that are made; what is there already asks for none. */
export const isMade = ({ kind }: Pick<Passage, 'kind'>): boolean => made[kind] !== undefined;
