import { coachIn } from '../document/jobs';
import type { Job, Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { supplyKind } from '../supply';
import type { GroupRecord } from '../document/coach-record';
import type { WireColour, WireRole } from '../document/wire-legend';
import type { Assembly, Lead, Part, Terminal } from './assembly';

type Group = GroupRecord & { readonly id: string };

/** The parts and leads of a coach while they are laid out, from the supply towards the last lamp. */
class Laying {
  readonly parts: Part[] = [];
  readonly leads: Lead[] = [];
  plus: Terminal;
  minus: Terminal;
  plusRole: WireRole = 'right';
  minusRole: WireRole = 'left';

  constructor(
    readonly layout: Layout,
    readonly jobId: string,
    readonly job: Job,
  ) {
    this.plus = { part: 'rails', terminal: 'right' };
    this.minus = { part: 'rails', terminal: 'left' };
  }

  at(...rest: (string | number)[]): (string | number)[] {
    return ['jobs', this.jobId, ...rest];
  }

  wire(from: Terminal, to: Terminal, role: WireRole, colour: WireColour = this.job.legend[role]): void {
    this.leads.push({ id: `lead-${this.leads.length + 1}`, from, to, role, colour, jointOhms: 0 });
  }

  /** Puts a part with two ends into the plus line. */
  inPlus(part: Part, from: string, to: string): void {
    this.parts.push(part);
    this.wire(this.plus, t(part.id, from), this.plusRole);
    this.plus = t(part.id, to);
  }
}

const t = (part: string, terminal: string): Terminal => ({ part, terminal });

/**
 * From a coach as wanted to the parts and leads of it: supply, rectifier, charge resistor,
 * reservoir, regulator, then along the roof every group's limiter, resistors and lamps.
 * @throws RangeError when the layout has no such job
 */
export function assembleCoach(layout: Layout, jobId: string): Assembly {
  if (!Object.hasOwn(layout.jobs, jobId)) throw new RangeError(`there is no job ${jobId}`);
  const job = coachIn(layout, jobId);
  const laying = new Laying(layout, jobId, job);
  laySupply(laying);
  layRectifier(laying);
  layReservoir(laying);
  layRegulator(laying);
  const roof = { plus: laying.plus, minus: laying.minus };
  for (const group of [...inOrder(job.groups), null]) layGroup(laying, group);
  return { jobId, parts: laying.parts, leads: laying.leads, roof };
}

function laySupply(laying: Laying): void {
  const { parts, layout, job } = laying;
  const supply = layout.supplies[job.supplyId];
  parts.push({
    id: 'rails',
    kind: 'rails',
    label: supplyKind(supply).name,
    supplyId: job.supplyId,
    path: laying.at('supplyId'),
  });
  if (!supplyKind(supply).changesSides) {
    laying.plusRole = 'plus';
    laying.minusRole = 'minus';
  }
  if (supply.kind !== 'cell') return;
  laying.inPlus(
    { id: 'switch', kind: 'switch', label: 'Switch', on: true, path: laying.at('supplyId') },
    'one',
    'two',
  );
}

function layRectifier(laying: Laying): void {
  const { rectifier } = laying.job.conditioning;
  if (rectifier === 'none') return;
  const path = laying.at('conditioning', 'rectifier');
  const diode = rectifier.includes('schottky') ? 'schottky' : 'silicon';
  if (rectifier.startsWith('half-wave')) {
    laying.inPlus(
      { id: 'rectifier', kind: 'diode', label: 'Diode', diode, role: 'rectifier', path },
      'anode',
      'cathode',
    );
    laying.plusRole = 'plus';
    laying.minusRole = 'minus';
    return;
  }
  laying.parts.push({
    id: 'bridge',
    kind: 'bridge',
    label: 'Bridge',
    diode,
    loose: rectifier.endsWith('diodes'),
    path,
  });
  laying.wire(laying.plus, t('bridge', 'right'), laying.plusRole);
  laying.wire(laying.minus, t('bridge', 'left'), laying.minusRole);
  laying.plus = t('bridge', 'plus');
  laying.minus = t('bridge', 'minus');
  laying.plusRole = 'plus';
  laying.minusRole = 'minus';
}

function layReservoir(laying: Laying): void {
  const { chargeResistor, reservoir, chargeDiode } = laying.job.conditioning;
  const beside = chargeDiode && chargeResistor !== null && reservoir !== null;
  if (chargeResistor) {
    const line = laying.plus;
    laying.inPlus(
      {
        id: 'charge',
        kind: 'resistor',
        label: 'Charge resistor',
        role: 'charge',
        ohms: chargeResistor.ohms,
        ratedWatts: chargeResistor.ratedWatts,
        path: laying.at('conditioning', 'chargeResistor'),
      },
      'one',
      'two',
    );
    if (beside) laying.plus = line;
  }
  if (!reservoir) return;
  laying.parts.push({
    id: 'reservoir',
    kind: 'electrolytic',
    label: 'Reservoir',
    farads: reservoir.farads,
    ratedVolts: reservoir.ratedVolts,
    path: laying.at('conditioning', 'reservoir'),
  });
  const plus = t('reservoir', 'plus');
  laying.wire(beside ? t('charge', 'two') : laying.plus, plus, laying.plusRole);
  laying.wire(laying.minus, t('reservoir', 'minus'), laying.minusRole);
  laying.minus = t('reservoir', 'minus');
  if (!beside) {
    laying.plus = plus;
    return;
  }
  laying.parts.push({
    id: 'charge-diode',
    kind: 'diode',
    label: 'Discharge diode',
    diode: 'silicon',
    role: 'charge',
    path: laying.at('conditioning', 'chargeDiode'),
  });
  laying.wire(plus, t('charge-diode', 'anode'), laying.plusRole);
  laying.wire(laying.plus, t('charge-diode', 'cathode'), laying.plusRole);
  laying.plus = t('charge-diode', 'cathode');
}

function layRegulator(laying: Laying): void {
  const { regulator } = laying.job.conditioning;
  if (!regulator) return;
  const { outVolts, dropoutVolts, quiescentAmps } = regulator;
  laying.inPlus(
    {
      id: 'regulator',
      kind: 'regulator',
      label: 'Regulator',
      outVolts,
      dropoutVolts,
      quiescentAmps,
      path: laying.at('conditioning', 'regulator'),
    },
    'in',
    'out',
  );
  laying.wire(laying.minus, t('regulator', 'common'), laying.minusRole);
  laying.minus = t('regulator', 'common');
}

/** A group's lamps, in strings where they are in series; null for those whose lead goes nowhere. */
function layGroup(laying: Laying, group: Group | null): void {
  const { job } = laying;
  const lamps = inOrder(job.lamps);
  const members = lamps.filter((l) => l.groupId === (group?.id ?? null));
  if (members.length === 0) return;
  let feed = laying.plus;
  // Behind a switch, a limiter or a shared resistor the lamps have a line of their own.
  let ownLine = false;
  if (group?.switch) {
    const id = `switch-${group.id}`;
    const path = laying.at('groups', group.id, 'switch');
    laying.parts.push({ id, kind: 'switch', label: 'Switch of these lamps', on: group.switch.on, path });
    laying.wire(feed, t(id, 'one'), laying.plusRole);
    laying.plus = t(id, 'one');
    feed = t(id, 'two');
    ownLine = true;
  }
  const resistor = (id: string, label: string, role: 'each' | 'shared'): void => {
    laying.parts.push({
      id,
      kind: 'resistor',
      label,
      role,
      ohms: group!.ohms,
      ratedWatts: group!.ratedWatts,
      path: laying.at('groups', group!.id),
    });
    laying.wire(feed, t(id, 'one'), laying.plusRole);
  };
  if (group?.drive === 'resistor-shared') {
    const id = `shared-resistor-${group.id}`;
    resistor(id, 'Shared resistor', 'shared');
    if (!ownLine) laying.plus = t(id, 'one');
    feed = t(id, 'two');
    ownLine = true;
  } else if (group?.drive === 'limiter') {
    const id = `limiter-${group.id}`;
    laying.parts.push({
      id,
      kind: 'limiter',
      label: 'Limiter',
      amps: group.limiterAmps,
      path: laying.at('groups', group.id),
    });
    laying.wire(feed, t(id, 'in'), laying.plusRole);
    if (!ownLine) laying.plus = t(id, 'in');
    feed = t(id, 'out');
    ownLine = true;
  }
  const length = group?.inSeries ?? 1;
  members.forEach((lamp, i) => {
    const number = lamps.indexOf(lamp) + 1;
    const id = `lamp-${lamp.id}`;
    const first = i % length === 0;
    const last = i % length === length - 1 || i === members.length - 1;
    let head: Terminal | null = group ? feed : null;
    if (!first) head = t(`lamp-${members[i - 1].id}`, 'cathode');
    else if (group?.drive === 'resistor-each') {
      const own = `resistor-${lamp.id}`;
      resistor(own, `Resistor ${number}`, 'each');
      feed = t(own, 'one');
      if (!ownLine) laying.plus = feed;
      head = t(own, 'two');
    }
    const type = lampType(laying.layout, lamp.part);
    laying.parts.push({
      id,
      kind: 'lamp',
      label: type.form === 'strip' ? `Strip unit ${number}` : `Lamp ${number}`,
      led: type,
      builtIn: group?.builtIn ?? { kind: 'nothing' },
      placeMillimetres: lamp.placeMillimetres,
      number,
      lampId: lamp.id,
      groupId: lamp.groupId,
      path: laying.at('lamps', lamp.id),
    });
    const straight = group !== null && first && !ownLine && group.drive === 'none';
    const colour = type.form === 'fairy' ? 'lacquered' : undefined;
    if (head) laying.wire(head, t(id, 'anode'), straight ? laying.plusRole : 'lamp', colour);
    if (first && group && group.drive !== 'resistor-each') {
      feed = t(id, 'anode');
      if (!ownLine) laying.plus = feed;
    }
    if (!last && group) return;
    laying.wire(laying.minus, t(id, 'cathode'), laying.minusRole, colour);
    laying.minus = t(id, 'cathode');
  });
}
