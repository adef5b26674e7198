import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { windowLightness } from '../../../light/wanted';
import { rule } from '../../../finding/finding';
import { canopyIn } from '../jobs';

/** Share of its light that a chip lamp sends backwards through its body, and what a thin roof lets through (typical, from memory). */
const BACKWARDS = 0.06;
const ROOF_PASSES = 0.04;
/** Patch of the roof that a lamp right under it lights, in square metres: about 8 mm across. */
const PATCH = 5e-5;

/** Lamps whose backs shine through the roof above them. */
export const lightUpwards = rule({
  id: 'light-upwards',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const { roof } = canopyIn(layout, jobId);
    if (roof.backsPainted) return [];
    const lumens = Math.max(0, ...now.dies.map((d) => d.lumens));
    // Seen from above a spot shines like a window behind which so many lux stand.
    const lux = (BACKWARDS * ROOF_PASSES * lumens) / PATCH;
    const lightness = windowLightness(lux);
    if (lightness < FAINT_LIGHTNESS) return [];
    return [
      {
        id: 'light-upwards',
        severity: 'mind' as const,
        title: 'The lamps shine through the roof',
        sentence: `Through a thin roof each lamp’s back shows as a spot of lightness ${Math.round(lightness)}; under ${FAINT_LIGHTNESS} it is gone.`,
        reason:
          'A chip lamp sends some light out of its back. A coat of black on it, then one of the roof’s colour, stops that.',
        paths: [['jobs', jobId, 'roof', 'backsPainted']],
        terminals: [],
        figures: [{ is: lightness, limit: FAINT_LIGHTNESS, unit: 'of 100' as const }],
        cures: [
          {
            label: 'Paint the backs',
            recipe: (draft) => void (canopyIn(draft, jobId).roof.backsPainted = true),
          },
        ],
      },
    ];
  },
});
