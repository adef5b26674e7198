import { driverKind } from '../../supply/drivers';
import { outputOf } from '../../study/aspects';
import { draftOf, drivenIn, showsAspects } from './driven';
import { rule } from '../finding';

/** A head that is joined at one side and a driver that switches that side. */
export const commonSide = rule({
  id: 'common-side',
  needs: ['laid'],
  about: showsAspects,
  judge(bench) {
    const { jobId, job } = bench;
    const driven = drivenIn(bench);
    if (!driven?.driver) return [];
    const { switches, outputs } = driverKind(driven.driver).build(driven.driver);
    // Lamps that hang between two contacts have no common.
    if (outputs.some((o) => o.between)) return [];
    if ((switches === 'minus') === (driven.common === 'anode')) return [];
    const lamps = Object.keys(job.lamps).filter((id) => outputOf(job, id) !== null);
    const sharing = driven.common === 'anode' ? 'plus' : 'minus';
    return [
      {
        id: 'common-side',
        severity: 'stop' as const,
        title: 'The head is joined at the side that is switched',
        sentence: `Its ${lamps.length} lamps share ${sharing}, and the driver’s outputs switch ${switches}: every lamp lies the wrong way round.`,
        reason:
          'Lamps that share plus want outputs that switch minus, as most decoders do; lamps that share minus want outputs that give plus.',
        subject: { lamps },
        paths: [
          ['jobs', jobId, 'common'],
          ['jobs', jobId, 'driver', 'switches'],
        ],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: lamps.length, limit: 0, unit: 'pieces' as const }],
        explains: { rules: ['never-lit', 'aspect-dark', 'reverse-voltage'], lamps: null },
        cures: [
          [
            {
              label: `Outputs that switch ${switches === 'minus' ? 'plus' : 'minus'}`,
              recipe(draft) {
                const own = draftOf(draft, jobId).driver;
                if (!own || !('switches' in own)) return false;
                own.switches = switches === 'minus' ? 'plus' : 'minus';
                return true;
              },
            },
          ],
          [
            {
              label: `A head whose lamps share ${sharing === 'plus' ? 'minus' : 'plus'}`,
              recipe(draft) {
                draftOf(draft, jobId).common = sharing === 'plus' ? 'cathode' : 'anode';
              },
            },
          ],
        ],
      },
    ];
  },
});
