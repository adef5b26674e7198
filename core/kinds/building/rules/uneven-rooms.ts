import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { rule } from '../../../finding/finding';
import { buildingIn } from '../jobs';
import type { Draft } from 'immer';
import type { Layout } from '../../../document/layout';
import { roomsLight } from '../light';

/** Lightness by which a window may stand out from its neighbours before it looks like a mistake (common practice, no source). */
const FORGIVEN = 25;

/** A window brighter than its neighbours by more than the eye forgives, and a room that should be lit and is dark. */
export const unevenRooms = rule({
  id: 'uneven-rooms',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const job = buildingIn(layout, jobId);
    const rooms = roomsLight(job, now).filter((r) => job.rooms[r.id].windows > 0);
    const lit = rooms.filter((r) => r.lightness >= FAINT_LIGHTNESS);
    const dark = rooms.filter((r) => r.lightness < FAINT_LIGHTNESS && !r.leftDark);
    const strayed = rooms.filter((r) => r.leftDark && r.lightness >= FAINT_LIGHTNESS);
    const sorted = [...lit].sort((a, b) => a.lightness - b.lightness);
    const middle = sorted[Math.floor((sorted.length - 1) / 2)];
    const bright = sorted.at(-1);
    const about = (id: string, room: (typeof rooms)[number], limit: number) => ({
      id: `${id} ${room.id}`,
      subject: { room: room.id },
      paths: [['jobs', jobId, 'rooms', room.id]],
      terminals: [],
      figures: [{ is: room.lightness, limit, unit: 'of 100' as const }],
    });
    return [
      ...(lit.length > 1 && bright && middle && bright.lightness - middle.lightness > FORGIVEN
        ? [
            {
              ...about('uneven-rooms', bright, middle.lightness + FORGIVEN),
              severity: 'note' as const,
              title: `${bright.name} outshines its neighbours`,
              sentence: `Its windows look ${Math.round(bright.lightness)} of 100 bright, the others about ${Math.round(middle.lightness)}; by more than ${FORGIVEN} the eye takes it for a mistake.`,
              reason: 'A small room wants less current than a large one for the same look; or a curtain.',
            },
          ]
        : []),
      ...dark.map((room) => ({
        ...about('dark-room', room, FAINT_LIGHTNESS),
        severity: 'note' as const,
        title: `${room.name} stays dark`,
        sentence: `Its windows look ${Math.round(room.lightness)} of 100 bright; under ${FAINT_LIGHTNESS} they are dark.`,
        reason:
          'No lamp is in it, or too little comes through. Some rooms are dark in any house: then say so in the Brief.',
        cures: [
          {
            label: 'It is meant to be dark',
            recipe: (draft: Draft<Layout>) => void (buildingIn(draft, jobId).rooms[room.id].leftDark = true),
          },
        ],
      })),
      ...strayed.map((room) => ({
        ...about('lit-room', room, FAINT_LIGHTNESS),
        severity: 'mind' as const,
        title: `${room.name} is not dark`,
        sentence: `It is meant to be dark and looks ${Math.round(room.lightness)} of 100 bright; ${FAINT_LIGHTNESS} is the most.`,
        reason: 'Light strays in from a room beside it without a wall between, or a lamp of its own burns.',
        cures: [
          {
            label: 'Walls round every room of its floor',
            recipe(draft: Draft<Layout>) {
              const own = buildingIn(draft, jobId);
              for (const r of Object.values(own.rooms))
                if (r.floor === own.rooms[room.id].floor) r.closedOff = true;
            },
          },
          {
            label: 'It may be lit',
            recipe: (draft: Draft<Layout>) => void (buildingIn(draft, jobId).rooms[room.id].leftDark = false),
          },
        ],
      })),
    ];
  },
});
