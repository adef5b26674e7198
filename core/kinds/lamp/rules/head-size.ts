import { fits, fittingSorts } from '../../../part/lamp-fitting';
import { feetAndInches, modelMillimetres, prototypeMetres } from '../../../quantity/scale';
import { formatQuantity } from '../../../quantity/format';
import { rule, type Cure } from '../../../finding/finding';
import { lampsIn } from '../jobs';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });
const metres = (figure: number): string => `${figure.toFixed(2)} m (${feetAndInches(figure)})`;

/** A head, or a lamp's height, that no such fitting has at this scale. */
export const headSize = rule({
  id: 'head-size',
  needs: ['laid'],
  judge({ layout, jobId }) {
    const { fitting } = lampsIn(layout, jobId);
    const sort = fittingSorts[fitting.sort];
    return (
      [
        ['headMillimetres', 'Head', sort.head, 'across'],
        ['heightMillimetres', 'Lamp', sort.height, 'above the ground'],
      ] as const
    ).flatMap(([key, what, measure, how]) => {
      const real = prototypeMetres(fitting[key], layout.scale);
      const verdict = fits(real, measure);
      if (verdict === 'fits') return [];
      const bound = verdict === 'large' ? measure.most : measure.least;
      const set = Number(modelMillimetres(measure.usual, layout.scale).toFixed(1));
      const cures: Cure[] = [
        {
          label: `${what} of ${mm(set)}`,
          recipe: (draft) => void (lampsIn(draft, jobId).fitting[key] = set),
        },
      ];
      return [
        {
          id: `head-size ${key}`,
          severity: key === 'headMillimetres' ? ('mind' as const) : ('note' as const),
          title: `${what} too ${verdict === 'large' ? 'large' : 'small'} for the scale`,
          sentence: `${mm(fitting[key])} ${how} are ${metres(real)} at 1:${(1000 * prototypeMetres(1, layout.scale)).toFixed(layout.scale === '00' ? 1 : 0)}; such lamps measure ${verdict === 'large' ? 'at most' : 'at least'} ${metres(bound)}.`,
          reason:
            'The eye knows how large a lamp is beside a man and a door. A chip lamp in a punched disc goes smaller than a round one.',
          paths: [['jobs', jobId, 'fitting', key]],
          terminals: [],
          figures: [
            { is: fitting[key], limit: modelMillimetres(bound, layout.scale), unit: 'millimetre' as const },
          ],
          cures,
        },
      ];
    });
  },
});
