import { formatQuantity } from '../../quantity/format';
import { stateWords } from '../../study/state-words';
import { setDriver } from '../../study/begin-driven';
import { aboutLamps, lampWords } from '../about';
import { rule, type Cure } from '../finding';
import { draftOf, drivenIn, showsAspects } from './driven';
import type { Layout } from '../../document/layout';
import type { DriverRecord } from '../../document/driver-record';

/** What a pin bears to be fed backwards, in amperes (common practice, no source). */
const BORNE_AMPS = 1e-3;

/** Lamps joined to more volts than the pins have that switch them: what is off is still fed, through the board. */
export const backIntoPins = rule({
  id: 'back-into-pins',
  needs: ['highest'],
  about: showsAspects,
  judge(bench, { highest }) {
    const driver = drivenIn(bench)?.driver;
    if (driver?.kind !== 'pins' || driver.commonAt !== 'feed') return [];
    const back = highest
      .flatMap((row) => row.dies.map((die) => ({ row, die, amps: die.amps.mean })))
      .filter(({ die, amps }) => !die.should && amps > BORNE_AMPS);
    if (back.length === 0) return [];
    const worst = back.reduce((a, b) => (b.amps > a.amps ? b : a));
    const lamps = [...new Set(back.map(({ die }) => die.lampId))];
    const state = stateWords(bench, worst.row.state, { phase: worst.row.phase });
    return [
      {
        id: 'back-into-pins',
        severity: 'stop' as const,
        title: 'Current flows back into pins that are off',
        sentence: `${state}, with the supply at its highest: ${formatQuantity(worst.amps, 'amp', { significant: 2 })} through ${lampWords(bench, [worst.die.lampId])} into a pin that is off and stands at ${driver.volts} V; a pin bears ${formatQuantity(BORNE_AMPS, 'amp')} that way.`,
        reason:
          'A pin that is off gives its own volts, and the lamps share more: what is left between the two still drives them, through the board, which bears some 0.3 V over its own at a pin. They glow, and sooner or later the board is destroyed.',
        subject: { lamps },
        ...aboutLamps(bench, lamps),
        paths: [['jobs', bench.jobId, 'driver', 'commonAt']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: worst.amps, limit: BORNE_AMPS, unit: 'amp' as const }],
        explains: { rules: ['faint', 'aspect-strays'], lamps },
        cures: [
          inItsPlace(bench.jobId, 'A transistor behind each pin', driver, { transistors: true }),
          inItsPlace(bench.jobId, `Join them to the board’s ${driver.volts} V`, driver, {
            commonAt: 'board',
          }),
        ],
      },
    ];
  },
});

/** The same board otherwise joined, and what limits its lamps chosen anew. */
const inItsPlace = (
  jobId: string,
  label: string,
  driver: Extract<DriverRecord, { kind: 'pins' }>,
  change: Partial<typeof driver>,
): Cure => ({
  label,
  recipe(draft) {
    if (draftOf(draft, jobId).driver === null) return false;
    setDriver(draft as Layout, draft.jobs[jobId] as never, { ...driver, ...change });
    return true;
  },
});
