import type { CoachRecord, GroupRecord } from './coach-record';

type LampRecord = CoachRecord['lamps'][string];

/** A lamp that lights a room from the centre line, straight down. */
export function usualLamp(
  of: Pick<LampRecord, 'order' | 'part' | 'placeMillimetres' | 'groupId'> & Partial<LampRecord>,
): LampRecord {
  return { acrossMillimetres: 0, aimDegrees: 0, role: 'room', tint: 'none', ...of };
}

/** A group as it commonly begins: a resistor for each lamp, no switch. */
export function usualGroup(order: number, name = 'Roof'): GroupRecord {
  return {
    order,
    name,
    drive: 'resistor-each',
    ohms: 2200,
    ratedWatts: 0.125,
    inSeries: 1,
    limiterAmps: 0.01,
    builtIn: { kind: 'nothing' },
    switch: null,
  };
}
