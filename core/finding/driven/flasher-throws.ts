import { driverOf } from '../../document/aspect-record';
import { formatQuantity } from '../../quantity/format';
import { rule } from '../finding';
import type { Driven } from '../../document/aspect-record';

/** What a base of a small transistor bears backwards, in volts (typical, from memory). */
const BASE_BACK_VOLTS = 5;
/** Base resistors to try in place of ones that keep it from throwing over. */
const TRIED_OHMS = [22e3, 47e3, 10e3, 100e3];

/** A flasher that does not throw over. */
export const flasherStarts = rule({
  id: 'flasher-starts',
  needs: ['flasher'],
  about: ({ job }) => driverOf(job)?.kind === 'flasher',
  judge({ job, jobId }, { flasher }) {
    const driver = driverOf(job);
    if (driver?.kind !== 'flasher' || flasher === null || flasher.turn) return [];
    return [
      {
        id: 'flasher-starts',
        severity: 'stop' as const,
        title: 'The flasher does not start',
        sentence: `Run from power on for ${formatQuantity(flasher.seconds[flasher.seconds.length - 1], 'second', { significant: 2 })} it throws over less than two times with base resistors of ${formatQuantity(driver.one.ohms, 'ohm')} and ${formatQuantity(driver.other.ohms, 'ohm')}.`,
        reason:
          'Bases fed too much keep both transistors on for good; fed too little none is ever fully on. Halves that are unlike start by themselves.',
        paths: [['jobs', jobId, 'driver', 'one', 'ohms']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: driver.one.ohms, limit: null, unit: 'ohm' as const }],
        cures: [
          TRIED_OHMS.map((ohms) => ({
            label: `Base resistors of ${formatQuantity(ohms, 'ohm')}`,
            recipe(draft) {
              const own = (draft.jobs[jobId] as unknown as Driven).driver;
              if (own?.kind !== 'flasher') return false;
              own.one.ohms = ohms;
              own.other.ohms = ohms * 0.91;
              return true;
            },
          })),
        ],
      },
    ];
  },
});

/** A base that is pulled backwards further than it bears. */
export const flasherBase = rule({
  id: 'flasher-base',
  needs: ['flasher'],
  about: ({ job }) => driverOf(job)?.kind === 'flasher',
  judge({ jobId }, { flasher }) {
    if (flasher === null || flasher.baseBackVolts <= BASE_BACK_VOLTS) return [];
    return [
      {
        id: 'flasher-base',
        severity: 'mind' as const,
        title: 'A base is pulled backwards too far',
        sentence: `At every turn a base goes to −${formatQuantity(flasher.baseBackVolts, 'volt', { significant: 2 })}; a small transistor bears ${BASE_BACK_VOLTS} V backwards.`,
        reason:
          'Beyond that the junction gives way at each turn: the flasher runs too fast and the transistor loses gain over the months. A diode before each base takes the volts instead.',
        paths: [['jobs', jobId, 'driver', 'baseDiodes']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: flasher.baseBackVolts, limit: BASE_BACK_VOLTS, unit: 'volt' as const }],
        cures: [
          {
            label: 'A diode before each base',
            recipe(draft) {
              const own = (draft.jobs[jobId] as unknown as Driven).driver;
              if (own?.kind !== 'flasher' || own.baseDiodes) return false;
              own.baseDiodes = true;
              return true;
            },
          },
        ],
      },
    ];
  },
});
