import { chainOf } from '../../../document/line-stages';
import { showsOf } from '../../../document/lamp-roles';
import { aboutLamps } from '../../../finding/about';
import { rule } from '../../../finding/finding';
import { supplyKind } from '../../../supply';
import { locomotiveIn } from '../jobs';
import { layOnDecoder } from '../lay-circuits';

/** A circuit that tells the direction by the polarity of the rails, on rails that have none. */
export const dcOnDcc = rule({
  id: 'dc-on-dcc',
  needs: ['usual'],
  about: ({ supply }) => supply.kind === 'dcc-track' || supply.kind === 'ac-track',
  judge(bench, { usual }) {
    const { layout, jobId, supply } = bench;
    const job = locomotiveIn(layout, jobId);
    const ids = Object.entries(job.lamps)
      .filter(([, l]) => {
        if (l.circuitId === null || showsOf(l) === 'both') return false;
        const [{ from }] = chainOf(job, job.circuits[l.circuitId].lineId);
        return from.kind === 'supply' && from.supplyId === null;
      })
      .map(([id]) => id);
    if (ids.length === 0) return [];
    const dies = usual.at(0)?.dies.filter((d) => ids.includes(d.lampId)) ?? [];
    const lit = dies.filter((d) => d.does === 'lit').length;
    const over = dies.filter((d) => d.led && d.amps.greatest > d.led.greatestAmps).length;
    return [
      {
        id: 'dc-on-dcc',
        severity: 'stop' as const,
        title: `A circuit made for DC stands on ${supplyKind(supply).name}`,
        sentence: `${lit} lamps that should tell the direction all shine at once, both colours${over > 0 ? `, and ${over} get more than they bear` : ''}.`,
        reason:
          'The rails change sides all the time whichever way it runs, so what hangs on them straight cannot know the direction. It needs a decoder, or a DC track.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [
          { is: lit, limit: 0, unit: 'pieces' as const },
          { is: over, limit: 0, unit: 'pieces' as const },
        ],
        cures:
          supply.kind === 'dcc-track' && !job.decoder
            ? [
                {
                  label: 'Fit a decoder with an 8-pin plug',
                  recipe: (draft) =>
                    layOnDecoder(locomotiveIn(draft, jobId), { type: 'usual', own: null }, '8-pin'),
                },
              ]
            : [],
        explains: {
          rules: [
            'white-and-red',
            'head-and-tail-exchanged',
            'never-lit',
            'end-dark',
            'no-tail',
            'second-colour-dark',
          ],
          lamps: null,
        },
      },
    ];
  },
});
