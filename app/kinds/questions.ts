import type { coachQuestions } from './coach/questions';
import type { locomotiveQuestions } from './locomotive/questions';

/** What one kind alone is asked, by kind; fetched when the first is asked. */
export const kindQuestions = {
  coach: async () => (await import('./coach/questions')).coachQuestions,
  locomotive: async () => (await import('./locomotive/questions')).locomotiveQuestions,
};

type Named<Kind extends string, Q> = { [K in keyof Q & string as `${Kind}/${K}`]: Q[K] };

/** The same, each by its kind and its name. */
export type KindQuestions = Named<'coach', typeof coachQuestions> &
  Named<'locomotive', typeof locomotiveQuestions>;
