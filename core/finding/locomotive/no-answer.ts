import { stateWords, type VehicleRule } from './vehicle-rule';

export const noAnswer: VehicleRule = {
  id: 'no-answer',
  judge({ vehicle, unsolved, table }) {
    if (unsolved.length === 0) return [];
    const [first] = unsolved;
    const count = unsolved.length;
    return [
      {
        id: 'no-answer',
        rule: 'no-answer',
        severity: 'mind',
        title: `${count} ${count === 1 ? 'state has' : 'states have'} no answer`,
        sentence: `${stateWords(vehicle, first.state)}: ${first.reason} ${table.rows.length} states are judged without ${count === 1 ? 'it' : 'them'}.`,
        reason:
          'The circuit of such a state could not be solved; a figure that no real part has is the usual cause.',
        paths: [['jobs', vehicle.jobId]],
        terminals: [],
        figures: { states: count },
        remedies: [],
      },
    ];
  },
};
