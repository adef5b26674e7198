import { inOrder } from '../../document/in-order';
import { t } from '../laying';
import type { Stage } from './stage';

export const reservoir: Stage<'reservoir'> = {
  kind: 'reservoir',
  name: 'Reservoir',
  rectifies: false,
  lay(line, { id, farads, ratedVolts }) {
    const figures = { kind: 'electrolytic', farads, ratedVolts } as const;
    const part = line.add(id, reservoir.name, figures, ['farads', 'ratedVolts']);
    const [plus, minus] = [t(part, 'plus'), t(part, 'minus')];
    const gentle = inOrder(line.record.stages).find((s) => s.kind === 'charge');
    const { laying, leads } = line;
    // One that comes after it in the line is none of its own.
    const resistor = gentle?.beside
      ? laying.parts.find((p) => p.path.join() === line.path(gentle.id).join())
      : undefined;
    if (!resistor) {
      line.across(plus, minus);
      return;
    }
    laying.wire(t(resistor.id, 'two'), plus, leads[0].role);
    laying.from(leads[1], minus);
    const diode = line.add(`${id}-discharge`, 'Discharge diode', {
      kind: 'diode',
      diode: 'silicon',
      role: 'discharge',
    });
    laying.wire(plus, t(diode, 'anode'), leads[0].role);
    laying.from(leads[0], t(diode, 'cathode'));
  },
};
