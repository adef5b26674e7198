import { accessoryOutput, type AccessoryOutput } from './accessory-output';
import { acTrack, type AcTrack } from './ac-track';
import { cellSupply, type CellSupply } from './cell';
import { dcTrack, type DcTrack } from './dc-track';
import { dccTrack, type DccTrack } from './dcc-track';
import { lampController, type LampController } from './lamp-controller';
import { layoutBus, type LayoutBus } from './layout-bus';
import type { SupplyKind } from './supply-kind';

/** Every supply a job can hang on. A new kind is a file beside these, and a line here. */
export type Supply = DcTrack | DccTrack | AcTrack | LayoutBus | CellSupply | LampController | AccessoryOutput;
export type SupplyKindName = Supply['kind'];

export const supplyKinds = {
  'dc-track': dcTrack,
  'dcc-track': dccTrack,
  'ac-track': acTrack,
  'layout-bus': layoutBus,
  cell: cellSupply,
  'lamp-controller': lampController,
  'accessory-output': accessoryOutput,
} as const;

/** The kind of a supply, ready to answer for it. */
export function supplyKind(supply: Supply): SupplyKind<Supply> {
  // Each kind answers for its own sort of record, and the record says which it is.
  return supplyKinds[supply.kind] as unknown as SupplyKind<Supply>;
}

/** Whether a supply can feed lines of a job that hangs on another: it keeps its sides, and no hand sets it. */
export function feedsBeside(supply: Supply): boolean {
  const kind = supplyKind(supply);
  return !kind.changesSides && kind.inputs(supply).length === 0;
}

export type { AccessoryOutput, AcTrack, CellSupply, DccTrack, DcTrack, LampController, LayoutBus };
export { LOADED_SHARE, usualControls, type Controls, type Feeding, type Stress } from './supply-kind';
