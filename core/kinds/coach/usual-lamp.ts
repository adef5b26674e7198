import { plainLamp } from '../../document/lamp-record';
import type { CoachRecord } from './record';

type LampRecord = CoachRecord['lamps'][string];

/** A lamp that lights a room from the centre line, straight down. */
export function usualLamp(
  of: Pick<LampRecord, 'order' | 'part' | 'placeMillimetres' | 'circuitId'> & Partial<LampRecord>,
): LampRecord {
  return { ...plainLamp, acrossMillimetres: 0, aimDegrees: 0, role: 'room', ...of };
}
