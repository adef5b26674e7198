import type { JunctionModel } from './junction-model';

/** A diode as used in a bridge. */
export interface RectifierPart {
  readonly id: string;
  readonly name: string;
  readonly model: JunctionModel;
}

/**
 * Generic 1 A rectifiers. The silicon one drops about 0.7 V at 30 mA, so a bridge costs the 1.3 to
 * 1.4 V that is read on the bench (common practice, no source); the Schottky one about half.
 */
export const rectifiers: Readonly<Record<'silicon' | 'schottky', RectifierPart>> = {
  silicon: {
    id: 'silicon',
    name: 'Silicon',
    model: {
      saturationAmps: 5e-9,
      emission: 1.75,
      seriesOhms: 0.05,
      breakdownVolts: 100,
      breakdownAmps: 5e-6,
    },
  },
  schottky: {
    id: 'schottky',
    name: 'Schottky',
    model: {
      saturationAmps: 1e-6,
      emission: 1.08,
      seriesOhms: 0.05,
      breakdownVolts: 40,
      breakdownAmps: 1e-4,
    },
  },
};
