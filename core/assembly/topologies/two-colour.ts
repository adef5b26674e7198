import { acrossOneAnother } from './across-one-another';
import type { Topology } from './topology';

export const twoColour: Topology = {
  id: 'two-colour',
  name: 'Two-colour lamps side by side',
  says: 'Two-lead lamps that shine one colour each way, in parallel behind one resistor: all the same way round, or one shines the other colour.',
  on: ['track'],
  resistors: 'shared',
  lay: acrossOneAnother,
};
