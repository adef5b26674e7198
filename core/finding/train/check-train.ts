import { gravestFirst } from '../gravest-first';
import { soundRemedies } from '../sound-remedies';
import { oneSupply } from './one-supply';
import { tailLamps } from './tail-lamps';
import { trainInrushRule } from './train-inrush';
import { trainLooks } from './train-looks';
import { trainOverload } from './train-overload';
import type { Finding } from '../finding';
import type { TrainBench, TrainRule } from './train-rule';

/** Every rule about trains. A new one is a file beside these, and a line here. */
export const trainRules: readonly TrainRule[] = [
  trainOverload,
  trainInrushRule,
  oneSupply,
  trainLooks,
  tailLamps,
];

/** Judges a train, the gravest first. */
export function checkTrain(bench: TrainBench): Finding[] {
  const found = trainRules.flatMap((r) => r.judge(bench));
  return gravestFirst(soundRemedies(bench.layout, found));
}
