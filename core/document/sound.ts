import { z } from 'zod';
import { valueAt } from './value-at';
import { complaintOf, type FileComplaint } from './complaint';
import { brokenReferences, layoutRecord, type Layout } from './layout';

const { supplies, jobs, trains, lampSets, drawer } = layoutRecord.shape;
/** The collections of a layout whose entries are checked one by one, by where they stand. */
const collections: readonly { readonly path: readonly string[]; readonly entry: z.ZodType }[] = [
  { path: ['supplies'], entry: supplies.valueType },
  { path: ['jobs'], entry: jobs.valueType },
  { path: ['trains'], entry: trains.valueType },
  { path: ['lampSets'], entry: lampSets.valueType },
  { path: ['drawer', 'resistors'], entry: drawer.shape.resistors.valueType },
  { path: ['drawer', 'reservoirs'], entry: drawer.shape.reservoirs.valueType },
  { path: ['drawer', 'lamps'], entry: drawer.shape.lamps.valueType },
];
const anything = z.record(z.string(), z.unknown());
/** A layout without what its collections hold. */
const frame = layoutRecord.extend({
  supplies: anything,
  jobs: anything,
  trains: anything,
  lampSets: anything,
  drawer: drawer.extend({ resistors: anything, reservoirs: anything, lamps: anything }),
});

/** Entries that were found sound. A layout shares what did not change with the one before it, so an edit checks little. */
const sound = new WeakSet<object>();

/**
 * What is wrong with a layout: shapes, limits and references. Entries once found sound are not looked
 * at again, which is what makes it cheap enough for every edit; so they may not be written to.
 * @returns an empty list for a layout that can be saved and read again
 */
export function complaintsOf(layout: Layout): readonly FileComplaint[] {
  const parsed = frame.safeParse(layout);
  if (!parsed.success) return parsed.error.issues.map((i) => complaintOf(i, layout));
  const found: FileComplaint[] = [];
  for (const { path, entry } of collections) {
    const held = valueAt(layout, path) as object;
    for (const [id, value] of Object.entries(held)) {
      if (typeof value === 'object' && value !== null && sound.has(value as object)) continue;
      const one = entry.safeParse(value);
      if (one.success) sound.add(value as object);
      else
        for (const i of one.error.issues)
          found.push(complaintOf({ ...i, path: [...path, id, ...i.path] } as typeof i, layout));
    }
  }
  if (found.length > 0) return found;
  return brokenReferences(layout).map(({ path, reason }) => ({ path: path.join('.'), reason }));
}
