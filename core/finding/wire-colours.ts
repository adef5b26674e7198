import { legends, wireRoleNames, type WireRole } from '../document/wire-legend';
import { rule } from './finding';

/** One colour of wire that stands for two things which must not touch. */
export const wireColours = rule({
  id: 'wire-colours',
  needs: ['laid'],
  judge({ assembly, jobId }) {
    const meanings = new Map<string, Set<WireRole>>();
    for (const lead of assembly.leads) {
      // Lamps of a string carry one colour from lamp to lamp.
      if (lead.role === 'lamp' || lead.colour === 'lacquered') continue;
      meanings.set(lead.colour, (meanings.get(lead.colour) ?? new Set()).add(lead.role));
    }
    const clashes = [...meanings].filter(([, roles]) => roles.size > 1);
    if (clashes.length === 0) return [];
    const [[colour, roles]] = clashes;
    const names = [...roles].map((r) => wireRoleNames[r]);
    return [
      {
        id: 'wire-colours',
        severity: 'note' as const,
        title: 'One colour means two things',
        sentence: `In ${clashes.length === 1 ? '1 colour' : `${clashes.length} colours`} two kinds of wire look alike: ${colour} is ${names.join(' and ')}.`,
        reason:
          'Before the rectifier a colour is a rail, behind it plus or return. Where both are the same colour, a joint on the wrong side shorts the track.',
        paths: [['jobs', jobId, 'legend']],
        terminals: [],
        figures: [{ is: clashes.length, limit: 0, unit: 'pieces' as const }],
        cures: [
          {
            label: 'Use the decoder’s colours',
            recipe: (draft) => void Object.assign(draft.jobs[jobId].legend, legends.decoder),
          },
        ],
      },
    ];
  },
});
