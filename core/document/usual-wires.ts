import type { JobCore } from './job-record';

/** Thin soft wire to the lamps and from the pickups (common practice, no source). */
export const usualWires: JobCore['wires'] = { lamps: 'decoder', feed: 'decoder' };
