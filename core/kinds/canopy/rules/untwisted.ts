import { candelaToViewer } from '../../../light/pool';
import { lampLightness } from '../../../light/lamp-light';
import { shiningLamps } from '../../../study/pools';
import { rule } from '../../../finding/finding';
import { canopyIn } from '../jobs';

/** Lightness of a lamp seen by itself from which it is noticed before what it lights (common practice, no source). */
const NOTICED = 38;

/** A string whose lamps look out from under the roof instead of down. */
export const untwisted = rule({
  id: 'untwisted',
  needs: ['now'],
  judge(bench, { now }) {
    const { layout, jobId } = bench;
    if (canopyIn(layout, jobId).roof.twisted) return [];
    const lightness = Math.max(0, ...shiningLamps(bench, now).map((l) => lampLightness(candelaToViewer(l))));
    if (lightness < NOTICED) return [];
    return [
      {
        id: 'untwisted',
        severity: 'mind' as const,
        title: 'The lamps look out, not down',
        sentence: `From the front each lamp shows at lightness ${Math.round(lightness)}, and the platform gets only what strays; from ${NOTICED} on the lamp is seen before what it lights.`,
        reason:
          'A string comes with its lamps facing aside. Half a twist of the wires beside each turns it down.',
        paths: [['jobs', jobId, 'roof', 'twisted']],
        terminals: [],
        figures: [{ is: lightness, limit: NOTICED, unit: 'of 100' as const }],
        cures: [
          {
            label: 'Twist them to face down',
            recipe: (draft) => void (canopyIn(draft, jobId).roof.twisted = true),
          },
        ],
      },
    ];
  },
});
