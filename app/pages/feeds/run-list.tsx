import { Button } from 'antd';
import { runTable, type RunRow } from '../../../core/build/lists/run-table';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import type { FeedFigures } from '../../../core/feed/reading';
import type { Layout } from '../../../core/document/layout';

interface RunListProps {
  readonly layout: Layout;
  readonly figures: FeedFigures | null;
  readonly chosen?: string | null;
  readonly stale?: boolean;
  readonly onChoose?: (run: string) => void;
}

/** The runs in their order, each with where it goes, its wire and what flows. */
export function RunList({ layout, figures, chosen = null, stale = false, onChoose }: RunListProps) {
  return (
    <FigureTable<RunRow>
      label="Runs"
      rows={runTable(layout, figures)}
      rowKey={(r) => r.id}
      stale={stale}
      mark={(r) => (r.id === chosen ? 'in-force' : '')}
      columns={[
        [
          'Label',
          (r) =>
            onChoose ? (
              <Button type="link" size="small" onClick={() => onChoose(r.id)}>
                {r.label}
              </Button>
            ) : (
              r.label
            ),
          (r) => r.label,
        ],
        ['From', (r) => r.from, (r) => r.from],
        ['To', (r) => r.to, (r) => r.to],
        ['Wire', (r) => r.wire, (r) => r.wire],
        ['Colours', (r) => [r.plus, r.minus].filter((c) => c !== '').join(', ')],
        ['Length', (r) => formatQuantity(r.millimetres, 'millimetre'), (r) => r.millimetres],
        ['Through', (r) => r.through],
        [
          'Flows',
          (r) => (r.amps === null ? '' : formatQuantity(Math.abs(r.amps), 'amp', { significant: 2 })),
          (r) => -Math.abs(r.amps ?? 0),
        ],
        [
          'At its end',
          (r) => (r.volts === null ? '' : formatQuantity(r.volts, 'volt', { significant: 3 })),
          (r) => r.volts ?? Infinity,
        ],
      ]}
    />
  );
}
