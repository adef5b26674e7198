import { usualPassage } from '../../document/passage-record';
import type { Draft } from 'immer';
import type { CoachRecord } from './record';

/** Of the gap that is left where a roof hinges, in millimetres (common practice, no source). */
const HINGE_GAP = 3;

/** Says at which end the roof stays while it is opened: what goes from roof to floor goes through the gap there. */
export function setHinge(job: Draft<CoachRecord>, hinge: CoachRecord['fit']['opening']['hinge']): void {
  job.fit.opening.hinge = hinge;
  const order = 1 + Math.max(0, ...Object.values(job.passages).map((p) => p.order));
  if (hinge === 'none') Reflect.deleteProperty(job.passages, 'hinge');
  else job.passages.hinge ??= usualPassage(order, 'Gap at the hinge', 'hinge', 'roof', HINGE_GAP, 2);
}
