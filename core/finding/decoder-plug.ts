import { hasCommon, plugs } from '../part/plug';
import { decoderTypeOf } from '../document/decoder-record';
import { rule } from './finding';

const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** A plug that the decoder does not come with. */
export const decoderPlug = rule({
  id: 'decoder-plug',
  needs: ['laid'],
  about: ({ job }) => job.decoder !== null,
  judge({ job, jobId }) {
    const decoder = job.decoder!;
    const type = decoderTypeOf(decoder);
    const plug = plugs[decoder.plug];
    if (type.plugs.includes(plug.id)) return [];
    const comes = type.plugs.map((p) => plugs[p].name);
    return [
      {
        id: 'decoder-plug',
        severity: 'mind' as const,
        title: 'The decoder does not come with this plug',
        sentence: `“${type.name}” comes with ${inWords(comes.map((n) => n.toLowerCase()))}; the vehicle has a ${plug.name.toLowerCase()}.`,
        reason:
          'Contacts of another plug have another pitch and another order. Take the plug it comes with, or solder wire by wire by the function.',
        paths: [['jobs', jobId, 'decoder', 'plug']],
        terminals: [],
        figures: [{ is: 0, limit: type.plugs.length, unit: 'pieces' as const }],
        cures: type.plugs.slice(0, 1).map((id) => ({
          label: `Take ${plugs[id].name.toLowerCase()}`,
          recipe: (draft) => {
            const own = draft.jobs[jobId];
            if (!own.decoder) return false;
            own.decoder.plug = id;
            const back = type.switches === 'plus' || hasCommon(plugs[id]) ? 'common' : 'right-rail';
            for (const { from } of Object.values(own.lines)) if (from.kind === 'output') from.returnTo = back;
          },
        })),
      },
    ];
  },
});
