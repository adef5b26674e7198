import { expose } from 'comlink';
import { readLayout, type ReadLayout } from '../../core/document/file';
import { lookInto, writeShelf, type LookedInto, type Tell } from '../storage/archive';
import { openDatabase } from '../storage/database';
import { Shelf } from '../storage/shelf';

const nothing = (): void => undefined;

/** What is done with files beside the page: each worker does one thing, and is thrown away. All of it promises. */
const tasks = {
  ping: async (): Promise<boolean> => true,
  async readLayout(file: Blob): Promise<ReadLayout> {
    return readLayout(await file.text());
  },
  lookInto: (file: Blob, tell: Tell): Promise<LookedInto> => lookInto(file, tell),
  /** The shelf as it is on the disc. */
  async writeShelf(tell: Tell): Promise<Awaited<ReturnType<typeof writeShelf>>> {
    const db = await openDatabase({ blocked: nothing, outdated: nothing, closed: nothing });
    try {
      return await writeShelf(new Shelf(db), tell);
    } finally {
      db.close();
    }
  },
};

export type FileTasks = typeof tasks;
expose(tasks);
