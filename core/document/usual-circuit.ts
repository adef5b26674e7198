import type { CircuitRecord } from './wiring-record';

/** A circuit as it commonly begins: a resistor for each lamp. */
export function usualCircuit(
  order: number,
  name: string,
  lineId: string,
  set: Partial<CircuitRecord> = {},
): CircuitRecord {
  return {
    order,
    name,
    lineId,
    limit: 'each',
    ohms: 2200,
    ratedWatts: 0.125,
    inSeries: 1,
    limiterAmps: 0.01,
    senses: 'alike',
    swapped: false,
    ...set,
  };
}
