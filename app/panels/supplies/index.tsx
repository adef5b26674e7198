import { useLayoutStore } from '../../store/layout-store';
import { AccessoryOutputFields } from './accessory-output';
import { AcTrackFields } from './ac-track';
import { CellFields } from './cell';
import { DcTrackFields } from './dc-track';
import { DccTrackFields } from './dcc-track';
import { LampControllerFields } from './lamp-controller';
import { LayoutBusFields } from './layout-bus';
import type { FieldsOf, SupplyEdit } from './shared';
import type { SupplyRecord } from '../../../core/document/supply-record';
import type { SupplyKindName } from '../../../core/supply';

interface SupplyFieldsProps {
  readonly supplyId: string;
  readonly supply: SupplyRecord;
}

const fields: { readonly [K in SupplyKindName]: FieldsOf<K> } = {
  'dcc-track': DccTrackFields,
  'dc-track': DcTrackFields,
  'ac-track': AcTrackFields,
  'layout-bus': LayoutBusFields,
  cell: CellFields,
  'lamp-controller': LampControllerFields,
  'accessory-output': AccessoryOutputFields,
};

/** The figures of a supply, by its kind. */
export function SupplyFields({ supplyId, supply }: SupplyFieldsProps) {
  const editLayout = useLayoutStore((s) => s.edit);
  const edit = (label: string, recipe: (s: SupplyRecord) => void, key?: string): void =>
    editLayout(label, (draft) => recipe(draft.supplies[supplyId] as SupplyRecord), key);
  // The record says its kind, and the table has the fields of each kind under it.
  const Fields = fields[supply.kind] as FieldsOf<SupplyKindName>;
  return <Fields supply={supply} edit={edit as SupplyEdit<SupplyKindName>} />;
}
