import { create } from 'zustand';
import type { FileComplaint } from '../../core/document/file';
import type { Card } from '../storage/database';
import type { SaveState } from '../storage/keeper';

/** What keeps the browser from keeping the work, when something does. */
export type ShelfTrouble =
  /** The browser keeps nothing: a private window, or storage switched off. */
  | { readonly kind: 'absent'; readonly reason: string }
  /** Another window with an older program holds the data. */
  | { readonly kind: 'blocked' }
  /** A newer program has the data: this one may not write any more. */
  | { readonly kind: 'outdated' };

/** The layout that was asked for could not be opened: it stays as it is on the shelf. */
export interface NotOpened {
  readonly id: string;
  readonly name: string;
  readonly complaints: readonly FileComplaint[];
}

interface ShelfStore {
  /** Null until they have been read. */
  readonly cards: readonly Card[] | null;
  readonly save: SaveState;
  readonly trouble: ShelfTrouble | null;
  readonly notOpened: NotOpened | null;
  /** Names of layouts that were had back from their second copy: the browser had lost its own. */
  readonly recovered: readonly string[];
  /** Much has changed since the open layout was last exported. */
  readonly remind: boolean;
  /** Asked, where the browser keeps nothing, before another layout takes the place of the only copy. */
  readonly replacing: ((replace: boolean) => void) | null;
  readonly set: (change: Partial<Omit<ShelfStore, 'set'>>) => void;
}

/** How the layouts kept in this browser stand. */
export const useShelfStore = create<ShelfStore>((set) => ({
  cards: null,
  save: { kind: 'idle' },
  trouble: null,
  notOpened: null,
  recovered: [],
  remind: false,
  replacing: null,
  set: (change) => set(change),
}));
