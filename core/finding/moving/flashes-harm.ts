import { HARMFUL_HERTZ } from '../../quantity/flashes';
import { movingEffects } from '../../supply/drivers/effects';
import { draftOf, moves, movingOf, studyOf } from './moving';
import { rule } from '../finding';

/** Slows an effect down by its times until it flashes less often than can hurt; null where its times do not reach so far. */
function slowed(
  effect: keyof typeof movingEffects,
  parameters: readonly number[],
  lamps: number,
): number[] | null {
  const of = movingEffects[effect];
  for (let factor = 1.25; factor < 1000; factor *= 1.25) {
    const next = parameters.map((v, k) => {
      const p = of.parameters.at(k);
      return p?.unit === 'millisecond' ? Math.min(p.most, Math.ceil(v * factor)) : v;
    });
    if (of.flashesPerSecond(next, lamps) < HARMFUL_HERTZ.least) return next;
  }
  return null;
}

/** A scene in which a lamp flashes so often that it can hurt. */
export const flashesHarm = rule({
  id: 'flashes-harm',
  needs: ['highest'],
  about: moves,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { jobId } = bench;
    const { clips, groups } = movingOf(bench).timeline;
    return moving.harmful.map(({ clip, hertz }) => {
      const { effect, group, parameters } = clips[clip];
      const own = groups[group];
      const lamps = own.of === 'lamps' ? own.lamps.length : own.count;
      const { name } = movingEffects[effect];
      const slower = slowed(effect, parameters, lamps);
      return {
        id: `flashes-harm ${clip}`,
        severity: 'stop' as const,
        title: `${own.name}: flashes this fast can hurt`,
        sentence: `${name} lights a lamp ${hertz.toFixed(1)} times a second; from ${HARMFUL_HERTZ.least} to ${HARMFUL_HERTZ.most} can provoke seizures.`,
        reason:
          'People with photosensitive epilepsy can be hurt by it, at a show by the lamps of others. Three a second is the most that is taken to be safe.',
        paths: [['jobs', jobId, 'timeline', 'clips', clip]],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: hertz, limit: HARMFUL_HERTZ.least, unit: 'Hz' as const }],
        cures: slower
          ? [
              {
                label: 'Slower, below three a second',
                recipe: (draft) => void (draftOf(draft, jobId).timeline.clips[clip].parameters = slower),
              },
            ]
          : [],
      };
    });
  },
});
