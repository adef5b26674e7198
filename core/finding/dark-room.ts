import { formatQuantity } from '../quantity/format';
import { freeId } from '../document/usual-supply';
import { lampDrop } from '../document/room-kinds';
import { lampType } from '../document/lamp-type';
import { usualLamp } from '../document/usual-lamp';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { change } from '../document/patch';
import { benchOf } from '../study/bench';
import { coachInterior, type CoachInterior, type LaidRoom } from '../study/coach-interior';
import { coachLight, type RoomLight } from '../study/coach-light';
import { DARK_SHARE, darkRooms } from '../study/dark-rooms';
import { steadyStudy } from '../study/steady';
import { rule } from './finding';
import { remedy } from './remedy';
import { supplyKind } from '../supply';
import type { Bench } from '../study/bench';
import type { Draft } from 'immer';

/** Lamps over a corridor reach about this many times their height to each side. */
const REACH = 1.1;
const MOST_LAMPS = 40;

/** Rooms, or the corridor, behind windows that get next to nothing. */
export const darkRoom = rule({
  id: 'dark-room',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId, layout, supply } = bench;
    const light = coachLight(job, steady);
    const dark = darkRooms(light);
    if (dark.length === 0) return [];
    const limit = supplyKind(supply).limit(supply).amps;
    const add = (draft: Draft<Layout>): void => lampsFor(draft, bench, dark);
    const lights = (): boolean => {
      const tried = change(layout, add).layout;
      const after = steadyStudy(benchOf(tried, jobId));
      return (
        darkRooms(coachLight(coachIn(tried, jobId), after)).length === 0 && after.supplyAmps.greatest <= limit
      );
    };
    const most = Math.max(...dark.map((r) => r.lux));
    const names = dark.map((r) => r.name.toLowerCase());
    const rooms = dark.filter((r) => r.id !== 'corridor');
    return [
      {
        id: 'dark-room',
        rule: 'dark-room',
        severity: 'mind' as const,
        title: dark.length === 1 ? `${dark[0].name} stays dark` : 'Rooms stay dark',
        sentence: `${listed(names)} ${dark.length === 1 ? 'gets' : 'get'} ${formatQuantity(most, 'lux')} at the seats; the lit windows have ${formatQuantity(light.litLux, 'lux')}.`,
        reason:
          'Partitions that reach the lamps keep the light on their own side: a row on the centre line lights an open coach, not what a wall parts from it. “Place them for me” at the lamps finds the best places for one row or two.',
        paths: [['jobs', jobId, 'lamps'], ...rooms.map((r) => ['jobs', jobId, 'interior', 'rooms', r.id])],
        terminals: [],
        figures: { lux: most, litLux: light.litLux, darkShare: DARK_SHARE },
        remedies: [
          ...(lights()
            ? remedy(`Hang lamps over ${listed(names)}`, bench, steady, (draft) => {
                add(draft);
                return true;
              })
            : []),
          ...(rooms.length === dark.length && light.rooms.length > dark.length
            ? remedy(`Leave ${listed(names)} dark on purpose`, bench, steady, (draft) => {
                for (const r of rooms) coachIn(draft, jobId).interior.rooms[r.id].leftDark = true;
                return true;
              })
            : []),
        ],
      },
    ];
  },
});

/** Hangs a lamp in the middle of each dark room, and so many along the corridor that they reach one another. */
function lampsFor(draft: Draft<Layout>, bench: Bench, dark: readonly RoomLight[]): void {
  const job = coachIn(draft, bench.jobId);
  const lit = inOrder(bench.job.lamps).find((l) => l.role === 'room' && l.groupId !== null);
  if (!lit) return;
  const unit = lampType(bench.layout, lit.part).unitMillimetres ?? 0;
  const interior = coachInterior(bench.job);
  const hang = (from: number, to: number, nearest: number, farthest: number, count: number): void => {
    for (let i = 0; i < count && Object.keys(job.lamps).length < MOST_LAMPS; i++) {
      const { length } = Object.keys(job.lamps);
      job.lamps[freeId(job.lamps, `lamp-${length + 1}`)] = usualLamp({
        order: 1 + Math.max(...Object.values(job.lamps).map((l) => l.order)),
        part: lit.part,
        tint: lit.tint,
        groupId: lit.groupId,
        placeMillimetres: tenth(from + ((i + 0.5) * (to - from)) / count),
        acrossMillimetres: tenth((nearest + farthest - job.interior.widthMillimetres) / 2),
      });
    }
  };
  const pitch = Math.max(unit, 2 * REACH * lampDrop(bench.job.interior));
  for (const { id } of dark) {
    const space: LaidRoom | CoachInterior['corridor'] | undefined =
      id === 'corridor' ? interior.corridor : interior.rooms.find((r) => r.id === id);
    if (!space || space.to - space.from < unit) continue;
    const count = Math.max(1, Math.round((space.to - space.from) / pitch));
    hang(space.from, space.to, space.nearest, space.farthest, count);
  }
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

function listed(names: readonly string[]): string {
  if (names.length > 3) return `${names.length} rooms`;
  const text =
    names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
