import { formatQuantity } from '../../quantity/format';
import { fuseSpeeds } from '../../part/fuse-speed';
import { guardedPlaces, type Guarded } from '../../feed/study';
import { runPath, type FeedRule } from './feed-rule';
import { smallerFuse } from './smaller-fuse';

/** A fuse behind a supply that gives no more than it holds: it can never blow, whatever is shorted. */
export const fuseNeverBlows: FeedRule = {
  id: 'fuse-never-blows',
  judge(study) {
    const { layout, reading } = study;
    if (!reading) return [];
    // Told once for each fuse, at the place behind it where most flows in a short.
    const most = new Map<string, { readonly at: Guarded; readonly fuse: Guarded['fuses'][number] }>();
    for (const at of guardedPlaces(study))
      for (const fuse of at.fuses) {
        const key = `${fuse.run} ${fuse.index}`;
        const known = most.get(key);
        if (!known || fuse.carries > known.fuse.carries) most.set(key, { at, fuse });
      }
    return [...most].flatMap(([key, { at, fuse }]) => {
      // Between what it holds and what surely blows it a fuse goes some time: that is no never.
      if (at.short.limitAmps > fuse.amps * fuseSpeeds[fuse.speed].bears) return [];
      const run = layout.network.runs[fuse.run];
      const flows = Math.abs(reading.runs.get(fuse.run)!.amps);
      return [
        {
          id: `fuse-never-blows ${key}`,
          severity: 'note' as const,
          title: `${run.label}: its fuse can never blow`,
          sentence: `A ${fuseSpeeds[fuse.speed].name} fuse of ${formatQuantity(fuse.amps, 'amp')} holds ${formatQuantity(fuse.amps * fuseSpeeds[fuse.speed].bears, 'amp')} for ever; the supply gives ${formatQuantity(at.short.limitAmps, 'amp')} at most.`,
          reason:
            'What guards this wire is the supply, which switches everything off at once. A fuse for one branch is well below what the supply gives.',
          paths: [runPath(fuse.run)],
          terminals: [],
          subject: { line: fuse.run },
          figures: [{ is: at.short.limitAmps, limit: fuse.amps, unit: 'amp' as const }],
          cures: smallerFuse(fuse, flows),
        },
      ];
    });
  },
};
