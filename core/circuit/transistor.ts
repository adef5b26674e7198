import { THERMAL_VOLTS } from '../part/junction-model';
import { JUNCTION_SIEMENS, junctionCurrent } from './junction';
import type { TransistorModel } from '../part/transistor-model';
import type { Element, Resistor, Transistor } from './netlist';

const forward = new Float64Array(2);
const reverse = new Float64Array(2);

/**
 * Currents of an NPN transistor without its series resistances, from the voltages over its two
 * junctions. With If = IS (exp(Vbe/(NF Vt)) - 1) and Ir likewise over base and collector:
 * Ic = (If - Ir)/qb - Ir/BR, Ib = If/BF + Ir/BR, 1/qb = 2 (1 - Vbc/VAF - Vbe/VAR) / (1 + sqrt(1 + 4 (If/IKF + Ir/IKR))) (SPICE's form of Ebers and Moll's and of Gummel and Poon's model).
 * @param out receives [Ic, Ib, dIc/dVbe, dIc/dVbc, dIb/dVbe, dIb/dVbc], in amperes and siemens
 */
export function transistorCurrents(
  baseEmitterVolts: number,
  baseCollectorVolts: number,
  model: TransistorModel,
  out: Float64Array,
): void {
  const { saturationAmps: is, forwardGain, reverseGain, forwardEmission, reverseEmission } = model;
  junctionCurrent(baseEmitterVolts, is, forwardEmission * THERMAL_VOLTS, Infinity, forward);
  junctionCurrent(baseCollectorVolts, is, reverseEmission * THERMAL_VOLTS, Infinity, reverse);
  // What leaks across a junction is not amplified.
  const leakSlope = JUNCTION_SIEMENS;
  const leakForward = leakSlope * baseEmitterVolts;
  const leakReverse = leakSlope * baseCollectorVolts;
  const carriedForward = forward[0] - leakForward;
  const carriedReverse = reverse[0] - leakReverse;
  const slopeForward = forward[1] - leakSlope;
  const slopeReverse = reverse[1] - leakSlope;
  const {
    earlyVolts,
    reverseEarlyVolts = Infinity,
    forwardKneeAmps = Infinity,
    reverseKneeAmps = Infinity,
  } = model;
  const narrowing = 1 - baseCollectorVolts / earlyVolts - baseEmitterVolts / reverseEarlyVolts;
  const root = Math.sqrt(
    1 + 4 * Math.max(0, carriedForward / forwardKneeAmps + carriedReverse / reverseKneeAmps),
  );
  const share = 2 / (1 + root);
  // How the share of the charge falls as either current rises.
  const fall = (-share * share) / root;
  const transport = share * narrowing;
  const byForward = (fall * narrowing * slopeForward) / forwardKneeAmps - share / reverseEarlyVolts;
  const byReverse = (fall * narrowing * slopeReverse) / reverseKneeAmps - share / earlyVolts;
  const carried = carriedForward - carriedReverse;
  out[0] = carried * transport - carriedReverse / reverseGain - leakReverse;
  out[1] = carriedForward / forwardGain + carriedReverse / reverseGain + leakForward + leakReverse;
  out[2] = slopeForward * transport + carried * byForward;
  out[3] = -slopeReverse * transport + carried * byReverse - slopeReverse / reverseGain - leakSlope;
  out[4] = slopeForward / forwardGain + leakSlope;
  out[5] = slopeReverse / reverseGain + leakSlope;
}

/** Every transistor with its series resistances taken out of it as resistors of their own. Pure. */
export function withOuterResistances(elements: readonly Element[]): readonly Element[] {
  if (!elements.some((e) => e.kind === 'transistor')) return elements;
  return elements.flatMap((e): readonly Element[] => (e.kind === 'transistor' ? opened(e) : [e]));
}

function opened(e: Transistor): Element[] {
  const { baseOhms, collectorOhms, emitterOhms } = e.model;
  const resistors: Resistor[] = [];
  const inner = (node: string, ohms: number, pin: string): string => {
    if (ohms === 0) return node;
    const b = `${e.id}#${pin}`;
    resistors.push({ kind: 'resistor', id: b, a: node, b, ohms, of: e.of });
    return b;
  };
  const model = { ...e.model, baseOhms: 0, collectorOhms: 0, emitterOhms: 0 };
  const [a, b, c] = [
    inner(e.a, collectorOhms, 'collector'),
    inner(e.b, emitterOhms, 'emitter'),
    inner(e.c, baseOhms, 'base'),
  ];
  return [{ ...e, a, b, c, model }, ...resistors];
}
