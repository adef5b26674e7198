import { useEffect, useMemo, useState } from 'react';
import { litPhases, tooFastToShow } from '../../core/study/lit-phases';
import type { Readings } from '../../core/study/readings';
import type { PanelProps } from '../kinds/face';

/** What shines at this moment, and whether it flashes faster than it is shown. */
export interface PhaseOfNow {
  readonly readings: Readings | null;
  readonly tooFast: boolean;
}

/** The halves of what flashes one after the other, as long as each lasts; what flashes too fast stands still. */
export function usePhase({ solved, hand }: PanelProps): PhaseOfNow {
  const phases = useMemo(() => {
    if (!solved.readings) return [];
    try {
      return litPhases(solved.bench, solved.state);
    } catch {
      // Why it has no answer is told by its findings.
      return [];
    }
  }, [solved]);
  const [at, setAt] = useState(0);
  const tooFast = tooFastToShow(phases);
  const turns = phases.length > 1 && !tooFast && hand.power;
  useEffect(() => {
    if (!turns) return;
    let timer = 0;
    const go = (i: number): void => {
      setAt(i);
      timer = window.setTimeout(() => go((i + 1) % phases.length), 1000 * phases[i].seconds);
    };
    timer = window.setTimeout(() => go(0), 0);
    return () => clearTimeout(timer);
  }, [phases, turns]);
  const now = phases.at(turns ? at % phases.length : 0);
  return { readings: now?.readings ?? null, tooFast };
}
