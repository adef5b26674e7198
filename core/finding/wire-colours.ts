import { coachIn } from '../document/jobs';
import { netsOf, terminalKey } from '../assembly/assembly';
import { legends, wireRoleNames, type WireRole } from '../document/wire-legend';
import { rule } from './finding';
import { remedy } from './remedy';

/** One colour of wire that stands for two things which must not touch. */
export const wireColours = rule({
  id: 'wire-colours',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { assembly, jobId } = bench;
    const nets = netsOf(assembly);
    const meanings = new Map<string, { role: WireRole; net: string }>();
    const clashes = new Map<string, Set<WireRole>>();
    for (const lead of assembly.leads) {
      // Lamps of a string carry one colour from lamp to lamp.
      if (lead.role === 'lamp' || lead.colour === 'lacquered') continue;
      const net = nets.get(terminalKey(lead.from))!;
      const known = meanings.get(lead.colour);
      if (!known) meanings.set(lead.colour, { role: lead.role, net });
      else if (known.role !== lead.role) {
        const roles = clashes.get(lead.colour) ?? new Set([known.role]);
        clashes.set(lead.colour, roles.add(lead.role));
      }
    }
    if (clashes.size === 0) return [];
    const [[colour, roles]] = clashes;
    const names = [...roles].map((r) => wireRoleNames[r]);
    return [
      {
        id: 'wire-colours',
        rule: 'wire-colours',
        severity: 'note' as const,
        title: 'One colour means two things',
        sentence: `In ${clashes.size === 1 ? '1 colour' : `${clashes.size} colours`} two kinds of wire look alike: ${colour} is ${names.join(' and ')}.`,
        reason:
          'Before the rectifier a colour is a rail, behind it plus or return. Where both are the same colour, a joint on the wrong side shorts the track.',
        paths: [['jobs', jobId, 'legend']],
        terminals: [],
        figures: { colours: clashes.size },
        remedies: remedy('Use the decoder’s colours', bench, steady, (draft) => {
          Object.assign(coachIn(draft, jobId).legend, legends.decoder);
          return true;
        }),
      },
    ];
  },
});
