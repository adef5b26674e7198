import { isMoving, type StringRecord } from '../document/moving-record';
import { addressableStrings } from '../part/addressable';
import { formatQuantity, inSentence, shortOhms } from '../quantity/format';
import type { AnyJob } from '../document/layout';
import type { SoldNeed } from '../part/sold-need';

/** What goes along with a string, and typical prices (common practice, no source). */
const PRICES = { lamp: 0.12, resistor: 0.05, reservoir: 0.4, shifter: 1.5, supplyAmp: 3, supply: 6 } as const;
const RESISTOR_WATTS = 0.25;

/** The string of a job; null where it has none. */
export const stringOf = (job: AnyJob): StringRecord | null => (isMoving(job) ? job.string : null);

/** What a string takes besides its wires: by the key of its sort, with a typical price of one. */
export function stringNeeds(string: StringRecord): SoldNeed[] {
  const { sort, count, dataOhms, farads, shifter, supplyVolts, supplyAmps } = string;
  const need = (key: string, name: string, priceEach: number, many = 1) => ({
    key,
    name,
    count: many,
    priceEach,
  });
  const volts = formatQuantity(supplyVolts, 'volt');
  return [
    need(
      `string:${sort}`,
      `Lamps of a string: ${inSentence(addressableStrings[sort].name)}`,
      PRICES.lamp,
      count,
    ),
    need(
      `string-supply:${supplyVolts}:${supplyAmps}`,
      `Supply ${volts} ${formatQuantity(supplyAmps, 'amp')}`,
      PRICES.supply + PRICES.supplyAmp * supplyAmps,
    ),
    ...(dataOhms > 0
      ? [
          need(
            `resistor:${dataOhms}:${RESISTOR_WATTS}`,
            `Resistor ${shortOhms(dataOhms)} 1/4 W`,
            PRICES.resistor,
          ),
        ]
      : []),
    ...(farads > 0
      ? [
          need(
            `reservoir:${farads}:${reservoirVolts(supplyVolts)}`,
            `Reservoir ${formatQuantity(farads, 'farad')} ${formatQuantity(reservoirVolts(supplyVolts), 'volt')}`,
            PRICES.reservoir,
          ),
        ]
      : []),
    ...(shifter ? [need('level-shifter', 'Level shifter', PRICES.shifter)] : []),
  ];
}

/** A reservoir across a string is rated for twice its volts, in steps as sold. */
const reservoirVolts = (volts: number): number => [10, 16, 25, 35, 63].find((v) => v >= 1.5 * volts) ?? 100;
