import { formatQuantity } from '../../quantity/format';
import { seatOf } from '../../study/wired/spots';
import type { Assembly } from '../../assembly/assembly';
import type { JobCore } from '../../document/job-record';
import type { BodyWork } from './order-facts';

/** Minutes for a slot and two screw holes (common practice, no source). */
const SLOT = 6;

/** The opening that a switch is reached through, where a job has one of its own: it is nowhere but where it is made. */
export function switchWorks({ parts }: Assembly, { seats }: Pick<JobCore, 'seats'>): BodyWork[] {
  return parts.flatMap((part): BodyWork[] => {
    if (part.kind !== 'switch' || part.board !== null) return [];
    const seat = seats?.[seatOf(part)];
    const where = seat
      ? `${formatQuantity(seat.alongMillimetres, 'millimetre', { significant: 3 })} from the left end, ${formatQuantity(seat.heightMillimetres, 'millimetre', { significant: 3 })} up`
      : 'where a finger reaches it with everything closed';
    return [
      {
        id: `opening ${part.id}`,
        does: 'File the slot for the switch',
        says: `As long as its knob travels, and a hole beside it for each screw: ${where}.`,
        tool: 'file',
        lamps: [],
        before: 'threading',
        minutes: SLOT,
        dryMinutes: 0,
        undone: 'cannot',
      },
    ];
  });
}
