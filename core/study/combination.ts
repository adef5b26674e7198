import { fitLed } from '../part/led';
import { THERMAL_VOLTS } from '../part/junction-model';
import { LIMITER_KNEE_VOLTS } from '../assembly/lamp-elements';
import { bulbs } from '../part/bulb';
import { lampType } from '../document/lamp-type';
import { stageBefore, supplyBeside } from '../document/line-stages';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import type { LampCore } from '../document/lamp-record';
import type { Layout } from '../document/layout';

/** Current at which a lamp is called lit here, in amperes. */
const LIT_AMPS = 1e-4;
/** What one junction of a rectifier takes at so little current. */
const SILICON_VOLTS = 0.45;
const SCHOTTKY_VOLTS = 0.15;

/**
 * Whether a supply can light what hangs on it at all, whatever the resistor: its highest everyday
 * voltage against what rectifier, regulator, limiter and the lamps of a string take before the
 * first glow.
 * @returns the reason with its figures, or null where the combination makes sense
 */
export function refusedCombination(layout: Layout, jobId: string): string | null {
  const job = layout.jobs[jobId];
  for (const [circuitId, circuit] of Object.entries(job.circuits)) {
    const members = Object.values<LampCore>(job.lamps).filter(
      (l) => l.circuitId === circuitId && !Object.hasOwn(bulbs, l.part),
    );
    if (members.length === 0) continue;
    const supply = layout.supplies[supplyBeside(job, circuit.lineId) ?? job.supplyId];
    const has = supplyKind(supply).highestVolts(supply);
    const bridge = stageBefore(job, circuitId, 'bridge');
    const rectifier = bridge ?? stageBefore(job, circuitId, 'diode');
    const regulator = stageBefore(job, circuitId, 'regulator');
    const junction = rectifier?.diode === 'schottky' ? SCHOTTKY_VOLTS : SILICON_VOLTS;
    const before = (bridge ? 2 : rectifier ? 1 : 0) * junction + (regulator?.dropoutVolts ?? 0);
    const takes = members.slice(0, circuit.inSeries).reduce((sum, l) => {
      const led = lampType(layout, l.part);
      const { saturationAmps, emission } = fitLed(led);
      return (
        sum +
        led.inSeries * emission * THERMAL_VOLTS * Math.log1p(LIT_AMPS / saturationAmps) +
        led.builtInOhms * LIT_AMPS
      );
    }, 0);
    const limiter =
      circuit.limit === 'limiter'
        ? LIMITER_KNEE_VOLTS * Math.atanh(Math.sqrt(Math.min(0.99, LIT_AMPS / circuit.limiterAmps)))
        : 0;
    const needs = before + takes + limiter;
    const most = regulator ? Math.min(has - before, regulator.outVolts) : has - before;
    if (most >= takes + limiter) continue;
    const { name } = supplyKind(supply);
    return regulator && regulator.outVolts < takes + limiter
      ? `The regulator gives ${formatQuantity(regulator.outVolts, 'volt')}; the lamps first glow at ${formatQuantity(takes + limiter, 'volt')}.`
      : `${name} gives ${formatQuantity(has, 'volt')} at most; rectifier and lamps take ${formatQuantity(needs, 'volt')} before anything glows.`;
  }
  return null;
}
