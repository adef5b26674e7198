import type { Topology } from './topology';

export const resistorEach: Topology = {
  id: 'resistor-each',
  name: 'A resistor each',
  says: 'Every lamp has its own resistor: even light, and each role as bright as wanted. More joints.',
  on: ['track', 'output'],
  resistors: 'each',
  lay(w) {
    for (const lamp of w.lamps) {
      const [plus, minus] = lamp.sense > 0 ? [w.one, w.two] : [w.two, w.one];
      const head = w.resistor(plus, `resistor-${lamp.id}`, `Resistor`, lamp.lamp.ohms, 'each');
      w.lamp(lamp, head, minus);
    }
  },
};
