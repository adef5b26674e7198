import type { FeedRule } from './feed-rule';

/** A network that cannot be solved. */
export const feedNoAnswer: FeedRule = {
  id: 'feed-no-answer',
  judge: ({ failure, layout }) =>
    failure === null
      ? []
      : [
          {
            id: 'feed-no-answer',
            severity: 'stop',
            title: 'The power under the boards has no answer',
            sentence: `${Object.keys(layout.network.runs).length} runs could not be solved: ${failure}.`,
            reason: 'Nothing else is judged until it has one.',
            paths: [['network']],
            terminals: [],
            figures: [{ is: Object.keys(layout.network.runs).length, limit: null, unit: 'pieces' }],
          },
        ],
};
