import { driverOf } from '../../../document/aspect-record';
import { stringOf } from '../../../study/string-needs';
import { isOnRails } from '../../../document/job-record';
import { pickupNeeds } from '../../../study/pickup-needs';
import { soldUses } from '../wire-use';
import { after, fact, notYet } from '../fact';
import { outFirst } from './body';
import { act, type Act } from '../task';
import type { SoldNeed } from '../../../part/sold-need';
import type { Ends } from '../ends';
import type { Making } from '../making';

/** Minutes to part a motor from the rails and to look that it is, to fit what collects at a wheel, and to program (common practice, no source). */
const ISOLATE = 10;
const PICKUP = 4;
const PROGRAM = 5;

/** Whether its motor has to be parted from the rails before it gets what drives it. */
export const hasMotor = ({ facts, bench }: Pick<Making, 'facts' | 'bench'>): boolean =>
  (facts.motor?.(bench.job) ?? null) !== null;

/** Whether something in it is given an address or a program. */
export const isProgrammed = ({ bench: { job } }: Pick<Making, 'bench'>): boolean =>
  job.decoder !== null ||
  stringOf(job) !== null ||
  ['pins', 'matrix', 'accessory-pairs', 'accessory-reversing'].includes(driverOf(job)?.kind ?? '');

/** What collects current at the wheels is fitted, where it is not there already. */
export function pickupTasks({ bench, count }: Making): Act[] {
  const [need] = pickupNeeds(bench) as readonly (SoldNeed | undefined)[];
  const { job } = bench;
  if (!need || !isOnRails(job)) return [];
  const { kind, axles } = job.pickups;
  const many = need.count * count;
  const where = axles === 'all' ? 'both bogies (trucks) or all axles' : 'one bogie (truck)';
  return [
    act({
      id: 'pickups',
      does: `Fit ${many} ${kind === 'wipers' ? 'wipers' : 'rubbing collars'}, ${where}`,
      says: `${job.pickups.wheelsPerRail} to a rail. Treads and backs of the wheels cleaned first; ${kind === 'wipers' ? 'each touches lightly, or the coach drags' : 'each turns with its axle and the strip on it lies lightly'}. Push it along: it rolls as before.`,
      tool: 'hands',
      minutes: PICKUP * many,
      uses: soldUses([need], count),
      makes: [fact.worked('pickups')],
    }),
  ];
}

/** What is done for what switches the lamps: the motor parted from the rails, an address given, a program loaded. */
export function driverTasks(making: Making, ends: Ends): Act[] {
  const { bench, facts, count } = making;
  const { job } = bench;
  const motor = facts.motor?.(job) ?? null;
  const made: Act[] = [];
  if (motor)
    made.push(
      act({
        id: 'motor',
        does: motor.does,
        says: motor.says,
        tool: 'hands',
        position: 'inside',
        minutes: ISOLATE * count,
        tests: true,
        caution: 'motor',
        makes: [fact.isolated],
        asks: [
          ...(facts.opening(job) ? [after(fact.open, 'the motor is inside')] : []),
          ...outFirst(making.works),
        ],
      }),
    );
  if (!isProgrammed(making)) return made;
  const joined = (task: string) => ends.of(task);
  const loads = !job.decoder && (driverOf(job) === null || ['pins', 'matrix'].includes(driverOf(job)!.kind));
  const says = job.decoder
    ? 'On the programming track: its address first, then the functions by the table of functions. A wrong mapping looks like wrong wiring.'
    : loads
      ? 'The program of this job, before its pins are joined to anything: a pin that is still an output of another program can be destroyed.'
      : 'By its leaflet: the address it answers to, written on its label.';
  made.push(
    act({
      id: 'program',
      does: job.decoder
        ? 'Give the decoder its address and its functions'
        : loads
          ? 'Load the program into the small computer'
          : 'Give the accessory decoder its address',
      says,
      tool: 'computer',
      position: loads ? 'bench' : 'inside',
      minutes: PROGRAM * count,
      tests: true,
      makes: [fact.programmed],
      asks: loads
        ? joined('connect driver').map((e) =>
            notYet(fact.joined(e.lead, e.part), 'the program says which pins are outputs'),
          )
        : ['connect decoder', 'socket']
            .flatMap(joined)
            .map((e) => after(fact.joined(e.lead, e.part), 'it is programmed over its leads')),
    }),
  );
  return made;
}
