import { fitWantedLimit } from './coach/wanted-limit';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { JobKindName } from './records';

/** Limits a circuit for the light its kind wants; false where none can be had. */
type WantedLimit = (draft: Draft<Layout>, jobId: string, circuitId: string) => boolean;

/** What is wanted of the light of a circuit, where a kind wants a figure. A new kind is a line here. */
const wanted: Readonly<Record<JobKindName, WantedLimit | null>> = {
  coach: fitWantedLimit,
  locomotive: null,
  'display-model': null,
  lamp: null,
  canopy: null,
  building: null,
  signal: null,
  crossing: null,
  scene: null,
};

export const wantedLimitOf = (kind: JobKindName): WantedLimit | null => wanted[kind];
