import { inOrder } from '../../document/in-order';
import { acrossOf } from './string';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { CanopyRecord } from './record';

const MARK = 1.5;

/** Where each lamp sits, from below. */
export const canopyTemplates = (_: Layout, { roof, lamps }: CanopyRecord): Template[] => [
  {
    id: 'underside',
    name: 'Underside of the roof',
    says: 'Seen from below, left end right: where each lamp sits.',
    widthMillimetres: roof.lengthMillimetres,
    heightMillimetres: roof.widthMillimetres,
    marks: inOrder(lamps).map((l, i) => ({
      kind: 'hole',
      x: roof.lengthMillimetres - l.alongMillimetres,
      y: roof.widthMillimetres / 2 + acrossOf(roof, l.side),
      millimetres: MARK,
      label: String(i + 1),
    })),
  },
];
