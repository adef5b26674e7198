import { inOrder } from '../../document/in-order';
import { aboutLamps, lampsNamed, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const looseLamp: VehicleRule = {
  id: 'loose-lamp',
  judge({ vehicle }) {
    const { job } = vehicle;
    const ids = inOrder(job.lamps)
      .filter((l) => l.circuitId === null)
      .map((l) => l.id);
    if (ids.length === 0) return [];
    const like = (id: string): string | undefined =>
      inOrder(job.lamps).find((l) => l.circuitId !== null && l.role === job.lamps[id].role)?.circuitId ??
      undefined;
    const joinable = ids.filter((id) => like(id) !== undefined);
    return [
      {
        id: 'loose-lamp',
        rule: 'loose-lamp',
        severity: 'mind' as const,
        title: `${ids.length === 1 ? 'A lamp’s leads go' : `The leads of ${ids.length} lamps go`} nowhere`,
        sentence: `${lampsNamed(vehicle, ids)}: 0 mA, in no circuit yet.`,
        reason: 'A lamp hangs in a circuit, and that on the rails or on an output of the decoder.',
        ...aboutLamps(vehicle, ids),
        figures: { lamps: ids.length },
        remedies:
          joinable.length > 0
            ? [
                vehicleRemedy(vehicle, 'Join each to lamps of its role', (draft) => {
                  for (const id of joinable) draft.lamps[id].circuitId = like(id)!;
                }),
              ]
            : [],
      },
    ];
  },
};
