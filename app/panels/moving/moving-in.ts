import { anyJobIn } from '../../../core/document/jobs';
import type { AnyJob, Layout } from '../../../core/document/layout';
import type { Moving } from '../../../core/document/moving-record';
import type { Draft } from 'immer';

/** A job of a draft as what moves. @throws RangeError when there is none */
export const movingIn = (draft: Draft<Layout>, jobId: string): Draft<AnyJob & Moving> =>
  anyJobIn(draft, jobId) as Draft<AnyJob & Moving>;
