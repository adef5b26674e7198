import { inOrder } from '../../document/in-order';
import { formatQuantity } from '../../quantity/format';
import { spotIn, signalSize } from './head';
import type { Template } from '../../build/template';
import type { Layout } from '../../document/layout';
import type { SignalRecord } from './record';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** The lenses of the head, from the front. */
export function signalTemplates(_: Layout, job: SignalRecord): Template[] {
  const { width, top } = signalSize(job);
  return [
    {
      id: 'head',
      name: 'Head from the front',
      says: `Lenses of ${mm(job.head.lensMillimetres)}, ${mm(job.head.spacingMillimetres)} from one to the next.`,
      widthMillimetres: width,
      heightMillimetres: top,
      marks: inOrder(job.lamps).map((lamp) => {
        const { x, y } = spotIn(job, lamp.id);
        return {
          kind: 'hole',
          x: width / 2 + x,
          y: top - y,
          millimetres: job.head.lensMillimetres,
          label: lamp.name,
        };
      }),
    },
  ];
}
