import { plural } from './about';
import { rule } from './finding';
import { stateWords } from '../study/state-words';

/** States whose circuit could not be solved: nothing is judged by them, and that is said. */
export const noAnswer = rule({
  id: 'no-answer',
  needs: ['unsolved', 'usual'],
  judge(bench, { unsolved, usual }) {
    if (unsolved.length === 0) return [];
    const [first] = unsolved;
    const count = unsolved.length;
    return [
      {
        id: 'no-answer',
        severity: 'mind',
        title: `${count} ${plural(count, 'state has', 'states have')} no answer`,
        sentence: `${stateWords(bench, first.state)}: ${first.reason} ${usual.length} states are judged without ${plural(count, 'it', 'them')}.`,
        reason:
          'The circuit of such a state could not be solved; a figure that no real part has is the usual cause.',
        paths: [['jobs', bench.jobId]],
        terminals: [],
        figures: [{ is: count, limit: 0, unit: 'pieces' }],
      },
    ];
  },
});
