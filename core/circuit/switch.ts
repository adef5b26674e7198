import type { Plan } from './plan';
import { EDGE_SECONDS } from './waveform';

/** Conductance of switch `k` at a moment; over its change-over it runs through the decades evenly. */
export function switchSiemens(plan: Plan, k: number, seconds: number): number {
  const { onSiemens, offSiemens, closed, toggles } = plan.switches;
  let is = closed[k];
  for (const toggle of toggles[k]) {
    if (seconds <= toggle) break;
    const progress = (seconds - toggle) / EDGE_SECONDS;
    const before = is ? onSiemens[k] : offSiemens[k];
    is = !is;
    if (progress < 1) return before * ((is ? onSiemens[k] : offSiemens[k]) / before) ** progress;
  }
  return is ? onSiemens[k] : offSiemens[k];
}
