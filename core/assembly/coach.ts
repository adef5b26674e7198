import { inOrder, type Layout } from '../document/layout';
import type { Assembly, Lead, Part, Terminal, WireColour } from './assembly';

/**
 * From a coach as wanted to the parts and leads of it: rails, rectifier, charge resistor,
 * reservoir, then along the roof every group's resistors and lamps, one after another.
 * @throws RangeError when the layout has no such job
 */
export function assembleCoach(layout: Layout, jobId: string): Assembly {
  if (!Object.hasOwn(layout.jobs, jobId)) throw new RangeError(`there is no job ${jobId}`);
  const job = layout.jobs[jobId];
  const at = (...rest: (string | number)[]): (string | number)[] => ['jobs', jobId, ...rest];
  const parts: Part[] = [];
  const leads: Lead[] = [];
  const t = (part: string, terminal: string): Terminal => ({ part, terminal });
  const wire = (from: Terminal, to: Terminal, colour: WireColour): void => {
    leads.push({ id: `lead-${leads.length + 1}`, from, to, colour, jointOhms: 0 });
  };

  parts.push({ id: 'rails', kind: 'rails', label: 'Track', supplyId: job.supplyId, path: at('supplyId') });
  let plus = t('rails', 'right');
  let minus = t('rails', 'left');
  let plusColour: WireColour = 'red';
  let minusColour: WireColour = 'black';

  const { rectifier, chargeResistor, reservoir } = job.conditioning;
  if (rectifier !== 'none') {
    const diode = rectifier === 'silicon-bridge' ? 'silicon' : 'schottky';
    parts.push({
      id: 'bridge',
      kind: 'bridge',
      label: 'Bridge',
      diode,
      path: at('conditioning', 'rectifier'),
    });
    wire(plus, t('bridge', 'right'), 'red');
    wire(minus, t('bridge', 'left'), 'black');
    plus = t('bridge', 'plus');
    minus = t('bridge', 'minus');
    plusColour = 'blue';
    minusColour = 'brown';
  }
  if (chargeResistor) {
    parts.push({
      id: 'charge',
      kind: 'resistor',
      label: 'Charge resistor',
      role: 'charge',
      ohms: chargeResistor.ohms,
      ratedWatts: chargeResistor.ratedWatts,
      path: at('conditioning', 'chargeResistor'),
    });
    wire(plus, t('charge', 'one'), plusColour);
    plus = t('charge', 'two');
  }
  if (reservoir) {
    parts.push({
      id: 'reservoir',
      kind: 'electrolytic',
      label: 'Reservoir',
      farads: reservoir.farads,
      ratedVolts: reservoir.ratedVolts,
      path: at('conditioning', 'reservoir'),
    });
    wire(plus, t('reservoir', 'plus'), plusColour);
    wire(minus, t('reservoir', 'minus'), minusColour);
    plus = t('reservoir', 'plus');
    minus = t('reservoir', 'minus');
  }

  const lamps = inOrder(job.lamps);
  const groups = inOrder(job.groups);
  for (const groupId of [...groups.map((g) => g.id), null]) {
    const group = groupId === null ? null : job.groups[groupId];
    const members = lamps.filter((l) => l.groupId === groupId);
    if (members.length === 0) continue;
    let feed = plus;
    const resistor = (id: string, label: string, role: 'each' | 'shared'): void => {
      parts.push({
        id,
        kind: 'resistor',
        label,
        role,
        ohms: group!.ohms,
        ratedWatts: group!.ratedWatts,
        path: at('groups', groupId!),
      });
      wire(feed, t(id, 'one'), plusColour);
    };
    if (group?.drive === 'resistor-shared') {
      const id = `resistor-${groupId}`;
      resistor(id, 'Shared resistor', 'shared');
      plus = t(id, 'one');
      feed = t(id, 'two');
    }
    for (const lamp of members) {
      const number = lamps.indexOf(lamp) + 1;
      const id = `lamp-${lamp.id}`;
      if (group?.drive === 'resistor-each') {
        const own = `resistor-${lamp.id}`;
        resistor(own, `Resistor ${number}`, 'each');
        feed = t(own, 'one');
        plus = feed;
      }
      parts.push({
        id,
        kind: 'lamp',
        label: `Lamp ${number}`,
        led: lamp.part,
        placeMillimetres: lamp.placeMillimetres,
        number,
        lampId: lamp.id,
        groupId: lamp.groupId,
        path: at('lamps', lamp.id),
      });
      if (group?.drive === 'resistor-each') wire(t(`resistor-${lamp.id}`, 'two'), t(id, 'anode'), 'white');
      else if (group) {
        wire(feed, t(id, 'anode'), group.drive === 'none' ? plusColour : 'white');
        if (group.drive === 'none') plus = t(id, 'anode');
        feed = t(id, 'anode');
      }
      wire(minus, t(id, 'cathode'), minusColour);
      minus = t(id, 'cathode');
    }
  }
  return { jobId, parts, leads };
}
