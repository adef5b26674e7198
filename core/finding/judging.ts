import { CircuitError } from '../circuit/error';
import { attemptPatches } from '../document/gate';
import { change, patchesBetween } from '../document/patch';
import { benchIn, type Bench } from '../study/bench';
import type { Steps } from '../quantity/steps';
import { solvingFirst, type Held } from './cure-order';
import { followed } from './follows';
import { gravestFirst } from './gravest-first';
import { lampsLost } from './keeps-work';
import { rules } from './rules';
import { paceOf, StudyDesk, type Pace, type Studies } from './studies';
import type { Layout } from '../document/layout';
import type { Cure, Finding, Judgement, Rule, Severity } from './finding';

/** Which rules to run: those whose studies are there soon, those that take long, or all. */
export type Asked = 'quick' | 'slow' | 'all';

/** Rounds in which what a cure newly breaks is mended before the cure is given up. */
const MOST_ROUNDS = 3;

const weight: Readonly<Record<Severity, number>> = { stop: 0, mind: 1, note: 2 };
const paces: readonly Pace[] = ['frame', 'soon', 'slow'];
const paceFor = (rule: Rule): Pace =>
  rule.needs.map((n) => paceOf[n]).reduce((a, b) => (paces.indexOf(b) > paces.indexOf(a) ? b : a), 'frame');
const isSlow = (rule: Rule): boolean => paceFor(rule) === 'slow';

/** What a cure is judged by: what stands within a frame, without the load, and while it charges. */
const isTrial = (rule: Rule): boolean =>
  paceFor(rule) === 'frame' || rule.needs.includes('noLoad') || rule.needs.includes('inrush');

export interface Judged extends Judgement {
  readonly rule: string;
}

/** What some rules say, each by the studies it needs; a study that fails silences only the rules that need it. */
function* judged(desk: StudyDesk, chosen: readonly Rule[], silenced?: Map<string, string>): Steps<Judged[]> {
  const { bench } = desk;
  const found: Judged[] = [];
  for (const rule of chosen) {
    if (rule.about && !rule.about(bench)) continue;
    yield;
    try {
      // Each study is made when a rule asks for it, and kept.
      const studies = Object.defineProperties(
        {},
        Object.fromEntries(rule.needs.map((n) => [n, { get: () => desk.get(n) }])),
      ) as Studies;
      found.push(...rule.judge(bench, studies).map((j) => ({ ...j, rule: rule.id })));
    } catch (error) {
      if (!(error instanceof CircuitError)) throw error;
      silenced?.set(rule.id, error.message);
    }
  }
  return saidOnce(found);
}

/** What one cause explains is said once. */
function saidOnce(found: readonly Judged[]): Judged[] {
  return found.filter(
    (f) =>
      !found.some((cause) => {
        const { explains } = cause;
        if (!explains?.rules.includes(f.rule)) return false;
        return explains.lamps === null || (f.subject?.lamps ?? []).some((l) => explains.lamps!.includes(l));
      }),
  );
}

/** Which of some rules are asked for. */
const chosenOf = (all: readonly Rule[], asked: Asked): readonly Rule[] =>
  all.filter((r) => asked === 'all' || isSlow(r) === (asked === 'slow'));

/**
 * What the rules say of a bench, before any cure is tried, in steps of at most a study each.
 * @param own rules of its kind alone
 */
export const judgedInSteps = (
  desk: StudyDesk,
  own: readonly Rule[],
  asked: Asked = 'all',
  silenced?: Map<string, string>,
): Steps<Judged[]> => judged(desk, chosenOf([...rules, ...own], asked), silenced);

/** What was judged as a finding, before its cures were tried. */
function uncured(judgement: Judged): Finding {
  const { cures, onlyIfCured, explains, subject = {}, ...finding } = judgement;
  void [cures, onlyIfCured, explains];
  return { ...finding, subject, remedies: [] };
}

const NOT_TRIED = 'Its cures were not tried: the job has too much else to put right first.';
/** Cures tried on a job in one judgement: fewer the more lines it has, for each is judged over all of them. */
const MOST_LINES_TRIED = 600;
const LEAST_TRIED = 8;
const mostTried = ({ layout, jobId }: Bench): number =>
  Math.max(
    LEAST_TRIED,
    Math.floor(MOST_LINES_TRIED / Math.max(1, Object.keys(layout.jobs[jobId].lines).length)),
  );

/**
 * Judges a bench in steps of at most a study each; cures are tried and offered where they hold. What is
 * wrong is told before them, without cures: trying them takes most of the time.
 * @param own rules of its kind alone
 */
export function* checkBenchInSteps(
  desk: StudyDesk,
  own: readonly Rule[],
  asked: Asked = 'all',
): Steps<Finding[], Finding[]> {
  const { bench } = desk;
  const silenced = new Map<string, string>();
  const found = yield* judgedInSteps(desk, own, asked, silenced);
  const sure = found.filter((f) => !f.onlyIfCured).map(uncured);
  yield gravestFirst([...sure, ...unjudged(bench, silenced, sure)]);
  const trial = new Trial(desk, [...rules, ...own], found);
  let triesLeft = mostTried(bench);
  const findings: Finding[] = [];
  const clearedBy = new Map<string, ReadonlySet<string>[]>();
  for (const judgement of found) {
    const { cures = [], onlyIfCured } = judgement;
    const finding = uncured(judgement);
    const holding: (Held & { readonly says: string | undefined })[] = [];
    const isTried = cures.length === 0 || triesLeft > 0;
    for (const cure of isTried ? cures : []) {
      for (const one of [cure].flat()) {
        triesLeft--;
        const holds = yield* trial.of(judgement, one);
        if (!holds) continue;
        holding.push({ ...holds, says: one.says });
        break;
      }
    }
    const held = solvingFirst(holding, found);
    clearedBy.set(
      finding.id,
      held.map((h) => h.clears),
    );
    if (onlyIfCured && held.length === 0) continue;
    const says = isTried ? held.find((h) => h.says !== undefined)?.says : NOT_TRIED;
    findings.push({
      ...finding,
      reason: says === undefined ? finding.reason : `${finding.reason} ${says}`,
      remedies: held.map((h) => h.remedy),
    });
  }
  return followed([...findings, ...unjudged(bench, silenced, findings)], clearedBy);
}

/** Rules that could not judge, for want of a study, are named; the others stand. */
function unjudged(
  { jobId }: Bench,
  silenced: ReadonlyMap<string, string>,
  findings: readonly Finding[],
): Finding[] {
  const reasons = [...new Set(silenced.values())];
  if (reasons.length === 0 || findings.some((f) => f.rule === 'no-answer')) return [];
  return [
    {
      id: 'not-judged',
      rule: 'not-judged',
      severity: 'mind',
      title: `${silenced.size} ${silenced.size === 1 ? 'rule' : 'rules'} could not judge`,
      sentence: `${reasons[0]} Not judged: ${[...silenced.keys()].join(', ')}.`,
      reason: 'What they need could not be solved; everything else was judged without it.',
      subject: {},
      paths: [['jobs', jobId]],
      terminals: [],
      figures: [{ is: silenced.size, limit: 0, unit: 'pieces' }],
      remedies: [],
    },
  ];
}

/** Tries cures on a job: applied, judged, what is newly wrong mended, and dropped where that does not end well. */
class Trial {
  private readonly rules: readonly Rule[];
  private readonly wishes: ReadonlySet<string>;
  private wrong: ReadonlyMap<string, Severity> | null = null;
  private readonly desks = new WeakMap<Layout, StudyDesk>();

  constructor(
    private readonly desk: StudyDesk,
    private readonly all: readonly Rule[],
    private readonly found: readonly Judged[],
  ) {
    this.rules = all.filter(isTrial);
    this.wishes = new Set(all.flatMap((r) => (r.isWish ? [r.id] : [])));
  }

  /** @returns null for a cure that does not hold */
  *of(of: Judged, cure: Cure): Steps<Held | null> {
    const { bench } = this.desk;
    const tried = attempt(bench.layout, cure.recipe);
    if (tried === null || tried === bench.layout) return null;
    let at: Layout = tried;
    let left: readonly Judged[] = [];
    let brings = 0;
    const own = this.all.filter((r) => r.id === of.rule);
    // The least that is asked: its own finding is gone.
    if (!clears(yield* this.judgedIn(at, own), of)) return null;
    for (let round = 0; round <= MOST_ROUNDS; round++) {
      const now = yield* this.judgedIn(at, this.rules);
      if (now === null) return null;
      left = now;
      const wrong = yield* this.wrongBefore();
      const fresh = now.filter((f) => isNew(f, wrong) && !this.wishes.has(f.rule));
      if (fresh.length === 0) break;
      const next: Layout | null = round < MOST_ROUNDS ? mended(at, fresh) : null;
      if (next === null) {
        // A new worry is borne where something worse is put right.
        if (of.severity !== 'stop' || fresh.some((f) => f.severity === 'stop')) return null;
        brings = fresh.length;
        break;
      }
      at = next;
    }
    if (!clears(yield* this.judgedIn(at, own), of)) return null;
    // A cure keeps what works: no lamp loses its light, its direction or its role by it.
    if (this.losesLamps(at)) return null;
    const { jobId, layout } = bench;
    const patches = [
      ...patchesBetween(layout.jobs[jobId], at.jobs[jobId], ['jobs', jobId]),
      ...(at.supplies === layout.supplies ? [] : patchesBetween(layout.supplies, at.supplies, ['supplies'])),
    ];
    if (patches.length === 0 || !attemptPatches(layout, patches).ok) return null;
    const label = typeof cure.label === 'string' ? cure.label : cure.label(at);
    // What takes longer to judge is not known to be gone.
    const isTried = new Set(this.rules.map((r) => r.id));
    const gone = this.found
      .filter((f) => isTried.has(f.rule) && !left.some((l) => l.id === f.id))
      .map((f) => f.id);
    return { remedy: { label, patches }, clears: new Set(gone), brings };
  }

  /** Whether a lamp that did as meant in some state does so no more. */
  private losesLamps(layout: Layout): boolean {
    const desk = this.desks.get(layout);
    try {
      return desk !== undefined && lampsLost(this.desk.get('usual'), desk.get('usual')).length > 0;
    } catch (error) {
      // What had no answer before has nothing to lose.
      if (error instanceof CircuitError) return false;
      throw error;
    }
  }

  /** What was wrong before any cure, by finding. */
  private *wrongBefore(): Steps<ReadonlyMap<string, Severity>> {
    this.wrong ??= new Map(
      [...(yield* judged(this.desk, this.rules)), ...this.found].map((known) => [known.id, known.severity]),
    );
    return this.wrong;
  }

  /** What rules say of the job in another layout; null where it cannot be laid out or solved. */
  private *judgedIn(layout: Layout, chosen: readonly Rule[]): Steps<Judged[] | null> {
    try {
      let desk = this.desks.get(layout);
      if (!desk) this.desks.set(layout, (desk = new StudyDesk(benchIn(this.desk.bench, layout))));
      const silenced = new Map<string, string>();
      const found = yield* judged(desk, chosen, silenced);
      return silenced.size > 0 ? null : found;
    } catch {
      return null;
    }
  }
}

/** A layout with a recipe applied; null where it cannot be, or says that it has nothing to change. */
function attempt(layout: Layout, recipe: Cure['recipe']): Layout | null {
  let useful: unknown = true;
  try {
    const made = change(layout, (draft) => (useful = recipe(draft)));
    return useful === false ? null : made.layout;
  } catch {
    return null;
  }
}

/** Whether a finding was not there before, or is graver than it was. */
function isNew(f: Judged, before: ReadonlyMap<string, Severity>): boolean {
  if (f.severity === 'note') return false;
  const was = before.get(f.id);
  return was === undefined || weight[f.severity] < weight[was];
}

/** Whether a finding is gone, or less grave than it was. */
const clears = (now: readonly Judged[] | null, of: Judged): boolean =>
  now !== null && !now.some((f) => f.id === of.id && weight[f.severity] <= weight[of.severity]);

/** The first cure of everything that is newly wrong, applied; null where there is none. */
function mended(layout: Layout, fresh: readonly Judged[]): Layout | null {
  let at = layout;
  for (const f of fresh) {
    const [first] = [...(f.cures ?? [])].flat();
    if (!first) return null;
    const next = attempt(at, first.recipe);
    if (next === null) return null;
    at = next;
  }
  return at === layout ? null : at;
}
