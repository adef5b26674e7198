/** A layout as it was last written, kept apart from the database that holds it. */
export interface SecondCopy {
  readonly id: string;
  /** Number of the newest step it holds. */
  readonly seq: number;
  readonly at: number;
  readonly layout: unknown;
}

/** Where second copies lie. */
interface CopyPlace {
  readonly all: () => Promise<unknown[]>;
  readonly put: (id: string, text: string) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
}

const FOLDER = 'second-copies';
const KEY = 'hazel-second-copy ';

/** Files of the browser's own, where it has them: a secure origin, which a page from this machine is too. */
async function inFiles(): Promise<CopyPlace> {
  const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle(FOLDER, { create: true });
  return {
    all: async () => {
      const read: unknown[] = [];
      for await (const [name, entry] of folder.entries())
        if (name.endsWith('.json') && entry.kind === 'file')
          read.push(await parsed(await (await (entry as FileSystemFileHandle).getFile()).text()));
      return read;
    },
    put: async (id, text) => {
      // Written beside the old one, which is replaced when it is whole.
      const file = await (await folder.getFileHandle(`${id}.json`, { create: true })).createWritable();
      await file.write(text);
      await file.close();
    },
    remove: (id) => folder.removeEntry(`${id}.json`).catch(() => undefined),
  };
}

/** The page's plain store, elsewhere: slower to reach the disc, and small, but on every origin. */
const inPlainStore: CopyPlace = {
  all: () =>
    Promise.all(
      Object.keys(localStorage)
        .filter((k) => k.startsWith(KEY))
        .map((k) => parsed(localStorage.getItem(k) ?? '')),
    ),
  put: (id, text) => Promise.resolve(localStorage.setItem(KEY + id, text)),
  remove: (id) => Promise.resolve(localStorage.removeItem(KEY + id)),
};

const parsed = (text: string): Promise<unknown> =>
  Promise.resolve(text)
    .then((t) => JSON.parse(t) as unknown)
    .catch(() => null);

const isCopy = (value: unknown): value is SecondCopy => {
  const { id, seq, at, layout } = (value ?? {}) as Partial<SecondCopy>;
  return (
    typeof id === 'string' && Number.isInteger(seq) && typeof at === 'number' && typeof layout === 'object'
  );
};

const hasFiles = (): boolean =>
  typeof navigator !== 'undefined' && typeof navigator.storage?.getDirectory === 'function';

/**
 * Keeps a second copy of every layout beside the database. A browser that is killed in the middle of a
 * write can find its database damaged, and then throws all of it away: this is what is left. A copy
 * that cannot be written is no reason to stop; the newest is tried again with the next.
 */
export class SecondCopies {
  private place: Promise<CopyPlace> | null = null;
  private readonly waiting = new Map<string, SecondCopy>();
  private running: Promise<void> | null = null;

  constructor(
    private readonly open: () => Promise<CopyPlace> = () =>
      hasFiles() ? inFiles().catch(() => inPlainStore) : Promise.resolve(inPlainStore),
  ) {}

  private where(): Promise<CopyPlace> {
    this.place ??= this.open();
    return this.place;
  }

  /** All there are; what is no copy is passed over. */
  async all(): Promise<SecondCopy[]> {
    try {
      return (await (await this.where()).all()).filter(isCopy);
    } catch {
      return [];
    }
  }

  /** Copies a layout; of several waiting for the disc only the newest is written. */
  keep(copy: SecondCopy): void {
    this.waiting.set(copy.id, copy);
    this.running ??= this.write().finally(() => (this.running = null));
  }

  /** A layout that was taken away for good needs no copy. */
  async forget(id: string): Promise<void> {
    this.waiting.delete(id);
    await this.running;
    await (await this.where()).remove(id);
  }

  /** All that waited is written, as far as it could be. */
  async settled(): Promise<void> {
    while (this.running) await this.running;
  }

  private async write(): Promise<void> {
    for (let next = this.waiting.values().next(); !next.done; next = this.waiting.values().next()) {
      const copy = next.value;
      this.waiting.delete(copy.id);
      try {
        await (await this.where()).put(copy.id, JSON.stringify(copy));
      } catch {
        return;
      }
    }
  }
}
