import { isScenery, type HookUpName } from '../document/scenery-record';
import { boughtBoards, type BoughtBoard, type BoughtBoardName } from '../part/bought-board';
import type { AnyJob } from '../document/layout';
import type { Assembly, Lead, Part } from './assembly';

/** Ways of joining whose parts come on a board, and which parts those are. */
const comesOn: Partial<
  Record<HookUpName, { readonly board: BoughtBoardName; readonly has: (part: Part) => boolean }>
> = {
  hub: { board: 'hub', has: ({ kind }) => kind === 'socket' || kind === 'bridge' || kind === 'electrolytic' },
  board: { board: 'sockets', has: (part) => part.kind === 'resistor' && part.role !== 'charge' },
};

/** Says of every part whether it comes on a board that is bought whole. */
export function onBoards(parts: readonly Part[], job: AnyJob): Part[] {
  const found = isScenery(job) ? comesOn[job.hookUp] : undefined;
  return parts.map((p) => (found?.has(p) ? { ...p, board: found.board } : p));
}

/** Leads that are copper of a board or of a strip: both their ends are on it. */
export function isOnBoard(
  byId: ReadonlyMap<string, Part>,
  { from, to, uncut }: Pick<Lead, 'from' | 'to' | 'uncut'>,
): boolean {
  if (uncut) return true;
  const [a, b] = [byId.get(from.part)!.board, byId.get(to.part)!.board];
  return a !== null && a === b;
}

/** A board of an assembly, with how many of it are needed and how many plugs go in. */
export interface BoardNeed extends BoughtBoard {
  readonly id: BoughtBoardName;
  readonly count: number;
  readonly plugs: number;
}

/** The boards that an assembly takes, and their plugs: one for each socket or resistor in use. */
export function boardsOf({ parts }: Pick<Assembly, 'parts'>): BoardNeed[] {
  return (Object.keys(boughtBoards) as BoughtBoardName[]).flatMap((id) => {
    const plugs = parts.filter(
      (p) => p.board === id && (p.kind === 'socket' || p.kind === 'resistor'),
    ).length;
    const board = boughtBoards[id];
    // One that is there with nothing plugged in yet is bought all the same.
    return parts.some((p) => p.board === id)
      ? [{ id, ...board, plugs, count: Math.max(1, Math.ceil(plugs / board.sockets)) }]
      : [];
  });
}
