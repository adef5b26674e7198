import { stores, type JunctionCharge } from '../../part/junction-charge';
import { THERMAL_VOLTS } from '../../part/junction-model';
import { criticalVolts, JUNCTION_SIEMENS, junctionCurrent, limitedVolts } from '../junction';
import { GROUND, type Capacitor, type Diode, type Element, type Transistor } from '../netlist';
import { currentProbe, type Probe } from '../probe';
import type { ChargeLaw } from '../charge-law';
import type { Plan } from '../plan';

/** A capacitance that is never undercut, so that a charge always hangs on its voltage. */
const LEAST_FARADS = 1e-18;

/** The junction that stores; sign 1 where its P side is the capacitor's first node, -1 where it is the other. */
interface Junction {
  readonly charge: JunctionCharge;
  readonly saturationAmps: number;
  readonly emission: number;
  readonly sign: 1 | -1;
}

/**
 * The charge of a junction against the voltage over it.
 * Depletion: CJ0 VJ / (1 - M) (1 - (1 - V/VJ)^(1 - M)) below FC VJ, a parabola above it; on the way: TT I(V).
 */
class JunctionChargeLaw implements ChargeLaw {
  private readonly carried = new Float64Array(2);
  private readonly slope: number;
  private readonly critical: number;

  constructor(private readonly junction: Junction) {
    this.slope = junction.emission * THERMAL_VOLTS;
    this.critical =
      junction.charge.transitSeconds > 0 ? criticalVolts(junction.saturationAmps, this.slope) : Infinity;
  }

  at(volts: number, out: Float64Array): void {
    const { charge, saturationAmps, sign } = this.junction;
    const { zeroBiasFarads, builtInVolts, grading, forwardShare, transitSeconds } = charge;
    const v = sign * volts;
    let coulombs = LEAST_FARADS * v;
    let farads = LEAST_FARADS;
    if (zeroBiasFarads > 0) {
      const knee = forwardShare * builtInVolts;
      const whole = (zeroBiasFarads * builtInVolts) / (1 - grading);
      if (v < knee) {
        const left = 1 - v / builtInVolts;
        farads += zeroBiasFarads * left ** -grading;
        coulombs += whole * (1 - left ** (1 - grading));
      } else {
        const steep = zeroBiasFarads * (1 - forwardShare) ** -(1 + grading);
        const level = 1 - forwardShare * (1 + grading);
        farads += steep * (level + (grading * v) / builtInVolts);
        coulombs +=
          whole * (1 - (1 - forwardShare) ** (1 - grading)) +
          steep * (level * (v - knee) + (grading / (2 * builtInVolts)) * (v * v - knee * knee));
      }
    }
    if (transitSeconds > 0) {
      junctionCurrent(v, saturationAmps, this.slope, Infinity, this.carried);
      coulombs += transitSeconds * (this.carried[0] - JUNCTION_SIEMENS * v);
      farads += transitSeconds * (this.carried[1] - JUNCTION_SIEMENS);
    }
    out[0] = sign * coulombs;
    out[1] = farads;
  }

  limited(wanted: number, before: number): number {
    const { sign } = this.junction;
    return sign * limitedVolts(sign * wanted, sign * before, this.slope, this.critical, Infinity);
  }
}

/** The element of the deck that an element taken out of it belongs to, by their names. */
export const ownerOf = (id: string): string => id.split('#')[0];

/** A netlist's elements, and beside each what carries current with it, with the signs it counts with. */
export interface OpenedUp {
  readonly elements: readonly Element[];
  readonly beside: ReadonlyMap<string, readonly (readonly [string, 1 | -1])[]>;
}

/**
 * What junctions store taken out of them as bent capacitors, what a transistor's junctions leak as diodes, with
 * the resistances outside them. Pure.
 */
export function openedUp(elements: readonly Element[]): OpenedUp {
  const beside = new Map<string, readonly (readonly [string, 1 | -1])[]>();
  const opened = elements.flatMap((e): readonly Element[] => {
    if (e.kind === 'diode' && stores(e.model.charge)) {
      beside.set(e.id, [[`${e.id}#charge`, 1]]);
      return openDiode(e, e.model.charge);
    }
    if (e.kind !== 'transistor') return [e];
    const charges = [...chargesOf(e), ...leaksOf(e)];
    if (charges.length === 0) return [e];
    const collector = inside(e, e.a, e.model.collectorOhms, 'collector');
    const atCollector = charges.filter(({ a, b }) => (a === collector) !== (b === collector));
    beside.set(
      e.id,
      atCollector.map(({ id, a }) => [id, a === collector ? 1 : -1]),
    );
    return openTransistor(e, charges);
  });
  return { elements: opened, beside };
}

/** Current into an element with what its charges carry, in amperes. @throws RangeError as `currentProbe` does */
export function wholeCurrentProbe(plan: Plan, id: string, beside: OpenedUp['beside']): Probe {
  const own = currentProbe(plan, id);
  const others = (beside.get(id) ?? []).map(([name, sign]) => ({ probe: currentProbe(plan, name), sign }));
  if (others.length === 0) return own;
  return (system, seconds) =>
    others.reduce((sum, { probe, sign }) => sum + sign * probe(system, seconds), own(system, seconds));
}

const bent = (id: string, a: string, b: string, junction: Junction): Capacitor => ({
  kind: 'capacitor',
  id,
  a,
  b,
  farads: Math.max(junction.charge.zeroBiasFarads, LEAST_FARADS),
  law: new JunctionChargeLaw(junction),
});

function openDiode(e: Diode, charge: JunctionCharge): Element[] {
  const { seriesOhms, saturationAmps, emission } = e.model;
  const a = seriesOhms > 0 ? `${e.id}#junction` : e.a;
  const opened: Element[] = [
    { ...e, a, model: { ...e.model, seriesOhms: 0, charge: undefined } },
    bent(`${e.id}#charge`, a, e.b, { charge, saturationAmps, emission, sign: 1 }),
  ];
  if (seriesOhms > 0) opened.push({ kind: 'resistor', id: `${e.id}#series`, a: e.a, b: a, ohms: seriesOhms });
  return opened;
}

/** The node behind a pin's own resistance. */
const inside = (e: Transistor, node: string, ohms: number, pin: string): string =>
  ohms === 0 ? node : `${e.id}#inner-${pin}`;

function chargesOf(e: Transistor): Capacitor[] {
  const { emitterCharge, collectorCharge, substrateFarads = 0, saturationAmps } = e.model;
  const sign = e.polarity === 'npn' ? 1 : -1;
  const base = inside(e, e.c, e.model.baseOhms, 'base');
  const collector = inside(e, e.a, e.model.collectorOhms, 'collector');
  const charges: Capacitor[] = [];
  if (stores(emitterCharge)) {
    const emitter = inside(e, e.b, e.model.emitterOhms, 'emitter');
    const law = { charge: emitterCharge, saturationAmps, emission: e.model.forwardEmission, sign } as const;
    charges.push(bent(`${e.id}#emitter-charge`, base, emitter, law));
  }
  if (stores(collectorCharge)) {
    const law = { charge: collectorCharge, saturationAmps, emission: e.model.reverseEmission, sign } as const;
    charges.push(bent(`${e.id}#collector-charge`, base, collector, law));
  }
  const substrate = e.substrate ?? GROUND;
  if (substrateFarads > 0 && substrate !== collector)
    charges.push({
      kind: 'capacitor',
      id: `${e.id}#substrate-charge`,
      a: collector,
      b: substrate,
      farads: substrateFarads,
    });
  return charges;
}

/** What leaks over a transistor's junctions without being amplified: ISE with NE, ISC with NC, as diodes. */
function leaksOf(e: Transistor): Diode[] {
  const { emitterLeakAmps = 0, collectorLeakAmps = 0, emitterOhms, collectorOhms } = e.model;
  const base = inside(e, e.c, e.model.baseOhms, 'base');
  const leak = (pin: string, node: string, saturationAmps: number, emission: number): Diode[] => {
    if (saturationAmps === 0) return [];
    const [a, b] = e.polarity === 'npn' ? [base, node] : [node, base];
    return [
      { kind: 'diode', id: `${e.id}#${pin}-leak`, a, b, model: { saturationAmps, emission, seriesOhms: 0 } },
    ];
  };
  const { emitterLeakEmission = EMITTER_LEAK_EMISSION, collectorLeakEmission = COLLECTOR_LEAK_EMISSION } =
    e.model;
  return [
    ...leak('emitter', inside(e, e.b, emitterOhms, 'emitter'), emitterLeakAmps, emitterLeakEmission),
    ...leak(
      'collector',
      inside(e, e.a, collectorOhms, 'collector'),
      collectorLeakAmps,
      collectorLeakEmission,
    ),
  ];
}

/** NE and NC where a model card says nothing (SPICE3 user's manual, from memory). */
const EMITTER_LEAK_EMISSION = 1.5;
const COLLECTOR_LEAK_EMISSION = 2;

function openTransistor(e: Transistor, beside: readonly Element[]): Element[] {
  const { baseOhms, collectorOhms, emitterOhms } = e.model;
  const pins = [
    ['collector', e.a, collectorOhms],
    ['emitter', e.b, emitterOhms],
    ['base', e.c, baseOhms],
  ] as const;
  const [a, b, c] = pins.map(([pin, node, ohms]) => inside(e, node, ohms, pin));
  const model = { ...e.model, baseOhms: 0, collectorOhms: 0, emitterOhms: 0 };
  const outer = pins
    .filter(([, , ohms]) => ohms > 0)
    .map(([pin, node, ohms]): Element => {
      const id = `${e.id}#outer-${pin}`;
      return { kind: 'resistor', id, a: node, b: inside(e, node, ohms, pin), ohms };
    });
  return [{ ...e, a, b, c, model }, ...outer, ...beside];
}
