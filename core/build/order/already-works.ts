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

/** What is said where a thing comes out, and where it is looked at before it is used again. */
const out = (what: string, tool: BodyWork['tool'] = 'hands', minutes = 4): Doing => ({
  does: (n) => `Take out: ${n > 1 ? `${n} × ` : ''}${what}`,
  says: 'Leads labelled as they come off; kept in the box.',
  tool,
  minutes,
  undone: 'can',
});

const doings: Readonly<Record<AlreadyThing, Partial<Record<Fate, Doing>>>> = {
  lamps: {
    goes: { ...out('', 'knife', 2), does: (n) => `Take ${many(n, 'old lamp', 'old lamps')} out` },
    reused: { ...out('', 'hands', 1), does: () => 'Test the old lamps', says: 'What is dark is bought new.' },
  },
  mounts: { goes: out('lamp holders', 'knife') },
  pegs: {
    goes: {
      ...out('', 'knife'),
      does: () => 'Trim the lens pegs 2 to 3 mm short',
      says: 'A little at a time.',
      undone: 'cannot',
    },
  },
  seats: { goes: out('seats') },
  weight: { goes: out('weight') },
  suppressor: { goes: out('interference suppressor', 'iron') },
  board: {
    goes: out('board', 'iron', 8),
    reused: {
      ...out(''),
      does: () => 'Look where the traces of the board go',
      says: 'Rail, motor and lamp pads, with the tester.',
    },
  },
  decoder: {
    goes: out('old decoder'),
    reused: { ...out(''), does: () => 'Read the decoder out', says: 'Its address is written down.' },
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
