import { vehicleOf } from '../../study/locomotive/vehicle';
import { gravestFirst } from '../gravest-first';
import { dcOnDcc } from './dc-on-dcc';
import { decoderOverload } from './decoder-overload';
import { endDark } from './end-dark';
import { faint } from './faint';
import { firstShow } from './first-show';
import { fitClash } from './fit-clash';
import { headAndTailExchanged } from './head-and-tail-exchanged';
import { vehicleLampCurrent } from './lamp-current';
import { logicLevel } from './logic-level';
import { looseLamp } from './loose-lamp';
import { neverLit } from './never-lit';
import { noAnswer } from './no-answer';
import { noTail } from './no-tail';
import { notInMapping } from './not-in-mapping';
import { outputOverload } from './output-overload';
import { vehicleResistorHeat } from './resistor-heat';
import { vehicleReverseVoltage } from './reverse-voltage';
import { soundRemedies } from '../sound-remedies';
import { unevenRole } from './uneven-role';
import { vehicleStudy, type VehicleRule } from './vehicle-rule';
import { whiteAndRed } from './white-and-red';
import type { Layout } from '../../document/layout';
import type { Finding } from '../finding';

/** Every rule about locomotives. A new one is a file beside these, and a line here. */
export const vehicleRules: readonly VehicleRule[] = [
  noAnswer,
  dcOnDcc,
  vehicleLampCurrent,
  outputOverload,
  decoderOverload,
  logicLevel,
  vehicleResistorHeat,
  headAndTailExchanged,
  whiteAndRed,
  endDark,
  noTail,
  neverLit,
  faint,
  vehicleReverseVoltage,
  unevenRole,
  looseLamp,
  firstShow,
  notInMapping,
  fitClash,
];

/**
 * Lays a locomotive out, solves its states and judges them.
 * @param onSupply the track it is set on; its own when left out
 * @throws CircuitError when it cannot be solved
 */
export function checkVehicle(layout: Layout, jobId: string, onSupply?: string): Finding[] {
  const study = vehicleStudy(vehicleOf(layout, jobId, onSupply));
  const found = saidOnce(vehicleRules.flatMap((r) => r.judge(study)));
  return gravestFirst(soundRemedies(layout, found));
}

/** What one cause explains is said once: an end that is wired backwards need not be told that it lacks tail lamps. */
function saidOnce(findings: readonly Finding[]): Finding[] {
  const backwards = findings.filter((f) => f.rule === 'head-and-tail-exchanged').map((f) => f.id.slice(-1));
  const onDcc = findings.some((f) => f.rule === 'dc-on-dcc');
  return findings.filter((f) => {
    if (['no-tail', 'never-lit', 'end-dark'].includes(f.rule)) return !backwards.includes(f.id.slice(-1));
    return !(onDcc && ['white-and-red', 'head-and-tail-exchanged', 'never-lit'].includes(f.rule));
  });
}
