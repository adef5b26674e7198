import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { driverOn, setDriver } from '../../study/begin-driven';
import { aboutLamps, lampWords } from '../about';
import { rule, type Cure } from '../finding';
import { aspectPath, draftOf, drivenIn, showsAspects } from './driven';
import type { Layout } from '../../document/layout';
import type { Bench } from '../../study/bench';

/** Lamps that shine in an aspect which does not name them, lit on purpose by what drives them. */
export const aspectStrays = rule({
  id: 'aspect-strays',
  needs: ['aspects'],
  about: showsAspects,
  judge: (bench, { aspects }) =>
    aspects.flatMap(({ id, aspect, seen }) => {
      // An aspect that is to be dark is told of as such.
      if (aspect.dark) return [];
      const strays = seen.filter((s) => !Object.hasOwn(aspect.lamps, s.lampId));
      if (strays.length === 0) return [];
      const lamps = strays.map((s) => s.lampId);
      const brightest = Math.max(...strays.map((s) => s.lightness));
      return [
        {
          id: `aspect-strays ${id}`,
          severity: 'stop' as const,
          title: `${aspect.name} shows a lamp it should not`,
          sentence: `In ${aspect.name} ${lampWords(bench, lamps)} ${lamps.length === 1 ? 'shines' : 'shine'} with ${brightest.toFixed(0)} of 100, and the aspect does not name ${lamps.length === 1 ? 'it' : 'them'}; from ${FAINT_LIGHTNESS} on a light is seen in the dark.`,
          reason: drivenIn(bench)?.driver?.kind.startsWith('accessory')
            ? 'Of each pair one output is always on: where an aspect lights neither of two lamps of a pair, one of them shines all the same. Lamps of different aspects in a pair of their own, or outputs that can all be off.'
            : 'What drives it lights it with another lamp, or current finds a way round.',
          subject: { lamps },
          ...aboutLamps(bench, lamps),
          paths: [aspectPath(bench.jobId, id)],
          figures: [{ is: brightest, limit: FAINT_LIGHTNESS, unit: 'of 100' as const }],
          cures: offPins(bench),
        },
      ];
    }),
});

/** Pins can all be off, and light any lamps together. */
function offPins({ job, jobId, supply }: Bench): Cure[] {
  if (!('driver' in job) || job.driver === null) return [];
  return [
    {
      label: 'Pins of a small computer in its place',
      recipe(draft) {
        const own = draftOf(draft, jobId);
        if (own.driver === null || own.driver.kind === 'pins') return false;
        const pins = driverOn('pins', supply, Object.keys(job.lamps).length);
        if ('switches' in pins) pins.switches = own.common === 'anode' ? 'minus' : 'plus';
        setDriver(draft as Layout, draft.jobs[jobId] as never, pins);
        return true;
      },
    },
  ];
}
