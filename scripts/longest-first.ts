import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** What takes longest, longest first: begun early, so that one core does not wait for the other at the end. */
const longest = [
  'core/kinds/conformance.test.ts',
  'core/kinds/fresh.test.ts',
  'core/finding/rules.test.ts',
  'core/kinds/coach/place-lamps.test.ts',
  'core/study/attack.test.ts',
  'core/study/train.test.ts',
  'core/build/order/order.test.ts',
  'tests/frozen/answers.test.ts',
  'app/panels/build/build-panel.test.tsx',
  'app/storage/shelf.test.ts',
  'app/pages/feeds/feeds.test.tsx',
  'tests/e2e/pages.test.ts',
  'tests/e2e/shelf.test.ts',
  'tests/e2e/trains.test.ts',
  'tests/e2e/bench.test.ts',
  'tests/e2e/coaches.test.ts',
];
/** In this order, one after another: a worker that goes on in its own project keeps what it has imported. */
const projects = ['app', 'programs', 'fuzz', 'reference', 'unit', 'e2e'];

const place = (list: readonly string[], is: (name: string) => boolean): number => {
  const at = list.findIndex(is);
  return at === -1 ? list.length : at;
};

/** Projects one after another; within each the longest files first. */
export class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const order = ({ project, moduleId }: TestSpecification): [number, number] => [
      place(projects, (name) => name === project.name),
      place(longest, (name) => moduleId.endsWith(`/${name}`)),
    ];
    const sorted = await super.sort(files);
    return sorted
      .map((file) => ({ file, at: order(file) }))
      .sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1])
      .map(({ file }) => file);
  }
}
