import { scene } from './scene';
import { signal } from './signal';
import { crossing } from './crossing';
import { building } from './building';
import { canopy } from './canopy';
import { coach } from './coach';
import { displayModel } from './display-model';
import { lamp } from './lamp';
import { locomotive } from './locomotive';
import type { JobKind } from './job-kind';
import type { AnyJob, JobKindName } from './records';

/** Every kind of job. A new one is a folder beside these, and a line here and in the tables of its layers. */
const kinds: { readonly [K in JobKindName]: JobKind<Extract<AnyJob, { kind: K }>> } = {
  coach,
  locomotive,
  'display-model': displayModel,
  lamp,
  canopy,
  building,
  signal,
  crossing,
  scene,
};

/** A kind, ready to answer for any job of it: the record says which it is. */
export const kindOf = (kind: JobKindName): JobKind<AnyJob> => kinds[kind] as unknown as JobKind<AnyJob>;
