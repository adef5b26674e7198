import { endNames } from '../../document/ends';
import { cureFor } from '../../study/locomotive/wrong-way';
import { aboutLamps, litRows, saysHead, saysTail, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const headAndTailExchanged: VehicleRule = {
  id: 'head-and-tail-exchanged',
  judge(study) {
    const { vehicle } = study;
    const { job } = vehicle;
    return endNames.flatMap((end) => {
      const wrong = litRows(study).flatMap((row) => {
        const leading = (end === 'A') === (row.state.direction === 'forward');
        const here = row.lamps.filter((l) => job.lamps[l.lampId].end === end && l.does === 'lit');
        const red = here.filter((l) => saysTail(job, l));
        const white = here.filter((l) => saysHead(job, l));
        const out = leading ? red : white;
        const right = leading ? white : red;
        return out.length > 0 && right.length === 0 ? [{ row, out }] : [];
      });
      if (wrong.length === 0) return [];
      const [{ row, out }] = wrong;
      const cure = cureFor(vehicle, end);
      const ids = out.map((l) => l.lampId);
      const leading = (end === 'A') === (row.state.direction === 'forward');
      return [
        {
          id: `head-and-tail-exchanged ${end}`,
          rule: 'head-and-tail-exchanged',
          severity: 'mind' as const,
          title: `End ${end} shows ${leading ? 'red going ahead' : 'white going away'}`,
          sentence: `Going ${row.state.direction}, ${out.length} ${leading ? 'red' : 'white'} ${out.length === 1 ? 'lamp' : 'lamps'} of end ${end} ${out.length === 1 ? 'shines' : 'shine'} where ${leading ? 'white' : 'red'} should.`,
          reason: `Right rail positive runs forward, towards end A. ${cure?.says ?? 'Which lamp or joint is wrong the truth table shows.'}`,
          ...aboutLamps(vehicle, ids),
          paths: [...new Set(ids.flatMap((id) => job.lamps[id].circuitId ?? []))].map((id) => [
            'jobs',
            vehicle.jobId,
            'circuits',
            id,
          ]),
          figures: { lamps: out.length },
          remedies: cure ? [vehicleRemedy(vehicle, cure.label, cure.mend)] : [],
        },
      ];
    });
  },
};
