import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { networkDeck } from '../../core/feed/deck';
import { feedReading } from '../../core/feed/reading';
import { generatedNetwork } from '../networks';
import { boatTrain } from '../generated';
import { referenceVector, runReference } from './simulator';
import type { Layout } from '../../core/document/layout';

/** The greatest difference between ours and the reference, of volts as a share of the supply, and of what the supplies give. */
async function compared(layout: Layout): Promise<{ readonly volts: number; readonly amps: number }> {
  const reading = feedReading(layout);
  const { deck, nodes } = networkDeck(layout);
  const result = await runReference(deck);
  const at = (node: string): number => (node === '0' ? 0 : referenceVector(result, `v(${node})`)[0]);
  const greatest = Math.max(...reading.network.islands.flatMap((i) => i.sources.map((s) => s.volts)));
  let volts = 0;
  for (const [id, { volts: own, outVolts }] of reading.places) {
    const [plus, minus] = nodes.get(id)!;
    volts = Math.max(volts, Math.abs(own - (at(plus) - at(minus))) / greatest);
    const out = nodes.get(`${id} output`);
    if (out) volts = Math.max(volts, Math.abs(outVolts! - (at(out[0]) - at(out[1]))) / greatest);
  }
  let amps = 0;
  for (const [source, own] of reading.solution.sourceAmps) {
    const kind = source.supplyId === null ? 'converter' : 'supply';
    const name = source.node.replace(/[^a-zA-Z0-9]/g, '_').toLowerCase();
    const theirs = -referenceVector(result, `i(v_${kind}_${name})`)[0];
    if (Math.abs(theirs) > 1e-4) amps = Math.max(amps, Math.abs(own / theirs - 1));
  }
  return { volts, amps };
}

describe('the network against the reference simulator', () => {
  const all = fc.sample(generatedNetwork, { numRuns: 30, seed: 15 });
  test.each(all.map((layout, k) => [k + 1, layout] as const))(
    'network %i: volts everywhere and what each source gives within 0.5 %%',
    async (_, layout) => {
      const { volts, amps } = await compared(layout);
      expect(volts).toBeLessThan(0.005);
      expect(amps).toBeLessThan(0.005);
    },
  );
  test('the network of the demo runs there as it is written', async () => {
    const { volts, amps } = await compared(boatTrain());
    expect(volts).toBeLessThan(0.005);
    expect(amps).toBeLessThan(0.005);
  });
});
