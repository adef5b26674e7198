import { mixedXy } from '../../light/tinted';
import { nearestWord } from '../../light/wanted';
import { addTailLamps } from './hang-lamps';
import { coachSketch } from './sketch';
import { solvedCoach } from './solved-coach';
import type { JobKind } from '../job-kind';
import type { CoachRecord } from './record';

/** The bulbs of a coach whose own were never read: 0.22 A at 14 V (common practice, no source). */
const USUAL_BULBS = { volts: 14, amps: 0.22 };
/** Less than this at the seats is dark: a thousandth of a well-lit window and less. */
const DARK_LUX = 0.1;

export const coach: JobKind<CoachRecord> = {
  name: 'Coach',
  heads: false,
  standsTurned: () => false,
  lengthMillimetres: (job) => job.dimensions.lengthMillimetres,
  words(layout, jobId) {
    const lux = solvedCoach(layout, jobId).light?.litLux ?? 0;
    return lux > 0 ? nearestWord(lux).name : 'Dark';
  },
  look(layout, jobId) {
    const { light } = solvedCoach(layout, jobId);
    const lux = light?.litLux ?? 0;
    const windows = [...(light?.near ?? []), ...(light?.far ?? [])];
    const xy = mixedXy(windows.flatMap((w) => (w.xy ? [{ lumens: w.lux, ...w.xy }] : [])));
    return { lux, xy: lux < DARK_LUX ? null : xy };
  },
  oldBulbs: (job) => job.oldBulbs ?? USUAL_BULBS,
  tails: (job) =>
    Object.entries(job.lamps).flatMap(([lampId, l]) =>
      l.role === 'tail'
        ? [
            {
              lampId,
              end: l.placeMillimetres < job.dimensions.lengthMillimetres / 2 ? 'left' : 'right',
              always: true,
            },
          ]
        : [],
    ),
  fitTails: (layout, jobId, end) => addTailLamps(layout, jobId, end).patches,
  sketch: coachSketch,
};
