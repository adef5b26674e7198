import type { ChartScale } from './line-chart';

/** Brass that stands out on paper. */
export const LIGHT_ON_PAPER = '#8a5f12';

/** Light in percent of full. */
export const lightScale: ChartScale = {
  domain: [0, 100],
  ticks: [0, 25, 50, 75, 100],
  says: (v) => `${v} %`,
  colour: LIGHT_ON_PAPER,
};
