import { formatQuantity } from '../../quantity/format';
import { aboutLamps, lampsNamed, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const vehicleReverseVoltage: VehicleRule = {
  id: 'reverse-voltage',
  judge({ vehicle, atMost }) {
    const { job, supply } = vehicle;
    const worst = new Map<string, { volts: number; rated: number }>();
    for (const row of atMost)
      for (const l of row.lamps) {
        if (!l.led || l.reverseVolts <= l.led.reverseVolts) continue;
        const before = worst.get(l.lampId);
        if (!before || l.reverseVolts > before.volts)
          worst.set(l.lampId, { volts: l.reverseVolts, rated: l.led.reverseVolts });
      }
    if (worst.size === 0) return [];
    const ids = [...worst.keys()];
    const most = [...worst.values()].reduce((a, b) => (b.volts > a.volts ? b : a));
    const both = ids
      .map((id) => job.lamps[id].circuitId)
      .filter(
        (c): c is string =>
          c !== null && job.circuits[c].topology === 'resistor-each' && job.circuits[c].feed.kind === 'track',
      );
    return [
      {
        id: 'reverse-voltage',
        rule: 'reverse-voltage',
        severity: 'mind' as const,
        title: 'Lamps stand more backwards than they are rated for',
        sentence: `${lampsNamed(vehicle, ids)}: ${formatQuantity(most.volts, 'volt')} backwards while they are dark; rated ${formatQuantity(most.rated, 'volt')}.`,
        reason:
          supply.kind === 'dc-track'
            ? 'A lamp alone in its branch takes the whole track voltage when it runs the other way. Many bear it for years, some fail early; a partner the other way round across it, as where both colours share one resistor, holds it to some 2 or 3 V.'
            : 'Without a common positive the rail turns against the lamp at every half-bit. A lamp the other way round across it, or a plug with a blue wire, keeps it from that.',
        ...aboutLamps(vehicle, ids),
        figures: { volts: most.volts, ratedVolts: most.rated },
        remedies:
          both.length > 0
            ? [
                vehicleRemedy(vehicle, 'One shared resistor, one colour each way', (draft) => {
                  for (const id of new Set(both)) draft.circuits[id].topology = 'shared-both-ways';
                }),
              ]
            : [],
      },
    ];
  },
};
