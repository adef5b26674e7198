import { showsOf } from '../../document/lamp-roles';
import { directionIn } from '../../supply/state';
import { lightnessAhead } from './lamp-optics';
import type { LampView } from '../../study/readings';
import type { LocomotiveRecord } from './record';

/** On the rails the role of a lamp and its end say when it shines; the other colour is meant for the other way. */
export const locomotiveShines: LampView<LocomotiveRecord> = {
  shines(job, lampId, state, second) {
    const lamp = job.lamps[lampId];
    const shows = showsOf(lamp);
    if (shows === 'both') return true;
    const leading = (lamp.end === 'A') === (directionIn(state) === 'forward');
    return (shows === 'leading') === (leading !== second);
  },
  lightness: (job, { lampId, led, lumens }) => lightnessAhead(job.lamps[lampId], led, lumens),
};
