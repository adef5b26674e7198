import { shines, type Part } from '../../assembly/assembly';
import { benchOf } from '../../study/bench';
import { priceOf } from '../../study/bill';
import type { Layout } from '../../document/layout';

/** The same built of other goods: what both cost, and the joints that fall away. */
export interface Instead {
  readonly what: string;
  readonly price: number;
  readonly insteadPrice: number;
  readonly fewerJoints: number;
  readonly costs: string;
}

/** Typical prices, in the layout's currency (common practice, no source). */
const READY_WIRED = 0.9;
const BOARD = 4.5;

/**
 * Ready-wired lamps against bare ones, and a board that is bought against loose parts, for some jobs.
 * @throws RangeError when the layout has no such job
 */
export function insteadOf(layout: Layout, jobIds: readonly string[]): Instead[] {
  let bare = { lamps: 0, price: 0 };
  let loose = { boards: 0, parts: 0, price: 0 };
  for (const jobId of jobIds) {
    const { assembly, supply, job } = benchOf(layout, jobId);
    const times = job.progress.count;
    const sum = (parts: readonly Part[]): number =>
      times * parts.reduce((total, p) => total + priceOf(p, layout, supply), 0);
    const lamps = assembly.parts.filter((p) => shines(p) && p.kind === 'lamp' && p.led.form === 'led');
    const eachOwn = assembly.parts.filter((p) => p.kind === 'resistor' && p.lamp !== null);
    bare = { lamps: bare.lamps + times * lamps.length, price: bare.price + sum(lamps) + sum(eachOwn) };
    const stages = assembly.parts.filter(
      (p) =>
        p.circuit === null &&
        ['bridge', 'diode', 'resistor', 'electrolytic', 'regulator', 'limiter'].includes(p.kind),
    );
    if (stages.length > 1)
      loose = {
        boards: loose.boards + times,
        parts: loose.parts + times * stages.length,
        price: loose.price + sum(stages),
      };
  }
  const rows: Instead[] = [];
  if (bare.lamps > 0)
    rows.push({
      what: `${bare.lamps} lamps ready-wired, with their resistors`,
      price: bare.price,
      insteadPrice: bare.lamps * READY_WIRED,
      fewerJoints: 4 * bare.lamps,
      costs:
        'One takes the brightness they are sold with, and what hides in them is unknown until it is read.',
    });
  if (loose.boards > 0)
    rows.push({
      what: loose.boards === 1 ? 'A board that is bought' : `${loose.boards} boards that are bought`,
      price: loose.price,
      insteadPrice: loose.boards * BOARD,
      fewerJoints: 2 * loose.parts,
      costs: 'It is as wide as it is, and its reservoir is what it is.',
    });
  return rows;
}
