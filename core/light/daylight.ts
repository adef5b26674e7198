/** Light that is wanted above a layout, in words with figures behind them. */
export interface WantedDaylight {
  readonly id: string;
  readonly name: string;
  /** On the scenery, in lux. */
  readonly lux: number;
  readonly leastKelvin: number;
  readonly mostKelvin: number;
}

/** 4000 to 5000 K is what most take for daylight indoors (common practice, no source). */
export const wantedDaylights: readonly WantedDaylight[] = [
  { id: 'overcast-noon', name: 'Overcast noon', lux: 1000, leastKelvin: 4000, mostKelvin: 5000 },
  { id: 'bright-noon', name: 'Bright noon', lux: 1600, leastKelvin: 4500, mostKelvin: 5500 },
  { id: 'soft-day', name: 'Soft day', lux: 650, leastKelvin: 4000, mostKelvin: 5000 },
  { id: 'late-sun', name: 'Late sun', lux: 500, leastKelvin: 2900, mostKelvin: 3700 },
  { id: 'evening', name: 'Evening', lux: 150, leastKelvin: 2500, mostKelvin: 3200 },
];
