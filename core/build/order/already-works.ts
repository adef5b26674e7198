import { alreadyIn } from '../../study/already';
import type { AlreadyThing, Fate } from '../../document/already-record';
import type { JobCore } from '../../document/job-record';
import type { BodyWork } from './order-facts';

/** What is done about a thing that is in the model: how, with what, and how long for each of it. */
interface Doing {
  readonly does: (count: number) => string;
  readonly says: string;
  readonly tool: BodyWork['tool'];
  readonly minutes: number;
  readonly undone: BodyWork['undone'];
}

/** How ids of such works begin. */
export const ALREADY = 'already ';

const many = (count: number, one: string, more: string): string =>
  count === 1 ? `the ${one}` : `${count} ${more}`;

/** Minutes and ways (common practice, no source). */
const doings: Readonly<Record<AlreadyThing, Partial<Record<Fate, Doing>>>> = {
  lamps: {
    goes: {
      does: (n) => `Take ${many(n, 'old lamp', 'old lamps')} out`,
      says: 'Its leads cut close to what they come from, not to the lamp: what is left shows which went where. What they were on is insulated.',
      tool: 'knife',
      minutes: 2,
      undone: 'can',
    },
    reused: {
      does: (n) => `Look at ${many(n, 'old lamp', 'old lamps')} on the supply they were made for`,
      says: 'What lights evenly stays in its place; what is dark or brown in its glass is bought new.',
      tool: 'hands',
      minutes: 1,
      undone: 'can',
    },
  },
  mounts: {
    goes: {
      does: (n) => `Take ${many(n, 'lamp holder', 'lamp holders')} out`,
      says: 'Unclipped or cut off flush; the edge is filed, or it skins the leads.',
      tool: 'knife',
      minutes: 3,
      undone: 'cannot',
    },
  },
  pegs: {
    goes: {
      does: (n) => `Trim ${many(n, 'lens peg', 'lens pegs')} 2 to 3 mm short`,
      says: 'A little at a time, the cut end polished: the lamp sits close behind it and does not push it out.',
      tool: 'knife',
      minutes: 3,
      undone: 'cannot',
    },
    reused: {
      does: (n) => `Clean ${many(n, 'lens peg', 'lens pegs')}`,
      says: 'Paint and glue off the end that the lamp shines into.',
      tool: 'hands',
      minutes: 1,
      undone: 'can',
    },
  },
  seats: {
    goes: {
      does: () => 'Take the seats out',
      says: 'Clips or spots of glue; kept whole, they go back over the wires or have a groove filed for them.',
      tool: 'hands',
      minutes: 5,
      undone: 'can',
    },
  },
  weight: {
    goes: {
      does: () => 'Take the weight out',
      says: 'As much is put back elsewhere: it holds the wheels on the rails. Bare metal near wires is taped.',
      tool: 'hands',
      minutes: 4,
      undone: 'can',
    },
  },
  suppressor: {
    goes: {
      does: () => 'Take the interference suppressor out',
      says: 'A capacitor across the rails blunts the pulses a decoder reads; chokes in the motor leads may stay.',
      tool: 'iron',
      minutes: 3,
      undone: 'can',
    },
  },
  board: {
    goes: {
      does: () => 'Take the board out',
      says: 'Before a lead comes off it: each is labelled by what it goes to. It is kept in the box.',
      tool: 'iron',
      minutes: 8,
      undone: 'can',
    },
    reused: {
      does: () => 'Look where the traces of the board go',
      says: 'From each pad with a tester: which are rail, motor and lamp, and what stands between them.',
      tool: 'hands',
      minutes: 5,
      undone: 'can',
    },
  },
  decoder: {
    goes: {
      does: () => 'Take the old decoder out',
      says: 'By its plug, straight, never by its wires; its address is written down first.',
      tool: 'hands',
      minutes: 2,
      undone: 'can',
    },
    reused: {
      does: () => 'Read the decoder out',
      says: 'Its address and what each output does now are written down, before anything is changed.',
      tool: 'hands',
      minutes: 5,
      undone: 'can',
    },
  },
};

/** Work that things cost which are in the model already: what comes out, and what is looked at before it is used again. */
export function alreadyWorks({ already }: Pick<JobCore, 'already'>): BodyWork[] {
  return alreadyIn({ already }).flatMap(({ id, what, count, fate, note }): BodyWork[] => {
    const doing = doings[what][fate];
    if (!doing) return [];
    const { does, says, tool, minutes, undone } = doing;
    return [
      {
        id: `${ALREADY}${id}`,
        does: does(count),
        says: note === '' ? says : `${says} ${note}${/[.!?]$/.test(note) ? '' : '.'}`,
        tool,
        lamps: [],
        before: 'threading',
        minutes: minutes * count,
        dryMinutes: 0,
        undone,
      },
    ];
  });
}
