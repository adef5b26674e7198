import { inOrder } from '../../document/in-order';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { DisplayModelRecord } from './record';

/** Hole to begin with, in millimetres. */
const PRICK = 1;

/** Where each lamp is pricked through, from the side. */
export const displayModelTemplates = (_: Layout, { body, lamps }: DisplayModelRecord): Template[] => [
  {
    id: 'side',
    name: 'Lamps from the side',
    says: 'Stuck on the side, left end left: prick through the crosses.',
    widthMillimetres: body.lengthMillimetres,
    heightMillimetres: body.heightMillimetres,
    marks: inOrder(lamps).map((lamp, i) => ({
      kind: 'hole',
      x: lamp.alongMillimetres,
      y: body.heightMillimetres - lamp.heightMillimetres,
      millimetres: PRICK,
      label: String(i + 1),
    })),
  },
];
