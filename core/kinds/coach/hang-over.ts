import { bulbs } from '../../part/bulb';
import { freeId } from '../../document/usual-supply';
import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { coachInterior, type CoachInterior, type LaidRoom } from './interior';
import { lampDrop } from './room-kinds';
import { usualLamp } from './usual-lamp';
import type { Layout } from '../../document/layout';
import type { RoomLight } from './light';
import type { CoachRecord } from './record';

/** Lamps over a corridor reach about this many times their height to each side. */
const REACH = 1.1;
const MOST_LAMPS = 40;

/** Hangs a lamp in the middle of each dark room, and so many along the corridor that they reach one another. */
export function hangOver(
  job: CoachRecord,
  layout: Pick<Layout, 'drawer'>,
  dark: readonly Pick<RoomLight, 'id'>[],
): void {
  const lit = inOrder(job.lamps).find((l) => l.role === 'room' && l.circuitId !== null);
  if (!lit) return;
  const unit = Object.hasOwn(bulbs, lit.part) ? 0 : (lampType(layout, lit.part).unitMillimetres ?? 0);
  const interior = coachInterior(job);
  const hang = (from: number, to: number, nearest: number, farthest: number, count: number): void => {
    for (let i = 0; i < count && Object.keys(job.lamps).length < MOST_LAMPS; i++) {
      const { length } = Object.keys(job.lamps);
      job.lamps[freeId(job.lamps, `lamp-${length + 1}`)] = usualLamp({
        order: 1 + Math.max(...Object.values(job.lamps).map((l) => l.order)),
        part: lit.part,
        tint: lit.tint,
        circuitId: lit.circuitId,
        placeMillimetres: tenth(from + ((i + 0.5) * (to - from)) / count),
        acrossMillimetres: tenth((nearest + farthest - job.interior.widthMillimetres) / 2),
      });
    }
  };
  const pitch = Math.max(unit, 2 * REACH * lampDrop(job.interior));
  for (const { id } of dark) {
    const space: LaidRoom | CoachInterior['corridor'] | undefined =
      id === 'corridor' ? interior.corridor : interior.rooms.find((r) => r.id === id);
    if (!space || space.to - space.from < unit) continue;
    const count = Math.max(1, Math.round((space.to - space.from) / pitch));
    hang(space.from, space.to, space.nearest, space.farthest, count);
  }
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;
