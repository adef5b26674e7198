import { mountingOf } from '../../../core/overhead/mounting';
import { FigureTable } from '../../fields/figure-table';
import type { Layout } from '../../../core/document/layout';

/** What a rig is built of: what to buy, what to saw, how it goes up. */
export function MountingList({ layout, rigId }: { readonly layout: Layout; readonly rigId: string }) {
  const mounting = mountingOf(layout, layout.rigs[rigId]);
  const { currency } = layout;
  return (
    <div className="rig-mounting">
      <p>
        Some {mounting.price.toFixed(2)} {currency} without the supply; {mounting.kilograms.toFixed(1)} kg on{' '}
        {mounting.posts} posts, {mounting.kilogramsPerPost.toFixed(2)} kg each; clips every{' '}
        {mounting.clipMillimetres} mm, pilot holes of {mounting.pilotMillimetres} mm.
      </p>
      <FigureTable
        label="To buy"
        rows={mounting.parts}
        rowKey={(p) => p.name}
        columns={[
          ['To buy', (p) => p.name],
          ['How much', (p) => (p.unit === 'm' ? `${p.count.toFixed(2)} m` : String(p.count))],
          ['Price', (p) => `${p.price.toFixed(2)} ${currency}`],
        ]}
      />
      <FigureTable
        label="To saw"
        rows={mounting.cuts.flatMap((c) =>
          c.lengths.map((pieces, i) => ({
            key: `${c.of} ${i}`,
            of: c.of,
            i,
            pieces,
            waste: c.waste,
            sold: c.sold,
          })),
        )}
        rowKey={(r) => r.key}
        columns={[
          ['To saw', (r) => `${r.of}, ${r.i + 1}`],
          ['From', (r) => `${r.sold} mm`],
          ['Pieces', (r) => r.pieces.map((p) => `${Math.round(p)}`).join(' + ') + ' mm'],
          ['Left over', (r) => (r.i === 0 ? `${Math.round(100 * r.waste)} % of all` : '')],
        ]}
      />
      <ol>
        {mounting.steps.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
    </div>
  );
}
