import type { CoachLight, RoomLight } from './light';

/** A room counts as dark below this share of the light of the lit windows. */
export const DARK_SHARE = 0.1;

/** Rooms, and the corridor, that get next to nothing and were not left dark on purpose. */
export function darkRooms(light: Pick<CoachLight, 'rooms' | 'litLux'>): RoomLight[] {
  if (!(light.litLux > 0)) return [];
  return light.rooms.filter((r) => !r.leftDark && r.lux < DARK_SHARE * light.litLux);
}
