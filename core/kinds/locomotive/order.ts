import { bulbs } from '../../part/bulb';
import { vehicleFit } from './fit';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { LocomotiveRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const HOLE = 4;
const SHORTEN = 3;
const DIODE = 3;
const BLACKEN = 5;
/** Two coats of black dry enough to be touched (common practice, no source). */
const BLACK_DRIES = 30;

/** Lamps a step of the fit is about, by its id. */
const lampsOf = (job: LocomotiveRecord, id: string): string[] =>
  id
    .split(' ')
    .slice(1)
    .filter((l) => Object.hasOwn(job.lamps, l));

/** A work with what it is like: such are done together. */
type Like = BodyWork & { readonly like: string };

/** "A: so. B: so." said once, as "A and B: so.": what lamps are told stands before the colon. */
function saidOnce(sayings: readonly string[]): string {
  const about = new Map<string, string[]>();
  for (const says of sayings) {
    const at = says.indexOf(': ');
    const said = at < 0 ? says : says.slice(at);
    about.set(said, [...(about.get(said) ?? []), ...(at < 0 ? [] : [says.slice(0, at)])]);
  }
  return [...about]
    .map(([said, names]) =>
      names.length < 2
        ? `${names.join('')}${said}`
        : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}${said}`,
    )
    .join(' ');
}

/** Works alike at one end are one work. */
function together(works: readonly Like[]): BodyWork[] {
  const groups = new Map<string, Like[]>();
  for (const work of works) groups.set(work.like, [...(groups.get(work.like) ?? []), work]);
  return [...groups.values()].map((group) => {
    const [{ like, ...first }] = group;
    void like;
    return {
      ...first,
      says: saidOnce(group.map((w) => w.says)),
      lamps: [...new Set(group.flatMap((w) => w.lamps))],
      minutes: group.reduce((sum, w) => sum + w.minutes, 0),
    };
  });
}

/** Holes, light pipes, and the old diodes of a locomotive. */
function cutting(job: LocomotiveRecord): BodyWork[] {
  const { steps } = vehicleFit(job);
  const plain = { undone: 'cannot', dryMinutes: 0 } as const;
  return together(
    steps.flatMap(({ id, says, millimetres, pocketMillimetres: pocket }): Like[] => {
      const lamps = lampsOf(job, id);
      const end = lamps.length > 0 ? job.lamps[lamps[0]].end : '';
      const trade = id.split(' ')[0];
      if (trade === 'drill') {
        const does = `Drill ${millimetres} mm at end ${end}`;
        return [
          {
            ...plain,
            id,
            like: does,
            does,
            says,
            tool: 'drill',
            sizes: [millimetres, pocket].flatMap((size) => size ?? []),
            lamps,
            before: 'threading',
            minutes: HOLE,
          },
        ];
      }
      if (trade === 'pipe') {
        const does = `Shorten the light pipes of end ${end} by ${millimetres} mm`;
        return [
          {
            ...plain,
            id,
            like: does,
            does,
            says,
            tool: 'knife',
            lamps,
            before: 'fixing',
            minutes: SHORTEN,
          },
        ];
      }
      if (trade !== 'bridge' && trade !== 'remove') return [];
      const does = trade === 'bridge' ? 'Bridge the old diode' : 'Take the old diode out';
      return [
        {
          ...plain,
          undone: 'can',
          id,
          like: id,
          does,
          says,
          tool: 'iron',
          lamps: [],
          before: 'fixing',
          minutes: DIODE,
        },
      ];
    }),
  );
}

/** Places to black out, an end at a time; what was found dark needs nothing. */
function blackening(job: LocomotiveRecord): BodyWork[] {
  return together(
    vehicleFit(job)
      .darkPlaces.filter((p) => !p.tested)
      .map(({ id, says }): Like => {
        const own = lampsOf(job, id);
        const end = own.length > 0 ? job.lamps[own[0]].end : id.slice(-1);
        return {
          id: `black ${id}`,
          like: end,
          does: `Black out end ${end}`,
          says: `${says}${says.endsWith('.') ? '' : '.'}`,
          tool: 'brush',
          lamps: Object.entries(job.lamps).flatMap(([lampId, l]) => (l.end === end ? [lampId] : [])),
          before: 'threading',
          minutes: BLACKEN,
          dryMinutes: BLACK_DRIES,
          undone: 'can',
        };
      }),
  );
}

const glued = (lamps: number): string => (lamps === 1 ? 'One lamp' : `${lamps} lamps`);

/** Lamp holes are drilled before anything is blackened, leads have slack for the bogies. */
export const locomotiveOrder: OrderFacts<LocomotiveRecord> = {
  opening: () => ({
    does: 'Take the body off',
    says: 'Screws or clips; note which way round it was. Handrails, couplers and glazing may fall off: a tray beneath.',
    closes: 'Put the body on',
  }),
  works: (_, job) => [...cutting(job), ...blackening(job)],
  fixing: (job, place) =>
    place === 'inside'
      ? { does: 'Stick the lamps inside', says: 'Double-sided tape holds and comes off again.', by: 'tape' }
      : {
          does: `Glue the lamps of end ${place}`,
          says: `A drop that sets clear, from behind; superglue fogs a lens. ${glued(Object.values(job.lamps).filter((l) => l.end === place).length)}.`,
          by: 'glue',
        },
  motor: (job) =>
    job.decoder === null
      ? null
      : {
          does: 'Part both brushes of the motor from rails and frame',
          says: 'Orange goes to the brush that was at the right rail, grey to the other; insulate what held a brush to the frame. Where a socket is built in, it is done: measure all the same.',
        },
  label: 'the box',
  placeName: (place) => (place === 'inside' ? 'the inside' : `end ${place}`),
  bare: (job, lampId) => !Object.hasOwn(bulbs, job.lamps[lampId].part),
  lampBody: (job, lampId) => job.lamps[lampId].body,
  slack: () =>
    'Leave slack where bogies (trucks) swing: turn them to both stops before you tie anything down.',
  thinShell: (job) => job.body.shell === 'thin-plastic',
};
