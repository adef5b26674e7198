import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { altered, lineOfCircuit, onDecoder, onRails, vehicleId } from '../../../tests/vehicles';
import { change, patched, type Patch } from '../../document/patch';
import { checkLayout, readLayout, writeLayout } from '../../document/file';
import { coachIn, coachesOf } from '../coach/jobs';
import { locomotiveIn, locomotivesOf } from './jobs';
import { lampName } from './lamp-name';
import { keepAsSet } from './lamp-sets';
import { VERSION, type Layout } from '../../document/layout';

const complaints = (layout: unknown): string => {
  const read = checkLayout(layout);
  return read.ok ? '' : read.complaints.map((c) => `${c.path}: ${c.reason}`).join('; ');
};

describe('locomotives in the file', () => {
  test('are kept as they are, with what is not known of them', () => {
    const layout = altered(onDecoder(), (job) => {
      (job as Record<string, unknown>).livery = 'moss';
      (job.lamps['headlight-a'] as Record<string, unknown>).bag = 'left drawer';
    });
    const read = readLayout(writeLayout(layout));
    expect(read.ok && read.layout).toEqual(layout);
  });
  test('a file of version 3 is opened with nothing of its coaches changed', () => {
    const plain = structuredClone(boatTrain()) as unknown as Record<string, unknown>;
    delete plain.lampSets;
    delete plain.boards;
    for (const later of ['network', 'rigs', 'evening']) Reflect.deleteProperty(plain, later);
    const jobs = Object.fromEntries(coachesOf(boatTrain()).map((j) => [j.id, coachIn(boatTrain(), j.id)]));
    const read = checkLayout({ ...plain, jobs, version: 3 });
    expect(read.ok && read.migratedFrom).toBe(3);
    expect(read.ok && read.layout.version).toBe(VERSION);
    if (!read.ok) return;
    for (const [id, { variants, ...job }] of Object.entries(jobs)) {
      const { variants: opened, ...then } = read.layout.jobs[id];
      expect(then).toEqual(job);
      // A variant is what it makes of the job.
      for (const [v, { patches }] of Object.entries(variants))
        expect(patched(read.layout, opened[v].patches as Patch[]).jobs[id]).toEqual({
          ...patched(boatTrain(), patches as Patch[]).jobs[id],
          variants: opened,
        });
    }
  });
  test.each<[string, (l: Layout) => Layout, RegExp]>([
    [
      'a lamp in no circuit there is',
      (l) => altered(l, (job) => void (job.lamps['tail-a'].circuitId = 'gone')),
      /lamps\.tail-a\.circuitId: there is no circuit “gone”/,
    ],
    [
      'a lamp type there is not',
      (l) => altered(l, (job) => void (job.lamps['tail-a'].part = 'neon')),
      /there is no lamp type “neon”/,
    ],
    [
      'a second colour there is not',
      (l) => altered(l, (job) => void (job.lamps['tail-a'].secondPart = 'toString')),
      /secondPart: there is no lamp type “toString”/,
    ],
    [
      'an output its decoder lacks',
      (l) =>
        altered(l, (job) => {
          const { from } = lineOfCircuit(job, 'head-a');
          if (from.kind === 'output') from.output = 'out9';
        }),
      /its decoder has no output “out9”/,
    ],
    [
      'a second track there is not',
      (l) => altered(l, (job) => void (job.otherSupplyId = 'gone')),
      /otherSupplyId: there is no supply “gone”/,
    ],
    [
      'a function above F28',
      (l) => altered(l, (job) => void (job.decoder!.outputs.out1.keys[0].function = 29)),
      /decoder\.outputs\.out1\.keys\.0\.function/,
    ],
    [
      'a limit there is not',
      (l) => altered(l, (job) => void Object.assign(job.circuits['head-a'], { limit: 'hope' })),
      /circuits\.head-a\.limit/,
    ],
  ])('%s is refused where it stands', (_, wrong, reason) => {
    expect(complaints(onDecoder())).toBe('');
    expect(complaints(wrong(onDecoder()))).toMatch(reason);
  });
  test('a set of one’s own with a lamp there is not', () => {
    const layout = change(onDecoder(), (d) => {
      const id = keepAsSet(d, locomotiveIn(onDecoder(), vehicleId), 'A', 'Mine');
      d.lampSets[id].lamps[0].part = 'neon';
    }).layout;
    expect(complaints(layout)).toMatch(/lampSets\.own-set\.lamps\.0: there is no lamp type “neon”/);
  });
  test('a train couples whatever runs, and nothing that is not there', () => {
    const first = (jobId: string) =>
      change(boatTrain(), (d) => {
        Object.values(d.trains['boat-train'].cars)[0].jobId = jobId;
      }).layout;
    expect(complaints(first('railcar-tern'))).toBe('');
    expect(complaints(first('ghost'))).toMatch(/trains\.boat-train\.cars\.[^:]*jobId: .*“ghost”/);
  });
});

describe('jobs by their kind', () => {
  test('a coach is not a locomotive, and what is not there is said', () => {
    expect(() => coachIn(boatTrain(), 'diesel-shunter')).toThrow(/diesel-shunter is not a coach/);
    expect(() => locomotiveIn(boatTrain(), 'open-saloon')).toThrow(/is not a locomotive/);
    expect(() => coachIn(boatTrain(), 'toString')).toThrow(/there is no job toString/);
    expect(coachesOf(boatTrain()).map((j) => j.kind)).toEqual(Array(4).fill('coach'));
    expect(locomotivesOf(boatTrain()).map((j) => j.id)).toEqual([
      'diesel-shunter',
      'railcar-tern',
      'express-diesel',
    ]);
  });
  test('a lamp is called by role, end and side', () => {
    const job = locomotiveIn(onRails('shared-both-ways', undefined, 'three-and-two'), vehicleId);
    expect(
      Object.keys(job.lamps)
        .map((id) => lampName(job, id))
        .slice(0, 5),
    ).toEqual([
      'Headlight A left',
      'Headlight A right',
      'Headlight A middle',
      'Tail lamp A left',
      'Tail lamp A right',
    ]);
  });
});
