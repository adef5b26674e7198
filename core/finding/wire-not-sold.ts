import { anyJobIn } from '../document/jobs';
import { legends, wireRoleNames, wireRoles } from '../document/wire-legend';
import { wireOfLead } from '../assembly/passing';
import { rule } from './finding';

/** A legend asks for colours that the wire does not come in: two meanings then look alike. */
export const wireNotSold = rule({
  id: 'wire-not-sold',
  needs: ['laid'],
  judge({ assembly, job, jobId }) {
    const lacking = new Map<string, string>();
    for (const lead of assembly.leads) {
      const wire = wireOfLead(job, lead);
      if (wire.colours && !wire.colours.includes(lead.colour)) lacking.set(lead.colour, wire.name);
    }
    if (lacking.size === 0) return [];
    const [[colour, wire]] = lacking;
    const means = wireRoles.filter((r) => job.legend[r] === colour).map((r) => wireRoleNames[r]);
    return [
      {
        id: 'wire-not-sold',
        severity: 'note' as const,
        title: 'The wire does not come in that colour',
        sentence: `${lacking.size === 1 ? '1 colour' : `${lacking.size} colours`} of the legend ${lacking.size === 1 ? 'is' : 'are'} not to be had: ${wire} in ${colour}${means.length > 0 ? `, which means ${means.join(' and ')}` : ''}.`,
        reason:
          'Lacquered wire comes in red, green and bare. Where colours run out one keeps to a few that always mean the same, and labels both ends.',
        paths: [['jobs', jobId, 'legend']],
        terminals: [],
        figures: [{ is: lacking.size, limit: 0, unit: 'pieces' as const }],
        cures: [
          {
            label: 'Green towards plus, red back, throughout',
            recipe: (draft) =>
              void Object.assign(anyJobIn(draft, jobId).legend, {
                ...legends['few-colours'],
                left: 'lacquered',
              }),
          },
        ],
      },
    ];
  },
});
