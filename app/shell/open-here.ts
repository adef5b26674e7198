import { useMatch } from 'react-router';
import { idOf } from './paths';

/** The job a page is about, by its path: at the desk, at the bench or on its sheet. */
export function useJobHere(): { readonly isHere: boolean; readonly jobId: string | undefined } {
  const bench = useMatch('/bench/:jobId/*');
  const atBench = useMatch('/at-bench/:jobId');
  const sheet = useMatch('/sheet/:jobId');
  const match = bench ?? atBench ?? sheet;
  return { isHere: match !== null, jobId: idOf(match?.params.jobId) };
}

/** The train a page is about, by its path. */
export const useTrainHere = (): string | undefined => idOf(useMatch('/train/:trainId')?.params.trainId);
