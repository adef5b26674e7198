import type { FitRecord } from './fit-record';

/** Nothing measured yet: a shell that keeps light in, opened by clips; an eye at an arm's length. */
export function usualFit(): FitRecord {
  return {
    opening: { how: 'clips', hinge: 'none', arrow: false, leadsEnd: 'none' },
    tabs: null,
    board: null,
    things: {},
    eye: { aboveRailMillimetres: 250, awayMillimetres: 500 },
    shell: 'opaque',
    blackedOut: { roof: false, ends: false },
  };
}
