import type { Terminal } from '../assembly';
import { t, type Wiring } from './topology';

/** The circuit's reservoir, where it has one, between two terminals that never change sides. */
export function reservoirBehind(w: Wiring, plus: Terminal, minus: Terminal, which = ''): void {
  const { reservoir } = w.circuit;
  if (!reservoir) return;
  const id = `reservoir${which}-${w.circuitId}`;
  w.add({
    id,
    kind: 'electrolytic',
    label: `Reservoir of ${w.circuit.name}`,
    farads: reservoir.farads,
    ratedVolts: reservoir.ratedVolts,
    path: w.path('reservoir'),
  });
  w.wire(plus, t(id, 'plus'));
  w.wire(minus, t(id, 'minus'));
}
