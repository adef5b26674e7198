import { acrossOneAnother } from './across-one-another';
import type { Topology } from './topology';

export const sharedBothWays: Topology = {
  id: 'shared-both-ways',
  name: 'One shared resistor, one colour each way',
  says: 'One resistor in the lead; lamps that lead and lamps that trail lie across one another the other way round. Good while one colour lights at a time.',
  on: ['track'],
  resistors: 'shared',
  lay: acrossOneAnother,
};
