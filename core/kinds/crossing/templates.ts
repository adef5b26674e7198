import { formatQuantity } from '../../quantity/format';
import { crossingSize, postAt } from './road';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { CrossingRecord } from './record';

/** Height of a template's strip, in millimetres. */
const STRIP = 24;
const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** As wide as the hole in the board is made that a post's leads go down. */
const wide = ({ passages, road }: CrossingRecord): number =>
  Object.values(passages).find((p) => p.kind === 'hole')?.boreMillimetres ?? road.postMillimetres;

/** The holes of the posts in the board. */
export function crossingTemplates(_: Layout, job: CrossingRecord): Template[] {
  const posts = Math.max(1, ...Object.values(job.lamps).map((l) => l.post));
  return [
    {
      id: 'posts',
      name: 'Posts on the board',
      says: `Holes of ${mm(wide(job))}${posts > 1 ? `, ${mm(job.road.apartMillimetres)} from one to the next` : ''}.`,
      widthMillimetres: crossingSize(job).width,
      heightMillimetres: STRIP,
      marks: Array.from({ length: posts }, (_, i) => ({
        kind: 'hole',
        x: postAt(job, i + 1),
        y: STRIP / 2,
        millimetres: wide(job),
        label: String(i + 1),
      })),
    },
  ];
}
