import { NumberField } from '../../fields/number-field';
import type { SupplyRecordOf } from '../../../core/document/supply-record';
import type { SupplyKindName } from '../../../core/supply';
import type { ReactNode } from 'react';

/** Changes a supply as one undo step; steps of one key that follow one another are one. */
export type SupplyEdit<K extends SupplyKindName> = (
  label: string,
  recipe: (supply: SupplyRecordOf<K>) => void,
  key?: string,
) => void;

/** The fields of one kind of supply: one file a kind, listed in `index.tsx`. */
export type FieldsOf<K extends SupplyKindName> = (props: {
  readonly supply: SupplyRecordOf<K>;
  readonly edit: SupplyEdit<K>;
}) => ReactNode;

export const ohmLimits = { least: 0.01, most: 100, range: '10 mΩ to 100 Ω' };

interface Limited {
  limitAmps: number;
  tripSeconds: number;
}
interface SharedProps<S> {
  readonly supply: S;
  readonly edit: (label: string, recipe: (supply: S) => void) => void;
}

/** What a supply gives at most, and how long it bears more. */
export function LimitFields({ supply, edit }: SharedProps<Limited>) {
  return (
    <div className="two-fields">
      <NumberField
        label="Gives at most"
        unit="amp"
        figure={supply.limitAmps}
        limits={{ least: 0.1, most: 20, range: '0.1 A to 20 A' }}
        onCommit={(v) => edit('Limit', (s) => void (s.limitAmps = v))}
      />
      <NumberField
        label="Trips after"
        unit="second"
        figure={supply.tripSeconds}
        limits={{ least: 0.0001, most: 5, range: '0.1 ms to 5 s' }}
        onCommit={(v) => edit('Trip time', (s) => void (s.tripSeconds = v))}
      />
    </div>
  );
}

/** Resistance of everything between source and vehicle. */
export function TrackOhms({ supply, edit }: SharedProps<{ trackOhms: number }>) {
  return (
    <NumberField
      label="Wires, rails and wheels, both ways"
      unit="ohm"
      figure={supply.trackOhms}
      limits={ohmLimits}
      onCommit={(v) => edit('Track resistance', (s) => void (s.trackOhms = v))}
    />
  );
}
