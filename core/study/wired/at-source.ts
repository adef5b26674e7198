import { isScenery } from '../../document/scenery-record';
import { isOnRails } from '../../document/job-record';
import { terminalKey, type Assembly, type Lead, type Part, type Terminal } from '../../assembly/assembly';
import { wiringOf } from '../../kinds/wirings';
import { wireRoleNames } from '../../document/wire-legend';
import { pickupNeeds } from '../pickup-needs';
import type { Bench } from '../bench';
import type { Spot } from '../../assembly/spot';

const base = { line: null, circuit: null, lamp: null, place: null, board: null, decides: {} } as const;

/** What lamps of the scenery are joined to where they hang on a strip of screws or on two rails of bare wire. */
export function withStripOrRail(assembly: Assembly, job: Bench['job']): Assembly {
  if (!isScenery(job) || (job.hookUp !== 'strip' && job.hookUp !== 'rail')) return assembly;
  const form = job.hookUp;
  const wiring = wiringOf(job.kind);
  const spots = Object.keys(job.lamps).map((id) => wiring.spotOf(job, id));
  if (spots.length === 0) return assembly;
  const hub = wiring.hubOf(job);
  const along = spots.map((s) => s.along);
  const taps: readonly [Spot, Spot] | null =
    form === 'rail'
      ? [
          { ...hub, along: Math.min(...along) },
          { ...hub, along: Math.max(...along) },
        ]
      : null;
  const parts: Part[] = [];
  const feeds: Lead[] = [];
  const made = new Map<string, Terminal>();
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  /** Where lamps of a line hang, behind all that stands in it. */
  const ends = new Set(assembly.lines.flatMap((l) => [terminalKey(l.plus), terminalKey(l.minus)]));
  const isOfLamps = (t: Terminal): boolean => {
    const part = byId.get(t.part)!;
    return part.lamp !== null || part.circuit !== null || part.place !== null;
  };
  const moved = (end: Terminal, other: Terminal, lead: Lead): Terminal => {
    if (!ends.has(terminalKey(end)) || byId.get(end.part)!.board !== null || !isOfLamps(other)) return end;
    const id = `${form} ${end.part} ${end.terminal}`;
    if (!made.has(id)) {
      const name = form === 'rail' ? 'Copper rail' : 'Terminal strip';
      parts.push({
        ...base,
        id,
        kind: 'junction',
        form,
        label: `${name} (${wireRoleNames[lead.role]})`,
        taps,
        path: ['jobs', assembly.jobId, 'hookUp'],
      });
      feeds.push({ ...lead, id: `feed of ${id}`, from: end, to: { part: id, terminal: 'tap' }, through: [] });
      made.set(id, { part: id, terminal: 'tap' });
    }
    return made.get(id)!;
  };
  const leads = assembly.leads.map((l) => ({
    ...l,
    from: moved(l.from, l.to, l),
    to: moved(l.to, l.from, l),
  }));
  return { ...assembly, parts: [...assembly.parts, ...parts], leads: [...feeds, ...leads] };
}

/** The pickups of a second bogie, each joined to that of the first on its side, where what collects is fitted to both. */
export function withSecondBogie(assembly: Assembly, { job, supply }: Bench): Assembly {
  if (!isOnRails(job) || job.pickups.axles !== 'all' || pickupNeeds({ job, supply }).length === 0)
    return assembly;
  const { baseMillimetres } = job.pickups;
  const hub = wiringOf(job.kind).hubOf(job);
  const spot: Spot = { ...hub, height: 0, along: hub.along + baseMillimetres };
  const sides = (['right', 'left'] as const).filter((side) =>
    assembly.leads.some((l) => [l.from, l.to].some((t) => t.part === 'rails' && t.terminal === side)),
  );
  if (baseMillimetres === 0) return assembly;
  return {
    ...assembly,
    parts: [
      ...assembly.parts,
      ...sides.map((side): Part => ({
        ...base,
        id: `pickups ${side}`,
        kind: 'junction',
        form: 'pickups',
        label: `Second bogie, ${wireRoleNames[side]}`,
        taps: [spot, spot],
        path: ['jobs', assembly.jobId, 'pickups'],
      })),
    ],
    leads: [
      ...sides.map((side): Lead => ({
        id: `second bogie ${side}`,
        from: { part: 'rails', terminal: side },
        to: { part: `pickups ${side}`, terminal: 'tap' },
        colour: job.legend[side],
        role: side,
        jointOhms: 0,
        through: [],
      })),
      ...assembly.leads,
    ],
  };
}
