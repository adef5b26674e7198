import { stageOf } from '../../document/line-stages';
import type { Stage } from './stage';

export const charge: Stage<'charge'> = {
  kind: 'charge',
  name: 'Charge resistor',
  rectifies: false,
  lay(line, { id, ohms, ratedWatts, beside }) {
    const figures = { kind: 'resistor', ohms, ratedWatts, role: 'charge' } as const;
    const part = line.add(id, charge.name, figures, ['ohms', 'ratedWatts']);
    const before = { ...line.leads[0] };
    line.through(0, part, 'one', 'two');
    // Beside the line the reservoir alone hangs behind it.
    if (beside && stageOf(line.record, 'reservoir')) line.leads[0].at = before.at;
  },
};
