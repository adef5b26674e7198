import { motorOf } from '../../document/moving-record';
import { formatQuantity } from '../../quantity/format';
import { supplyKind, type Supply } from '../../supply';
import { draftOf } from './moving';
import { rule, type Cure } from '../finding';

/** A small motor a tenth over its volts runs that much faster; at half as much again it is too hot to touch (common practice, no source). */
const MIND_SHARE = 1.1;
const STOP_SHARE = 1.5;
/** Volts that small motors are sold for (common practice, no source). */
const SOLD_VOLTS = [1.5, 3, 6, 9, 12, 18, 24];

/** What a motor gets that it is not made for: too many volts, or the signal of a track; null where it is well fed. */
export function motorStrain(
  job: object,
  supply: Supply,
): { readonly volts: number; readonly alternates: boolean } | null {
  const motor = motorOf(job);
  if (!motor) return null;
  // Of an alternating supply a motor feels the RMS it is rated for, not the crest nor a pulse; one for alternating current may be meant.
  const volts = supply.kind === 'ac-track' ? supply.rmsVolts : supplyKind(supply).highestVolts(supply);
  const alternates = supply.kind === 'dcc-track';
  return alternates || volts > MIND_SHARE * motor.volts ? { volts, alternates } : null;
}

/** A motor on more volts than it is made for, or on a track with signals. */
export const motorVolts = rule({
  id: 'motor-volts',
  needs: [],
  about: ({ job }) => motorOf(job) !== null,
  judge({ job, jobId, supply }) {
    const motor = motorOf(job)!;
    const kind = supplyKind(supply);
    const strain = motorStrain(job, supply);
    if (!strain) return [];
    const { volts, alternates } = strain;
    const sold = SOLD_VOLTS.find((v) => volts <= MIND_SHARE * v);
    const cures: Cure[] = [
      ...(!alternates && sold !== undefined
        ? [
            {
              label: `A motor made for ${formatQuantity(sold, 'volt')}`,
              recipe: (draft: Parameters<Cure['recipe']>[0]) =>
                void (draftOf(draft, jobId).motor!.volts = sold),
            },
          ]
        : []),
      {
        label: 'A supply of its own for the motor',
        recipe: (draft) => void (draftOf(draft, jobId).motor = null),
      },
    ];
    return [
      {
        id: 'motor-volts',
        severity: alternates || volts > STOP_SHARE * motor.volts ? ('stop' as const) : ('mind' as const),
        title: alternates
          ? `${motor.name}: straight on a DCC track`
          : `${motor.name}: more volts than it is made for`,
        sentence: alternates
          ? `${motor.name} is made for ${formatQuantity(motor.volts, 'volt')} and gets ${formatQuantity(volts, 'volt')} that change sides some 8,000 times a second.`
          : `${motor.name} is made for ${formatQuantity(motor.volts, 'volt')} and gets ${formatQuantity(volts, 'volt')}${kind.highestWords(supply)}.`,
        reason: alternates
          ? 'On the signal of a DCC track a motor without a decoder sings, does not turn and burns out.'
          : 'It runs faster with the volts and hotter with their square; brushes and gearing wear out in weeks.',
        paths: [['jobs', jobId, 'motor', 'volts']],
        terminals: [{ part: 'motor', terminal: 'one' }],
        figures: [{ is: volts, limit: motor.volts, unit: 'volt' as const }],
        cures,
      },
    ];
  },
});
