import { formatQuantity } from '../../../core/quantity/format';
import { inrushByHand } from '../../../core/study/by-hand';
import { FigureTable } from '../../fields/figure-table';
import { More } from '../../fields/more';
import { ByHand } from './by-hand';
import type { ChargingWay } from '../../../core/study/charging';
import type { PanelProps } from '../../kinds/face';
import type { StayingAlight } from '../../workers/questions';
import type { TaskState } from '../../workers/use-study';

const chargingNames = {
  none: 'straight',
  'in-line': 'by a resistor',
  'with-diode': 'resistor and diode',
} as const;

/** What the empty reservoir asks of the supply. */
export function Inrush({
  solved,
  alight,
}: {
  readonly solved: PanelProps['solved'];
  readonly alight: TaskState<StayingAlight>;
}) {
  const inrush = alight.answer?.inrush;
  if (!inrush) return null;
  const hand = inrushByHand(solved.bench);
  const nowLumens = alight.answer?.charging.find((way) => way.isNow)?.lumens ?? 0;
  return (
    <More label="Charging the empty reservoir">
      <dl className="fact-list">
        <dt>draws up to</dt>
        <dd>{formatQuantity(inrush.peakAmps, 'amp')}</dd>
        <dt>over the limit of {formatQuantity(inrush.limitAmps, 'amp')} for</dt>
        <dd>{formatQuantity(inrush.overSeconds, 'second')}</dd>
        <dt>borne for</dt>
        <dd>{formatQuantity(inrush.tripSeconds, 'second')}</dd>
      </dl>
      <ByHand sum={hand} />
      <FigureTable<ChargingWay>
        label="Ways of charging"
        rows={alight.answer?.charging ?? []}
        rowKey={(way) => way.id}
        mark={(way) => (way.isNow ? 'now' : '')}
        columns={[
          ['Charged', (way) => chargingNames[way.id]],
          ['peak', (way) => formatQuantity(way.peakAmps, 'amp', { significant: 2 })],
          [
            'half light after',
            (way) =>
              way.holdSeconds === null
                ? 'over 120 s'
                : formatQuantity(way.holdSeconds, 'second', { significant: 2 }),
          ],
          ['light', (way) => (nowLumens > 0 ? `${((100 * way.lumens) / nowLumens).toFixed(0)} %` : '–')],
        ]}
      />
    </More>
  );
}
