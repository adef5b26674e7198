import { bodyFor, RESISTOR_MARGIN, wattsName } from '../../part/resistor';
import { formatQuantity } from '../../quantity/format';
import { vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const vehicleResistorHeat: VehicleRule = {
  id: 'resistor-heat',
  judge({ vehicle, atMost }) {
    const hot = vehicle.assembly.parts.flatMap((part) => {
      if (part.kind !== 'resistor') return [];
      const watts = Math.max(0, ...atMost.map((r) => r.lit.resistorWatts.get(part.id) ?? 0));
      return watts > part.ratedWatts * RESISTOR_MARGIN ? [{ part, watts }] : [];
    });
    if (hot.length === 0) return [];
    const worst = hot.reduce((a, b) => (b.watts / b.part.ratedWatts > a.watts / a.part.ratedWatts ? b : a));
    const circuitOf = (path: readonly (string | number)[]): string =>
      path[2] === 'circuits' ? String(path[3]) : (vehicle.job.lamps[String(path[3])].circuitId ?? '');
    const body = bodyFor(Math.max(...hot.map((h) => h.watts)));
    return [
      {
        id: 'resistor-heat',
        rule: 'resistor-heat',
        severity: worst.watts > worst.part.ratedWatts ? ('stop' as const) : ('mind' as const),
        title: `${worst.part.label} runs hot`,
        sentence: `It turns ${formatQuantity(worst.watts, 'watt')} into heat; its body is rated ${wattsName(worst.part.ratedWatts)}.`,
        reason: 'Next to plastic it marks or melts the shell. A larger body spreads the same heat.',
        paths: hot.map((h) => h.part.path),
        terminals: hot.map((h) => ({ part: h.part.id, terminal: 'one' })),
        figures: { watts: worst.watts, ratedWatts: worst.part.ratedWatts },
        remedies: body
          ? [
              vehicleRemedy(vehicle, `Fit ${body.name}`, (draft) => {
                for (const h of hot) draft.circuits[circuitOf(h.part.path)].ratedWatts = body.watts;
              }),
            ]
          : [],
      },
    ];
  },
};
