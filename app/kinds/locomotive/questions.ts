import { equalLight, type EqualLightStudy } from '../../../core/kinds/locomotive/equal-light';
import { benchOf } from '../../../core/study/bench';
import type { Layout } from '../../../core/document/layout';
import type { OfJob } from '../../workers/questions';

/** What locomotives alone are asked. */
export const locomotiveQuestions = {
  /** Resistors that put each role at its light beside a lamp that looks right. */
  equalLight: (
    layout: Layout,
    { jobId, supplyId, referenceId }: OfJob & { readonly referenceId: string },
  ): EqualLightStudy => equalLight(benchOf(layout, jobId, { supplyId }), referenceId),
};
