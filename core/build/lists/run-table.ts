import { inOrder } from '../../document/in-order';
import { isRail, runConductors } from '../../part/rail';
import { fuseSpeeds } from '../../part/fuse-speed';
import { formatQuantity } from '../../quantity/format';
import { runMillimetres } from '../../feed/run-length';
import { writeCsv } from './csv';
import type { Layout } from '../../document/layout';
import type { RunPart } from '../../document/network-record';
import type { FeedFigures } from '../../feed/reading';

/** A run as it stands in the table. */
export interface RunRow {
  readonly id: string;
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly wire: string;
  /** Colours; empty for the rails of a track. */
  readonly plus: string;
  readonly minus: string;
  readonly millimetres: number;
  /** What stands in it, in words. */
  readonly through: string;
  /** Null where the network has no answer. */
  readonly volts: number | null;
  readonly amps: number | null;
  readonly dropVolts: number | null;
  readonly price: number;
}

/** A part of a run, in words. */
export function partWords(part: RunPart): string {
  switch (part.kind) {
    case 'fuse':
      return `fuse ${formatQuantity(part.amps, 'amp')} ${fuseSpeeds[part.speed].name}`;
    case 'plug':
      return `plug ${formatQuantity(part.ratedAmps, 'amp')}`;
    case 'switch':
      return `switch ${part.on ? 'on' : 'off'}`;
  }
}

/** Runs of a network in their order: from, to, wire, colours, length, and what flows. */
export function runTable(layout: Layout, reading: FeedFigures | null): RunRow[] {
  const { nodes, runs } = layout.network;
  return inOrder(runs).map((run) => {
    const solved = reading?.runs.get(run.id);
    const millimetres = runMillimetres(layout, run);
    return {
      id: run.id,
      label: run.label,
      from: `${nodes[run.from].name}${run.fromOutput ? ', output' : ''}`,
      to: nodes[run.to].name,
      wire: runConductors[run.wire].name,
      plus: isRail(run.wire) ? '' : run.plus,
      minus: isRail(run.wire) ? '' : run.minus,
      millimetres,
      through: run.parts.map(partWords).join(', '),
      volts: reading?.places.get(run.to)?.volts ?? null,
      amps: solved?.amps ?? null,
      dropVolts: solved?.dropVolts ?? null,
      price: (2 * millimetres * runConductors[run.wire].metrePrice) / 1000,
    };
  });
}

/** The table of runs as CSV, figures in millimetres, volts and amperes. */
export function runCsv(rows: readonly RunRow[]): string {
  const text = (n: number | null, digits: number): string => (n === null ? '' : n.toFixed(digits));
  return writeCsv({
    head: [
      'label',
      'from',
      'to',
      'wire',
      'plus',
      'minus',
      'length mm',
      'through',
      'volts at its end',
      'amperes',
      'lost volts',
    ],
    rows: rows.map((r) => [
      r.label,
      r.from,
      r.to,
      r.wire,
      r.plus,
      r.minus,
      String(r.millimetres),
      r.through,
      text(r.volts, 2),
      text(r.amps, 3),
      text(r.dropVolts, 3),
    ]),
  });
}
