import { inOrder } from '../../document/in-order';
import { fittingSorts } from '../../part/lamp-fitting';
import { formatQuantity } from '../../quantity/format';
import { rowMillimetres } from './row';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { LampRecord } from './record';

/** Height of a template's strip beside the row, in millimetres. */
const STRIP = 24;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Holes to drill, and for what: one for each lamp, as large as its mast or leads are. */
function holeOf({ passages }: LampRecord): number {
  const last = inOrder(passages)
    .filter((p) => p.serves !== 'feed')
    .at(-1);
  return last?.boreMillimetres ?? 2;
}

/** The holes of a row, along the board or on the wall. */
export function lampTemplates(_: Layout, job: LampRecord): Template[] {
  const lamps = inOrder(job.lamps);
  if (lamps.length === 0) return [];
  const hole = holeOf(job);
  const { heightMillimetres, sort } = job.fitting;
  const onWall = fittingSorts[sort].stands === 'wall';
  return [
    {
      id: 'row',
      name: onWall ? 'Lamps on the wall' : 'Lamps along the board',
      says: `Holes of ${mm(hole)}, ${mm(job.fitting.spacingMillimetres)} from one to the next${onWall ? `, ${mm(heightMillimetres)} above the ground` : ''}.`,
      widthMillimetres: rowMillimetres(job),
      heightMillimetres: onWall ? heightMillimetres + STRIP / 2 : STRIP,
      marks: lamps.map((l, i) => ({
        kind: 'hole',
        x: l.alongMillimetres,
        y: STRIP / 2,
        millimetres: hole,
        label: String(i + 1),
      })),
    },
  ];
}
