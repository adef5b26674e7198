import { vehicleFit } from '../../study/locomotive/vehicle-fit';
import { vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const fitClash: VehicleRule = {
  id: 'fit-clash',
  judge({ vehicle }) {
    const { clashes } = vehicleFit(vehicle.job);
    if (clashes.length === 0) return [];
    const worst = clashes.reduce((a, b) =>
      b.takesMillimetres - b.hasMillimetres > a.takesMillimetres - a.hasMillimetres ? b : a,
    );
    const passing = clashes.some((c) => c.id === 'resistor-hole' || c.id === 'plug-hole');
    return [
      {
        id: 'fit-clash',
        rule: 'fit-clash',
        severity: 'mind' as const,
        title: clashes.length === 1 ? 'Something does not fit' : `${clashes.length} things do not fit`,
        sentence: worst.says,
        reason: worst.cure,
        paths: [['jobs', vehicle.jobId, 'fit']],
        terminals: [],
        figures: { takesMillimetres: worst.takesMillimetres, hasMillimetres: worst.hasMillimetres },
        remedies: passing
          ? [
              vehicleRemedy(vehicle, 'Thread first, solder after', (draft) => {
                draft.fit.threadedFirst = true;
              }),
            ]
          : [],
      },
    ];
  },
};
