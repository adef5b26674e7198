import { endNames } from '../../document/ends';
import { cureFor } from '../../study/locomotive/wrong-way';
import { aboutLamps, lampsNamed, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const neverLit: VehicleRule = {
  id: 'never-lit',
  judge({ vehicle, atMost }) {
    const { job } = vehicle;
    const dark = Object.keys(job.lamps).flatMap((id) => {
      const dies = atMost.map((r) => r.lamps.filter((l) => l.lampId === id)).filter((l) => l.length > 0);
      const firsts = dies.map((l) => l[0]);
      if (job.lamps[id].circuitId === null || firsts.length === 0) return [];
      if (!firsts.some((l) => l.should) || firsts.some((l) => l.should && l.does === 'lit')) return [];
      return [{ id, most: Math.max(...firsts.filter((l) => l.should).map((l) => l.lightness)) }];
    });
    return endNames.flatMap((end) => {
      const here = dark.filter((d) => job.lamps[d.id].end === end);
      if (here.length === 0) return [];
      const ids = here.map((d) => d.id);
      const most = Math.max(...here.map((d) => d.most));
      const cure = cureFor(vehicle, end);
      return [
        {
          id: `never-lit ${end}`,
          rule: 'never-lit',
          severity: 'mind' as const,
          title: `${lampsNamed(vehicle, ids, 2)} never ${ids.length === 1 ? 'shines' : 'shine'} when meant to`,
          sentence: `In no state it is meant for does ${ids.length === 1 ? 'it' : 'any of them'} come above ${most.toFixed(0)} of 100; 9 is where a lamp begins to be seen.`,
          reason:
            cure?.says ??
            'It is the wrong way round, hangs on an output nothing lights, stands behind a diode that blocks its direction, or gets too little through its resistor.',
          ...aboutLamps(vehicle, ids),
          figures: { lightness: most },
          remedies: cure ? [vehicleRemedy(vehicle, cure.label, cure.mend)] : [],
        },
      ];
    });
  },
};
