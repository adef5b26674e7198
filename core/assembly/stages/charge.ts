import type { Stage } from './stage';

export const charge: Stage<'charge'> = {
  kind: 'charge',
  name: 'Charge resistor',
  rectifies: false,
  lay(line, { id, order, ohms, ratedWatts, beside }) {
    const figures = { kind: 'resistor', ohms, ratedWatts, role: 'charge' } as const;
    const part = line.add(id, charge.name, figures, ['ohms', 'ratedWatts']);
    const before = { ...line.leads[0] };
    line.through(0, part, 'one', 'two');
    // Beside the line the reservoirs alone hang behind it, where some follow.
    const follows = Object.values(line.record.stages).some((s) => s.kind === 'reservoir' && s.order > order);
    if (beside && follows) line.leads[0].at = before.at;
  },
};
