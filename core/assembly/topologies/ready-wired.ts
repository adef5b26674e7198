import type { Topology } from './topology';

export const readyWired: Topology = {
  id: 'ready-wired',
  name: 'Lamps that came with their resistor',
  says: 'Sold as 12 V lamps: straight onto the leads, each the right way round. On more volts they take more current.',
  on: ['track', 'output'],
  resistors: 'none',
  lay(w) {
    for (const lamp of w.lamps) {
      if (lamp.sense > 0) w.lamp(lamp, w.one, w.two);
      else w.lamp(lamp, w.two, w.one);
    }
  },
};
