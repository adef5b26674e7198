import { CountField } from '../../fields/count-field';
import { SelectField } from '../../fields/select-field';
import { SliderField } from '../../fields/slider-field';
import { cellTypes } from '../../../core/part/cell';
import { type FieldsOf } from './shared';

/** Cells on board: which, how many, how far used. */
export const CellFields: FieldsOf<'cell'> = ({ supply, edit }) => (
  <>
    <div className="count-and-type">
      <CountField
        label="How many"
        count={supply.inSeries}
        least={1}
        most={8}
        onCommit={(n) => edit('Number of cells', (s) => void (s.inSeries = n))}
      />
      <SelectField
        label="Which"
        value={supply.cell}
        options={Object.values(cellTypes).map((c) => ({ value: c.id, label: c.name }))}
        onChange={(cell) => edit('Cell', (s) => void (s.cell = cell))}
      />
    </div>
    <SliderField
      label="Already used"
      figure={Math.round(100 * supply.spent)}
      least={0}
      most={95}
      step={5}
      says={`${Math.round(100 * supply.spent)} % of its charge`}
      onChange={(v) => edit('Charge used', (s) => void (s.spent = v / 100), 'cell-spent')}
    />
    {cellTypes[supply.cell].isCoin && (
      <p className="hint">Coin cells kill when swallowed: keep them from children, also empty ones.</p>
    )}
  </>
);
