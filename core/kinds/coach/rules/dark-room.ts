import { formatQuantity } from '../../../quantity/format';
import { rule } from '../../../finding/finding';
import { DARK_SHARE, darkRooms } from '../dark-rooms';
import { hangOver } from '../hang-over';
import { coachIn } from '../jobs';
import { coachLight } from '../light';
import type { Draft } from 'immer';
import type { Layout } from '../../../document/layout';

/** Rooms, or the corridor, behind windows that get next to nothing. */
export const darkRoom = rule({
  id: 'dark-room',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const job = coachIn(layout, jobId);
    const light = coachLight(job, now);
    const dark = darkRooms(light);
    if (dark.length === 0) return [];
    const most = Math.max(...dark.map((r) => r.lux));
    const names = dark.map((r) => r.name.toLowerCase());
    const rooms = dark.filter((r) => r.id !== 'corridor');
    return [
      {
        id: 'dark-room',
        severity: 'mind' as const,
        title: dark.length === 1 ? `${dark[0].name} stays dark` : 'Rooms stay dark',
        sentence: `${listed(names)} ${dark.length === 1 ? 'gets' : 'get'} ${formatQuantity(most, 'lux')} at the seats; the lit windows have ${formatQuantity(light.litLux, 'lux')}.`,
        reason:
          'Partitions that reach the lamps keep the light on their own side: a row on the centre line lights an open coach, not what a wall parts from it. “Place them for me” at the lamps finds the best places for one row or two.',
        subject: { room: dark[0].id },
        paths: [['jobs', jobId, 'lamps'], ...rooms.map((r) => ['jobs', jobId, 'interior', 'rooms', r.id])],
        terminals: [],
        figures: [{ is: most, limit: DARK_SHARE * light.litLux, unit: 'lux' as const }],
        cures: [
          {
            label: `Hang lamps over ${listed(names)}`,
            recipe: (draft) => hangOver(coachIn(draft, jobId), layout, dark),
          },
          ...(rooms.length === dark.length && light.rooms.length > dark.length
            ? [
                {
                  label: `Leave ${listed(names)} dark on purpose`,
                  recipe: (draft: Draft<Layout>) => {
                    for (const r of rooms) coachIn(draft, jobId).interior.rooms[r.id].leftDark = true;
                  },
                },
              ]
            : []),
        ],
      },
    ];
  },
});

function listed(names: readonly string[]): string {
  if (names.length > 3) return `${names.length} rooms`;
  const text =
    names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
