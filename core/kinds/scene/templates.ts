import { inOrder } from '../../document/in-order';
import { formatQuantity } from '../../quantity/format';
import { LAMP_HOLE } from './lamp-hole';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { SceneRecord } from './record';

/** The holes for the lamps, from the front. */
export function sceneTemplates(_: Layout, { body, lamps }: SceneRecord): Template[] {
  return [
    {
      id: 'front',
      name: 'Lamps from the front',
      says: `${formatQuantity(body.widthMillimetres, 'millimetre')} by ${formatQuantity(body.heightMillimetres, 'millimetre')}, holes of ${formatQuantity(LAMP_HOLE, 'millimetre')}.`,
      widthMillimetres: body.widthMillimetres,
      heightMillimetres: body.heightMillimetres,
      marks: inOrder(lamps).map((lamp) => ({
        kind: 'hole',
        x: lamp.alongMillimetres,
        y: body.heightMillimetres - lamp.heightMillimetres,
        millimetres: LAMP_HOLE,
        label: lamp.name,
      })),
    },
  ];
}
