import { endNames } from '../../document/ends';
import { aboutLamps, lampsNamed, stateWords, vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const endDark: VehicleRule = {
  id: 'end-dark',
  judge({ vehicle, atMost }) {
    const { job } = vehicle;
    return endNames.flatMap((end) => {
      const rows = atMost.filter((r) => {
        const here = r.lamps.filter((l) => job.lamps[l.lampId].end === end);
        return here.some((l) => l.should) && here.every((l) => l.does === 'dark');
      });
      if (rows.length === 0) return [];
      const ids = rows[0].lamps
        .filter((l) => l.should && job.lamps[l.lampId].end === end)
        .map((l) => l.lampId);
      const kept = ids.map((id) => job.lamps[id].circuitId!).find((c) => job.circuits[c].steering === 'kept');
      return [
        {
          id: `end-dark ${end}`,
          rule: 'end-dark',
          severity: 'mind' as const,
          title: `End ${end} stays dark one way`,
          sentence: `${stateWords(vehicle, rows[0].state)}: 0 of ${new Set(ids).size} lamps that should shine at end ${end} do (${lampsNamed(vehicle, ids)}).`,
          reason: kept
            ? 'The diode that let the old bulb shine one way only is still in the lead: it blocks the lamps meant for the other way. Bridged with a wire the red ones work too, and the wire can be taken out again.'
            : 'Nothing flows at this end in a state in which it should show something.',
          ...aboutLamps(vehicle, ids),
          figures: { lamps: new Set(ids).size },
          remedies: kept
            ? [
                vehicleRemedy(vehicle, 'Bridge the steering diode', (draft) => {
                  draft.circuits[kept].steering = 'bridged';
                }),
                vehicleRemedy(vehicle, 'Take the steering diode out', (draft) => {
                  draft.circuits[kept].steering = 'removed';
                }),
              ]
            : [],
        },
      ];
    });
  },
};
