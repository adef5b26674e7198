import { endNames } from '../../document/ends';
import { aboutLamps, lampsNamed, saysHead, saysTail, stateWords, type VehicleRule } from './vehicle-rule';

export const whiteAndRed: VehicleRule = {
  id: 'white-and-red',
  judge({ vehicle, table }) {
    const { job } = vehicle;
    return endNames.flatMap((end) => {
      const rows = table.rows.flatMap((row) => {
        const lit = row.lamps.filter((l) => l.does === 'lit' && job.lamps[l.lampId].end === end);
        const heads = lit.filter((l) => saysHead(job, l));
        const red = lit.filter((l) => saysTail(job, l));
        return heads.length > 0 && red.length > 0 ? [{ row, heads, red }] : [];
      });
      if (rows.length === 0) return [];
      const [{ row, heads, red }] = rows;
      const ids = [...heads, ...red].map((l) => l.lampId);
      return [
        {
          id: `white-and-red ${end}`,
          rule: 'white-and-red',
          severity: 'mind' as const,
          title: `White and red together at end ${end}`,
          sentence: `In ${rows.length} of ${table.rows.length} states end ${end} shows both; first: ${stateWords(vehicle, row.state)}, with ${lampsNamed(vehicle, ids)}.`,
          reason:
            'One end of a vehicle is either its head or its tail. Both at once comes of alternating current on a circuit made for DC, of an output that two roles share, or of a function that lights one colour whatever the direction.',
          ...aboutLamps(vehicle, ids),
          figures: { states: rows.length },
          remedies: [],
        },
      ];
    });
  },
};
