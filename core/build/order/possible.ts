import type { BuildOrder } from './order';
import type { Task } from './task';

/** What can go on while some of the parts are not there: the tasks that neither are about them nor wait for such. */
export function possibleWithout(order: BuildOrder, missing: ReadonlySet<string>): Task[] {
  const blocked = new Set<string>();
  return order.tasks.filter((t) => {
    if (t.parts.some((p) => missing.has(p)) || t.needs.some((n) => blocked.has(n.task))) blocked.add(t.id);
    return !blocked.has(t.id);
  });
}
