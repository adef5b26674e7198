import { inOrder } from '../../document/in-order';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { BuildingRecord } from './record';

/** Where each lamp hangs along its floor. */
export const buildingTemplates = (_: Layout, { body, lamps, rooms }: BuildingRecord): Template[] => [
  {
    id: 'ceilings',
    name: 'Lamps along the building',
    says: 'Left end left: where each lamp hangs along its floor.',
    widthMillimetres: body.lengthMillimetres,
    heightMillimetres: body.floors * body.floorMillimetres,
    marks: inOrder(lamps).map((l, i) => ({
      kind: 'hole',
      x: l.alongMillimetres,
      y: (body.floors - rooms[l.roomId].floor) * body.floorMillimetres - l.heightMillimetres,
      millimetres: 2,
      label: String(i + 1),
    })),
  },
];
