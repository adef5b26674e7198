import { bulbs } from '../../part/bulb';
import { leds } from '../../part/led';
import { fitAnswers, lacking } from './fit';
import { notchWords } from './notch-words';
import type { BodyWork, OrderFacts } from '../../build/order/order-facts';
import type { CoachRecord } from './record';

/** Minutes of each sort of work (common practice, no source). */
const NOTCH = 3;
const CUT = 4;
const BLACKEN = 6;
const BLACK_DRIES = 30;

const openings: Readonly<Record<CoachRecord['fit']['opening']['how'], string>> = {
  clips: 'Spread the sides over the clips, one after another.',
  tabs: 'Press the tabs in from below.',
  screws: 'Screws out, in a lid.',
  glued: 'Glued: slide a thin blade along the seam, a little at a time.',
};

/** The roof comes off; notches are filed, the shell blackened, lamps lie along the roof. */
export const coachOrder: OrderFacts<CoachRecord> = {
  opening: ({ fit: { opening } }) => ({
    does:
      opening.hinge === 'none' ? 'Take the roof off' : `Open the roof; it stays at its ${opening.hinge} end`,
    says: `${openings[opening.how]}${opening.arrow ? ' An arrow inside points the way it goes back.' : ''} Glazing and seats may fall out: a tray beneath.`,
    closes: 'Put the roof on',
  }),
  works(_, job) {
    const { fit } = job;
    const works: BodyWork[] = lacking(fitAnswers(job))
      .filter((a) => a.notches.length > 0)
      .map((a) => ({
        id: `notch ${a.id}`,
        does: `File: ${a.question.toLowerCase()}`,
        says: `${notchWords(a.notches)}. A little, try, file again.`,
        tool: 'file',
        lamps: [],
        before: 'fixing',
        minutes: NOTCH * a.notches.length,
        dryMinutes: 0,
        undone: 'cannot',
        ...(fit.board ? { after: ['board'] } : {}),
      }));
    if (fit.board)
      works.push({
        id: 'board',
        does: `Cut the board to ${fit.board.lengthMillimetres} mm`,
        says: 'At a cut mark, never between; look where the traces run before you cut.',
        tool: 'knife',
        lamps: [],
        before: 'fixing',
        minutes: CUT,
        dryMinutes: 0,
        undone: 'cannot',
      });
    if (fit.shell === 'thin-plastic')
      for (const part of ['roof', 'ends'] as const)
        if (!fit.blackedOut[part])
          works.push({
            id: `black ${part}`,
            does: `Black out the ${part} from inside`,
            says: 'Two thin coats, or black tape; windows masked.',
            tool: 'brush',
            lamps: [],
            before: 'threading',
            minutes: BLACKEN,
            dryMinutes: BLACK_DRIES,
            undone: 'can',
          });
    return works;
  },
  fixing: () => ({
    does: 'Stick the lamps under the roof',
    says: 'Double-sided tape or a spot of glue that peels off; press flat.',
    by: 'tape',
  }),
  label: 'the box',
  placeName: (place) => `the ${place}`,
  // Fairy lamps and bulbs come on their wires.
  bare: (job, lampId) => {
    const { part } = job.lamps[lampId];
    return !Object.hasOwn(bulbs, part) && !(Object.hasOwn(leds, part) && leds[part].form === 'fairy');
  },
  lampBody: () => null,
  slack: ({ fit }) =>
    fit.opening.hinge === 'none'
      ? 'Leave a loop as long as the coach is high, so that the roof lies beside it.'
      : `A short loop at the ${fit.opening.hinge} end, where the roof hinges.`,
  thinShell: ({ fit }) => fit.shell === 'thin-plastic',
};
