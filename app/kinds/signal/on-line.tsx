import { inOrder } from '../../../core/document/in-order';
import { signalSize } from '../../../core/kinds/signal/head';
import { throughGlass } from '../../../core/study/lit-phases';
import { SignalFront } from './signal-front';
import type { SignalRecord } from '../../../core/kinds/signal/record';
import type { LineFace, OnLineProps } from '../face';

/** A signal among other things, showing its first aspect. */
function SignalOnLine({ job, readings }: OnLineProps<SignalRecord>) {
  const [first] = inOrder(job.aspects);
  return (
    <SignalFront
      job={job}
      readings={readings && throughGlass(job, readings, first.glass)}
      shown={(lightness) => Math.min(100, lightness)}
      cleared={false}
    />
  );
}

export const onLine: LineFace<SignalRecord> = {
  OnLine: SignalOnLine,
  heights: (job) => ({ floor: 0, top: signalSize(job).top }),
  facts(_, job) {
    const lamps = Object.keys(job.lamps).length;
    const aspects = Object.keys(job.aspects).length;
    return [
      `${lamps} ${lamps === 1 ? 'lamp' : 'lamps'}, ${aspects} ${aspects === 1 ? 'aspect' : 'aspects'}`,
      inOrder(job.aspects)[0].name,
    ];
  },
};
