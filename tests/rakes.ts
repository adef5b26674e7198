import { GROUND, type Element, type Netlist } from '../core/circuit/netlist';
import { benchOf } from '../core/study/bench';
import { loweredAt } from '../core/study/netlist-at';
import { fullThrottle } from '../core/study/one-source';
import { inOrder } from '../core/document/in-order';
import { demo, demoJob } from './generated';
import type { Layout } from '../core/document/layout';

/** The train of a rake. */
export const rakeId = 'boat-train';

/** A train of so many compartment coaches of the demo, each with its reservoir; of these jobs in turn where they are named. */
export const rake = (
  count: number,
  recipe: (layout: Layout) => void = () => undefined,
  jobIds: readonly string[] = [demoJob],
): Layout => {
  const layout = structuredClone(demo());
  recipe(layout);
  layout.trains = {
    [rakeId]: {
      order: 1,
      name: 'Rake',
      note: '',
      staggerSeconds: 0,
      cars: Object.fromEntries(
        Array.from({ length: count }, (_, i) => [
          `car-${i + 1}`,
          { order: i + 1, jobId: jobIds[i % jobIds.length], turned: false },
        ]),
      ),
    },
  };
  return layout;
};

/**
 * The whole of a rake on its supply at its highest: every element of every vehicle by itself, the supply as it swings.
 * @param phaseDegrees where a wave begins
 */
export function wholeRake(layout: Layout, phaseDegrees = 0): Netlist {
  const elements = inOrder(layout.trains[rakeId].cars).flatMap(({ jobId }, k): Element[] => {
    const bench = benchOf(layout, jobId);
    const { netlist, nodeOf } = loweredAt(bench, fullThrottle(bench), { stress: 'highest' });
    const right = nodeOf.get('rails.right')!;
    const node = (name: string): string =>
      name === GROUND ? GROUND : name === right ? 'rail' : `${name}_${k}`;
    return netlist.elements.flatMap((e): Element[] => {
      if (e.id === 'v_supply' && e.kind === 'voltage') {
        const wave = e.wave.kind === 'sine' ? { ...e.wave, phaseDegrees } : e.wave;
        return k === 0 ? [{ ...e, a: 'supply', wave }] : [];
      }
      if (e.id === 'r_supply') return k === 0 ? [{ ...e, a: 'supply', b: 'rail' }] : [];
      const own = { ...e, id: `${e.id}_${k}`, a: node(e.a), b: node(e.b) };
      return [own.kind === 'regulator' || own.kind === 'transistor' ? { ...own, c: node(own.c) } : own];
    });
  });
  return { title: 'a rake', elements };
}
