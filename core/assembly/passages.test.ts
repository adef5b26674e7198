import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../tests/display-models';
import { boatTrain } from '../../tests/generated';
import { onRails, vehicleId } from '../../tests/vehicles';
import { anyJobIn } from '../document/jobs';
import { change } from '../document/patch';
import { usualPassage } from '../document/passage-record';
import { assemble } from './assemble';
import { resistorDiameter } from './passages';
import { passingOf, wireOfLead } from './passing';
import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../document/layout';

const withJob = (layout: Layout, jobId: string, recipe: (job: Draft<AnyJob>) => void): Layout =>
  change(layout, (draft) => recipe(anyJobIn(draft, jobId))).layout;
const through = (layout: Layout, jobId: string, passage: string): string[] =>
  assemble(layout, jobId)
    .leads.filter((l) => l.through.includes(passage))
    .map((l) => l.id);

describe('what a lead goes through', () => {
  test('both leads of every lamp of an end go through its bore, and no other end’s', () => {
    const layout = onRails('shared-both-ways');
    const { parts, leads } = assemble(layout, vehicleId);
    for (const end of ['A', 'B']) {
      const lamps = parts.filter((p) => p.kind === 'lamp' && p.place === end);
      expect(through(layout, vehicleId, `end-${end}`)).toHaveLength(2 * lamps.length);
      for (const lead of leads.filter((l) => l.through.includes(`end-${end}`)))
        expect(lamps.map((l) => l.id)).toContain(
          [lead.from.part, lead.to.part].find((id) => id.startsWith('lamp-')),
        );
    }
  });
  test('from lamp to lamp in one place it goes through nothing; the feed through the floor', () => {
    const { leads } = assemble(boatTrain(), 'compartment-coach');
    const fed = leads.filter((l) => l.from.part === 'rails' || l.to.part === 'rails');
    expect(fed.map((l) => l.through)).toEqual([['floor'], ['floor']]);
    expect(leads.filter((l) => !fed.includes(l)).every((l) => l.through.length === 0)).toBe(true);
  });
  test('two ways one after another are both gone through, in their order', () => {
    const layout = withJob(tug(100), displayId, (j) => {
      j.passages.floor = usualPassage(2, 'Floor of the stand', 'hole', 'all', 3);
    });
    const threaded = assemble(layout, displayId).leads.filter((l) => l.through.length > 0);
    expect(threaded.length).toBeGreaterThan(0);
    for (const lead of threaded) expect(lead.through).toEqual(['tube', 'floor']);
  });
});

describe('where a lamp’s own resistor sits', () => {
  const placeAt = (bore: number): (string | null)[] => {
    const layout = withJob(onRails('resistor-each'), vehicleId, (j) => {
      for (const p of Object.values(j.passages)) p.boreMillimetres = bore;
    });
    return [
      ...new Set(
        assemble(layout, vehicleId)
          .parts.filter((p) => p.kind === 'resistor' && p.lamp !== null)
          .map((p) => p.place),
      ),
    ].sort();
  };
  test('at the lamp where its body of 2.4 mm passes, at the far end where it does not', () => {
    expect(resistorDiameter(0.25)).toBe(2.4);
    expect(placeAt(2.4)).toEqual(['A', 'B']);
    expect(placeAt(2.3)).toEqual([null]);
  });
  test('what is larger than any body that is sold counts as the largest', () =>
    expect(resistorDiameter(40)).toBe(resistorDiameter(5)));
});

describe('what a passage has to take', () => {
  test('is its bundle, or what hangs on its wires where that is wider', () => {
    const at = (carries: number | null) => {
      const layout = withJob(tug(100), displayId, (j) => void (j.passages.tube.carriesMillimetres = carries));
      return passingOf(assemble(layout, displayId), layout.jobs[displayId])[0];
    };
    const bare = at(null);
    expect(bare.needsMillimetres).toBe(bare.bundleMillimetres);
    expect(at(0.1).needsMillimetres).toBe(bare.bundleMillimetres);
    expect(at(9).needsMillimetres).toBe(9);
  });
  test('the feed’s wire is the feed’s, a fairy string keeps its own', () => {
    const layout = withJob(boatTrain(), 'heritage-coach', (j) => {
      j.wires = { lamps: 'wrapping', feed: 'flex-7-0.2' };
    });
    const job = layout.jobs['heritage-coach'];
    for (const lead of assemble(layout, 'heritage-coach').leads) {
      const feeds = lead.from.part === 'rails' || lead.to.part === 'rails';
      const wanted = lead.colour === 'lacquered' ? 'magnet-0.15' : feeds ? 'flex-7-0.2' : 'wrapping';
      expect(wireOfLead(job, lead).id).toBe(wanted);
    }
  });
});
