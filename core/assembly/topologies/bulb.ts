import type { Topology } from './topology';

export const bulb: Topology = {
  id: 'bulb',
  name: 'Bulbs, as they were',
  says: 'Filament bulbs straight on the leads; a steering diode lets them shine one way only.',
  on: ['track', 'output'],
  resistors: 'none',
  lay(w) {
    for (const lamp of w.lamps) w.bulb(lamp, w.one, w.two);
  },
};
