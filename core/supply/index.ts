import { dccTrack, type DccTrack } from './dcc-track';
import type { SupplyKind } from './supply-kind';

/** Every supply a job can hang on. A new kind is a file beside this one, and a line here. */
export type Supply = DccTrack;

const kinds = { 'dcc-track': dccTrack } as const;

export function supplyKind(supply: Supply): SupplyKind<Supply> {
  return kinds[supply.kind];
}

export type { DccTrack };
