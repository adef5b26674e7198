import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { lampName } from '../../document/lamp-name';
import { aboutLamps, stateWords, type VehicleRule } from './vehicle-rule';

export const faint: VehicleRule = {
  id: 'faint',
  judge({ vehicle, table }) {
    return Object.keys(vehicle.job.lamps).flatMap((id) => {
      const rows = table.rows.flatMap((row) => {
        const l = row.lamps.find((v) => v.lampId === id && !v.should && v.does === 'faint');
        return l ? [{ row, l }] : [];
      });
      if (rows.length === 0) return [];
      const [{ row, l }] = rows;
      return [
        {
          id: `faint ${id}`,
          rule: 'faint',
          severity: 'mind' as const,
          title: `${lampName(vehicle.job, id)} glows when it should be dark`,
          sentence: `${stateWords(vehicle, row.state)}: it shines with ${l.lightness.toFixed(0)} of 100, by ${(l.amps * 1e3).toPrecision(2)} mA; from ${FAINT_LIGHTNESS} on it is seen in the dark.`,
          reason:
            'A modern lamp shows at a few hundredths of a milliamp. Current that leaks through a partner, or round by another path, is enough.',
          ...aboutLamps(vehicle, [id]),
          figures: { lightness: l.lightness, amps: l.amps },
          remedies: [],
        },
      ];
    });
  },
};
