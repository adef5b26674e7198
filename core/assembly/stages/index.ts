import { bridge } from './bridge';
import { charge } from './charge';
import { constantCurrent } from './constant-current';
import { diode } from './diode';
import { fuse } from './fuse';
import { regulator } from './regulator';
import { reservoir } from './reservoir';
import { socket } from './socket';
import { steering } from './steering';
import { switchStage } from './switch';
import type { StageKind } from '../../document/wiring-record';
import type { Stage } from './stage';

/** Everything that may stand in a line. A new stage is a file beside these, its record, and a line here. */
const stages: { readonly [K in StageKind]: Stage<K> } = {
  switch: switchStage,
  fuse,
  steering,
  bridge,
  diode,
  charge,
  reservoir,
  regulator,
  'constant-current': constantCurrent,
  socket,
};

/** The stage of a kind, ready to lay any record of it: the record says which it is. */
export const stageFor = (kind: StageKind): Stage<StageKind> => stages[kind] as unknown as Stage<StageKind>;
