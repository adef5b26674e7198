import type { Layout } from './layout';
import type { Step } from './history';

/** Steps of a layout's history that were made one soon after the other, as one line of a list. */
export interface Version {
  /** Number of its last step: the state it stands for. */
  readonly seq: number;
  readonly from: number;
  readonly to: number;
  /** What was done, in words, each once. */
  readonly says: readonly string[];
  /** What the person called the state. */
  readonly name: string | null;
  /** How many changes it is; 0 where they have been thinned out. */
  readonly steps: number;
}

interface StateRecord {
  readonly seq: number;
  readonly at: number;
  readonly origin: string | null;
  readonly name: string | null;
  readonly says: readonly string[];
}
type StepRecord = Pick<Step, 'label' | 'kind' | 'entryId' | 'at' | 'patches'> & { readonly seq: number };

/** A pause longer than this begins a new line. */
const PAUSE_MS = 10 * 60 * 1000;
const MOST_STEPS = 40;
/** Different labels that are named. */
const MOST_SAID = 12;

/**
 * Labels of steps in the order they came, each once, with the job it was about and how often.
 * @param layout where jobs have their names; one that is gone goes without
 */
export function labelsOf(
  steps: readonly Pick<Step, 'label' | 'kind' | 'entryId' | 'patches'>[],
  layout: Pick<Layout, 'jobs'>,
): string[] {
  const entries = new Map<string, Set<string>>();
  for (const { label, kind, entryId, patches } of steps) {
    const [room, id] = patches[0]?.path ?? [];
    const about = room === 'jobs' && Object.hasOwn(layout.jobs, id) ? `${layout.jobs[id].name}: ` : '';
    const what = `${about}${label.charAt(0).toLowerCase()}${label.slice(1)}`;
    const own = about === '' ? label : what;
    const says = kind === 'undo' ? `taken back: ${own}` : kind === 'redo' ? `again: ${own}` : own;
    entries.set(says, (entries.get(says) ?? new Set<string>()).add(entryId));
  }
  return [...entries]
    .map(([label, { size }]) => (size > 1 ? `${label} (${size} times)` : label))
    .slice(0, MOST_SAID);
}

/**
 * The states of a history that a person would tell apart, the newest first: steps that followed one
 * another closely are one line; a state with a name or an origin ends the line it stands in.
 */
export function versionsOf(
  states: readonly StateRecord[],
  steps: readonly StepRecord[],
  layout: Pick<Layout, 'jobs'>,
): Version[] {
  const marked = new Map(states.filter((s) => s.name !== null || s.origin !== null).map((s) => [s.seq, s]));
  const lines: Version[] = [];
  let run: StepRecord[] = [];
  const end = (): void => {
    const last = run[run.length - 1];
    if (!last) return;
    const name = marked.get(last.seq)?.name ?? null;
    lines.push({
      seq: last.seq,
      from: run[0].at,
      to: last.at,
      says: labelsOf(run, layout),
      name,
      steps: run.length,
    });
    run = [];
  };
  for (const step of steps) {
    const last = run[run.length - 1];
    if (last && (step.at - last.at > PAUSE_MS || run.length >= MOST_STEPS || marked.has(last.seq))) end();
    run.push(step);
  }
  end();
  const first = steps[0]?.seq ?? Infinity;
  const stepped = new Set(steps.map((s) => s.seq));
  for (const { seq, at, origin, says, name } of states) {
    // Within the steps there are, a state kept in passing tells nothing more.
    if (stepped.has(seq) || (seq > first && origin === null && name === null)) continue;
    lines.push({ seq, from: at, to: at, says: origin !== null ? [origin] : says, name, steps: 0 });
  }
  return lines.sort((a, b) => b.seq - a.seq);
}
