import { CircuitError } from './error';
import { GROUND, nodesOf, type Element, type Netlist } from './netlist';

/** Joins names into groups; `join` says whether they were apart. */
class Groups {
  private readonly parent = new Map<string, string>();
  find(name: string): string {
    let root = name;
    for (let up = this.parent.get(root); up !== undefined; up = this.parent.get(root)) root = up;
    for (let at = name; at !== root;) {
      const next = this.parent.get(at)!;
      this.parent.set(at, root);
      at = next;
    }
    return root;
  }
  join(a: string, b: string): boolean {
    const ra = this.find(a);
    const rb = this.find(b);
    if (ra === rb) return false;
    this.parent.set(ra, rb);
    return true;
  }
}

const isLink = (e: Element): boolean => e.kind === 'voltage' || (e.kind === 'resistor' && e.ohms === 0);

/** The elements of the loop that `closing` closes among `tree`. */
function loopOf(tree: readonly Element[], closing: Element): Element[] {
  const from = new Map<string, { node: string; by: Element }>();
  const queue = [closing.a];
  const seen = new Set(queue);
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const e of tree) {
      if (e.a !== at && e.b !== at) continue;
      const next = e.a === at ? e.b : e.a;
      if (seen.has(next)) continue;
      seen.add(next);
      from.set(next, { node: at, by: e });
      queue.push(next);
    }
  }
  const loop = [closing];
  for (let at = closing.b; at !== closing.a;) {
    const step = from.get(at);
    if (!step) break;
    loop.push(step.by);
    at = step.node;
  }
  return loop;
}

/**
 * Refuses what no figures can mend: a node without a path to ground, a loop of voltage sources.
 * At rest a capacitor is an open circuit and an inductor a short; when the run starts from given
 * conditions (`fromGiven`) neither is, so capacitors then count as paths and inductors not as links.
 * @throws CircuitError naming the node, or the elements of the loop
 */
export function checkStructure(netlist: Netlist, fromGiven: boolean): void {
  const sources = new Groups();
  const tree: Element[] = [];
  for (const e of netlist.elements) {
    const link = isLink(e) || (e.kind === 'inductor' && !fromGiven);
    if (!link) continue;
    if (sources.join(e.a, e.b)) {
      tree.push(e);
      continue;
    }
    const loop = loopOf(tree, e).map((x) => x.id);
    const what = loop.length === 1 ? `${loop[0]} has both ends on one node` : `a loop of ${loop.join(', ')}`;
    throw new CircuitError('source-loop', `${what}: only voltage sources or shorts around it`, loop, [e.a]);
  }
  const paths = new Groups();
  for (const e of netlist.elements) {
    if (e.kind === 'current' || (e.kind === 'capacitor' && !fromGiven)) continue;
    paths.join(e.a, e.b);
    if (e.kind === 'transistor') paths.join(e.c, e.b);
  }
  const ground = paths.find(GROUND);
  for (const e of netlist.elements) {
    for (const node of nodesOf(e)) {
      if (paths.find(node) === ground) continue;
      throw new CircuitError(
        'floating-node',
        `node ${node} floats: it has no DC path to ground`,
        netlist.elements.filter((x) => nodesOf(x).includes(node)).map((x) => x.id),
        [node],
      );
    }
  }
}
