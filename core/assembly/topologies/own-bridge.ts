import { reservoirBehind } from './reservoir-behind';
import { t, type Topology } from './topology';

export const ownBridge: Topology = {
  id: 'own-bridge',
  name: 'A small bridge of its own',
  says: 'Shines whichever way it runs, and may have a reservoir: only behind a bridge does the plus side stay plus.',
  on: ['track'],
  resistors: 'each',
  lay(w) {
    const id = `bridge-${w.circuitId}`;
    w.add({
      id,
      kind: 'bridge',
      label: `Bridge of ${w.circuit.name}`,
      diode: 'silicon',
      loose: false,
      path: w.path('topology'),
    });
    w.wire(w.one, t(id, 'right'));
    w.wire(w.two, t(id, 'left'));
    const [plus, minus] = [t(id, 'plus'), t(id, 'minus')];
    reservoirBehind(w, plus, minus);
    for (const lamp of w.lamps) {
      const head = w.resistor(plus, `resistor-${lamp.id}`, 'Resistor', lamp.lamp.ohms, 'each');
      w.lamp(lamp, head, minus);
    }
  },
};
