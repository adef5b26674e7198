import { usualEvening } from './evening-record';
import { USUAL_TESTER } from './drawer-record';
import { FORMAT, VERSION, type Layout } from './layout';

/** A layout with nothing in it yet. */
export function emptyLayout(name: string): Layout {
  return {
    format: FORMAT,
    version: VERSION,
    name,
    scale: 'H0',
    currency: 'EUR',
    supplies: {},
    jobs: {},
    trains: {},
    lampSets: {},
    boards: {},
    network: { nodes: {}, runs: {} },
    rigs: {},
    evening: usualEvening(),
    drawer: { resistors: {}, reservoirs: {}, sundries: {}, lamps: {}, tester: { ...USUAL_TESTER } },
  };
}
