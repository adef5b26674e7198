import { attemptPatches } from '../../document/gate';
import { change } from '../../document/patch';
import { gravestFirst } from '../gravest-first';
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

/** Judges a train, the gravest first; cures that leave a layout which cannot be saved are none. */
export function checkTrain(bench: TrainBench): Finding[] {
  const found = trainRules.flatMap((rule) =>
    rule.judge(bench).map(({ cures = [], subject = {}, ...judgement }): Finding => ({
      ...judgement,
      subject,
      rule: rule.id,
      remedies: cures.flat().flatMap(({ label, recipe }) => {
        const { layout, patches } = change(bench.layout, recipe);
        const name = typeof label === 'string' ? label : label(layout);
        return attemptPatches(bench.layout, patches).ok ? [{ label: name, patches }] : [];
      }),
    })),
  );
  return gravestFirst(found);
}
