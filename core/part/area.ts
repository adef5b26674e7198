import { timesCharge } from './junction-charge';
import type { JunctionModel } from './junction-model';
import type { TransistorModel } from './transistor-model';

/** Current at the breakdown voltage where a model says nothing, as `JunctionModel` has it. */
const USUAL_BREAKDOWN_AMPS = 1e-3;

/** A diode of so many times the area (SPICE's): as so many side by side. Pure. */
export function timesDiode(model: JunctionModel, count: number): JunctionModel {
  if (count === 1) return model;
  return {
    ...model,
    saturationAmps: model.saturationAmps * count,
    seriesOhms: model.seriesOhms / count,
    ...(model.charge === undefined ? {} : { charge: timesCharge(model.charge, count) }),
    ...(model.breakdownVolts === undefined
      ? {}
      : { breakdownAmps: (model.breakdownAmps ?? USUAL_BREAKDOWN_AMPS) * count }),
  };
}

/** A transistor of so many times the area (SPICE's): as so many side by side. Pure. */
export function timesTransistor(model: TransistorModel, count: number): TransistorModel {
  if (count === 1) return model;
  const scaled: { -readonly [K in keyof TransistorModel]: TransistorModel[K] } = { ...model };
  for (const amps of byArea) {
    const figure = model[amps];
    if (figure !== undefined) scaled[amps] = figure * count;
  }
  for (const ohms of ['baseOhms', 'collectorOhms', 'emitterOhms'] as const)
    scaled[ohms] = model[ohms] / count;
  for (const charge of ['emitterCharge', 'collectorCharge'] as const) {
    const one = model[charge];
    if (one !== undefined) scaled[charge] = timesCharge(one, count);
  }
  return scaled;
}
const byArea = [
  ...(['saturationAmps', 'forwardKneeAmps', 'reverseKneeAmps'] as const),
  ...(['emitterLeakAmps', 'collectorLeakAmps', 'substrateFarads'] as const),
];
