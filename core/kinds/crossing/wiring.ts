import { inOrder } from '../../document/in-order';
import { lampAt } from './road';
import type { JobWiring } from '../../assembly/laying';
import type { CrossingRecord } from './record';

/** Thickness of the board, in millimetres (common practice, no source). */
const BOARD = 12;

const words = {
  left: 'Left lamp',
  right: 'Right lamp',
  barrier: 'Barrier lamp',
  bell: 'Bell tell-tale',
} as const;

/** Each lamp has its lead down its post to the driver under the board; the tell-tale is on the panel. */
export const crossingWiring: JobWiring<CrossingRecord> = {
  runs: 'by-place',
  sense: () => 1,
  placeOf({ lamps }, lampId) {
    const { place, post } = lamps[lampId];
    if (place === 'bell') return 'panel';
    return place === 'barrier' ? `barrier ${post}` : `post ${post}`;
  },
  spotOf(job, lampId) {
    const { x, y } = lampAt(job, job.lamps[lampId]);
    return { along: x, across: 0, height: y + BOARD };
  },
  hubOf: (job) => ({
    along: lampAt(job, { place: 'bell', post: 1, outMillimetres: 0 }).x,
    across: 0,
    height: 0,
  }),
  lampNames({ lamps }) {
    const posts = new Set(Object.values(lamps).map((l) => l.post)).size;
    const count = new Map<string, number>();
    return new Map(
      inOrder(lamps).map(({ id, place, post }) => {
        const of = `${words[place]}${posts > 1 && place !== 'bell' ? ` of post ${post}` : ''}`;
        const n = (count.get(of) ?? 0) + 1;
        count.set(of, n);
        return [id, place === 'barrier' ? `${of}, ${n}` : of];
      }),
    );
  },
};
