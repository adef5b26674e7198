import { bulbs } from '../../part/bulb';
import type { OrderFacts } from '../../build/order/order-facts';
import type { DisplayModelRecord } from './record';

/** A model on a stand: its lamps' leads go down the tube, and nothing has to be opened but the stand. */
export const displayModelOrder: OrderFacts<DisplayModelRecord> = {
  opening: () => ({
    does: 'Take the model off its stand and open the stand',
    says: 'Keep the screws in a lid.',
    closes: 'Close the stand and set the model on it',
  }),
  works: () => [],
  fixing: () => ({
    does: 'Glue the lamps in',
    says: 'A drop that sets clear; superglue fogs a lens.',
    by: 'glue',
  }),
  label: 'the stand, underneath',
  placeName: (place) => `the ${place}`,
  bare: (job, lampId) => !Object.hasOwn(bulbs, job.lamps[lampId].part),
  lampBody: () => null,
  slack: () => 'Leave a loop in the stand, so that the model lifts off it.',
  thinShell: () => true,
};
