import { current, isDraft, type Draft } from 'immer';
import { coachIn } from './jobs';
import { fitLimit, proposeLimit } from './proposal';
import type { Layout } from '../../document/layout';

/** Fits a circuit with the resistor, or sets its limiter to the current, that gives the wanted light. */
export function fitWantedLimit(draft: Draft<Layout>, jobId: string, circuitId: string): boolean {
  const layout = (isDraft(draft) ? current(draft) : draft) as Layout;
  const proposal = proposeLimit(layout, jobId, circuitId);
  if (!proposal) return false;
  fitLimit(coachIn(draft, jobId), circuitId, proposal);
  return true;
}
