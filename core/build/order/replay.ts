import { isOnBoard } from '../../assembly/on-board';
import { fact, type Fact } from './fact';
import type { Assembly } from '../../assembly/assembly';
import type { Task } from './task';

/** What of an assembly is joined when these facts hold: all parts lie there, leads count when both their ends are on. */
export function assemblyAt(assembly: Assembly, facts: ReadonlySet<Fact>): Assembly {
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  return {
    ...assembly,
    leads: assembly.leads.filter(
      (l) => isOnBoard(byId, l) || [l.from, l.to].every((end) => facts.has(fact.joined(l.id, end.part))),
    ),
  };
}

/** A task that came when something it asks for was not so, or was so already. */
export interface Misstep {
  readonly task: string;
  readonly fact: Fact;
  readonly holds: boolean;
}

/** Plays tasks one after another on an empty bench: what is so in the end, and where something was not as asked for. */
export function replay(tasks: readonly Task[]): {
  readonly facts: ReadonlySet<Fact>;
  readonly missteps: readonly Misstep[];
} {
  const facts = new Set<Fact>();
  const missteps: Misstep[] = [];
  for (const { id, asks, makes } of tasks) {
    for (const { fact: asked, holds } of asks)
      if (facts.has(asked) !== holds) missteps.push({ task: id, fact: asked, holds });
    for (const made of makes) facts.add(made);
  }
  return { facts, missteps };
}
