import { inOrder } from '../../document/in-order';
import { driverKind } from '../../supply/drivers';
import { askedOf } from '../../study/aspects';
import { aspectPath, draftOf, drivenIn, showsAspects } from './driven';
import { rule, type Cure } from '../finding';
import type { Driven } from '../../document/aspect-record';
import type { Bench } from '../../study/bench';

/** An aspect that what drives the lamps cannot show. */
export const aspectNotShown = rule({
  id: 'aspect-not-shown',
  needs: ['laid'],
  about: showsAspects,
  judge(bench) {
    const { job, jobId } = bench;
    const driven = drivenIn(bench);
    const driver = driven?.driver;
    if (!driven || !driver) return [];
    const kind = driverKind(driver);
    const aspects = inOrder(driven.aspects);
    const found = aspects.flatMap((aspect) => {
      const asked = askedOf(job, aspect);
      const why = kind.cannot(driver, asked);
      if (why === null) return [];
      return [
        {
          id: `aspect-not-shown ${aspect.id}`,
          severity: 'stop' as const,
          title: `${kind.name} cannot show ${aspect.name}`,
          sentence: `${aspect.name} asks for ${asked.size} of ${kind.build(driver).outputs.length} outputs: ${why}.`,
          reason:
            'What decides who conducts can do only what it is made for; another driver, or another aspect.',
          paths: [aspectPath(jobId, aspect.id), ['jobs', jobId, 'driver']],
          terminals: [{ part: 'driver', terminal: 'common' }],
          figures: [{ is: asked.size, limit: null, unit: 'pieces' as const }],
          cures: driverCures(bench, driver),
        },
      ];
    });
    if (driver.kind !== 'contacts' || aspects.length <= driver.ways) return found;
    return [
      ...found,
      {
        id: 'aspect-not-shown ways',
        severity: 'stop' as const,
        title: 'Fewer places than aspects',
        sentence: `It has ${driver.ways} places and ${aspects.length} aspects are to be shown.`,
        reason: 'Each aspect wants a place of its own.',
        paths: [['jobs', jobId, 'driver', 'ways']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: driver.ways, limit: aspects.length, unit: 'pieces' as const }],
        cures: [
          {
            label: `A rotary switch of ${aspects.length} ways`,
            recipe(draft) {
              const own = draftOf(draft, jobId).driver;
              if (own?.kind === 'contacts') Object.assign(own, { sort: 'rotary', ways: aspects.length });
            },
          },
        ],
      },
    ];
  },
});

/** What makes a driver show what it cannot: more decks, steady outputs, or the pins of a small computer. */
function driverCures({ jobId, job }: Bench, driver: NonNullable<Driven['driver']>): Cure[] {
  const most = Math.max(
    ...Object.values((job as unknown as Driven).aspects).map((a) => askedOf(job, a).size),
  );
  if (driver.kind === 'contacts' && driver.decks < most && most <= 4)
    return [
      {
        label: `${most} decks`,
        recipe(draft) {
          const own = draftOf(draft, jobId).driver;
          if (own?.kind === 'contacts') own.decks = most;
        },
      },
    ];
  if (driver.kind === 'alternating' && !driver.steadyToo)
    return [
      {
        label: 'A decoder that can show its outputs steady',
        recipe(draft) {
          const own = draftOf(draft, jobId).driver;
          if (own?.kind === 'alternating') own.steadyToo = true;
        },
      },
    ];
  return [];
}
