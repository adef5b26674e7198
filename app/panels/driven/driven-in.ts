import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../../../core/document/layout';
import type { Driven } from '../../../core/document/aspect-record';
import { anyJobIn } from '../../../core/document/jobs';

/** A job of a draft as what shows aspects. @throws RangeError when there is none */
export const drivenIn = (draft: Draft<Layout>, jobId: string): Draft<AnyJob & Driven> =>
  anyJobIn(draft, jobId) as Draft<AnyJob & Driven>;
