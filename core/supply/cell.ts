import { cellAt, cellTypes } from '../part/cell';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** Cells in series in the vehicle itself, with a switch. */
export interface CellSupply {
  readonly kind: 'cell';
  /** A key of the cell types. */
  readonly cell: string;
  readonly inSeries: number;
  /** Share of the charge already taken out, 0 to 1. */
  readonly spent: number;
}

/** A short circuit of a cell is not cut off by anything: time after which it is called one. */
const SHORT_SECONDS = 1;

export const cellSupply: SupplyKind<CellSupply> = {
  kind: 'cell',
  name: 'Cell',
  onTrack: false,
  changesSides: false,
  ownSwitch: true,
  inputs: () => [],
  highestWords: (supply) => (supply.spent > 0 ? ' on a fresh cell' : ''),
  sides: { right: 'plus', left: 'minus' },
  words(supply) {
    const type = cellTypes[supply.cell];
    return `${supply.inSeries > 1 ? `${supply.inSeries} × ` : ''}${type.name}`;
  },
  highestVolts: (supply) => supply.inSeries * cellAt(cellTypes[supply.cell], 0).volts,
  limit: (supply) => ({ amps: cellTypes[supply.cell].steadyAmps, seconds: SHORT_SECONDS }),
  feels: () => 'moment',
  sourceOhms: (supply) => supply.inSeries * cellAt(cellTypes[supply.cell], supply.spent).ohms,
  behind: (supply) => supply,
  faults: () => [
    {
      id: 'empty',
      name: 'Nearly empty',
      says: 'The volts fall and the inner resistance rises as it empties.',
    },
    {
      id: 'reversed',
      name: 'In the wrong way round',
      says: 'Nothing lights, or what is polarised is driven backwards.',
    },
  ],
  lower(supply, nodes, { stress }, of) {
    const { volts, ohms } = cellAt(cellTypes[supply.cell], high(stress) ? 0 : supply.spent);
    return sourceBehindOhms(
      { kind: 'dc', level: supply.inSeries * volts },
      supply.inSeries * ohms,
      nodes,
      of,
    );
  },
};
