import { Button, Progress } from 'antd';
import type { ReactNode } from 'react';
import { canBeDoubled, type FeedWay } from '../../../core/finding/feed/higher-volts';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { useSearch } from '../../workers/use-search';
import type { Layout } from '../../../core/document/layout';
import type { Remedy } from '../../../core/finding/finding';

/** A figure that ways are compared by, and how each is told. */
type Figure = readonly [name: string, told: (way: FeedWay) => ReactNode];

const figures = (currency: string, acts: (way: FeedWay) => ReactNode): readonly Figure[] => [
  ['Wire and fuses', (w) => `${w.wires.toFixed(2)} ${currency}`],
  ['Converters', (w) => (w.converters > 0 ? `${w.converters.toFixed(2)} ${currency}` : '—')],
  ['Drawn', (w) => formatQuantity(w.amps, 'amp', { significant: 2 })],
  ['Lost', (w) => formatQuantity(w.lostWatts, 'watt', { significant: 2 })],
  ['Dimmest lamp', (w) => (w.dimmest === null ? '—' : `${w.dimmest.toFixed(0)} of 100`)],
  ['Rules', (w) => (w.kept ? 'all kept' : 'no wire keeps them all')],
  ['', acts],
];

interface ActsProps {
  readonly way: FeedWay;
  readonly onApply: () => void;
  readonly onPreview: () => void;
}

function Acts({ way, onApply, onPreview }: ActsProps) {
  if (way.patches.length === 0) return 'as it is';
  return (
    <span className="button-row">
      <Button size="small" onClick={onApply}>
        Lay it so
      </Button>
      <Button size="small" onClick={onPreview}>
        Look first
      </Button>
    </span>
  );
}

interface VoltsSideBySideProps {
  readonly layout: Layout;
  readonly supplyId: string;
  readonly onPreview: (remedy: Remedy) => void;
  readonly onApply: (remedy: Remedy) => void;
}

/** The volts a supply has against twice as many with a step-down before each board, each planned alike. */
export function VoltsSideBySide({ layout, supplyId, onPreview, onApply }: VoltsSideBySideProps) {
  const search = useSearch('voltsSideBySide', layout, (l) => l.network);
  const supply = layout.supplies[supplyId];
  if (supply.kind !== 'layout-bus' || !canBeDoubled(layout, supplyId)) return null;
  const twice = formatQuantity(2 * supply.volts, 'volt');
  const remedyOf = ({ name, volts, patches }: FeedWay): Remedy => ({
    label: `${formatQuantity(volts, 'volt')}, ${name}`,
    patches,
  });
  return (
    <div className="volts-side-by-side">
      {search.share === null ? (
        <Button onClick={() => search.start(() => ({ supplyId }))}>
          {formatQuantity(supply.volts, 'volt')} against {twice}, side by side
        </Button>
      ) : (
        <div className="button-row">
          <Progress percent={Math.round(100 * search.share)} showInfo={false} style={{ width: 140 }} />
          <Button onClick={search.cancel}>Stop</Button>
        </div>
      )}
      {search.failure !== null && <p className="field-refusal">{search.failure}</p>}
      {search.answer && (
        <FigureTable<Figure>
          label="Volts side by side"
          rows={figures(layout.currency, (way) => (
            <Acts
              way={way}
              onApply={() => onApply(remedyOf(way))}
              onPreview={() => onPreview(remedyOf(way))}
            />
          ))}
          rowKey={([name]) => name}
          columns={[
            ['', ([name]) => name],
            ...search.answer.map(
              (way) =>
                [
                  `${formatQuantity(way.volts, 'volt')}, ${way.name}`,
                  ([, told]: Figure) => told(way),
                ] as const,
            ),
          ]}
        />
      )}
      {search.answer && (
        <p className="hint">Jobs keep the supply they are built for; the plan has one of {twice}.</p>
      )}
    </div>
  );
}
