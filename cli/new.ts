import { emptyLayout } from '../core/document/empty-layout';
import { writeLayout } from '../core/document/file';
import { freshDoubts } from '../core/kinds/fresh-doubts';
import { freshJob, freshKinds, type Fresh, type FreshChoice } from '../core/kinds/fresh';
import { recordFacts, type JobKindName } from '../core/kinds/records';
import { scales, type ScaleName } from '../core/quantity/scale';
import type { Layout } from '../core/document/layout';
import { Complaint } from './complaint';
import { wordsAndOptions } from './file';
import { print } from './print';

const scaleNames = Object.keys(scales) as ScaleName[];
const kindNames = Object.keys(freshKinds) as JobKindName[];
const usage = `hazel new ${kindNames.join('|')} [--scale S] [--supply ID] [--name N] [--CHOICE VALUE ...] | hazel new KIND --help`;

/**
 * `hazel new KIND …`: a layout with one fresh job, as the page that begins one makes it, to standard output; what
 * cannot be had of it, to standard error.
 * @throws Complaint naming what may be chosen
 */
export function run(words: readonly string[]): number {
  const kind = words[0] as JobKindName | undefined;
  if (kind === undefined || !kindNames.includes(kind))
    throw new Complaint(`there is no kind ${kind ?? ''}; there are ${kindNames.join(', ')}; usage: ${usage}`);
  const fresh = freshKinds[kind];
  const known = Object.fromEntries(
    ['scale', 'supply', 'name', ...fresh.choices.map((c) => c.id)].map((id) => [id, 'value' as const]),
  );
  const { options } = wordsAndOptions(words, usage, { ...known, help: 'flag' });
  const scale = oneOf('scale', options.get('scale') ?? 'H0', scaleNames);
  const layout: Layout = { ...emptyLayout(options.get('name') ?? 'Fresh'), scale };
  if (options.has('help')) {
    print(helpFor(kind, fresh, layout));
    return 0;
  }
  const supplyId = oneOf(
    'supply',
    options.get('supply') ?? fresh.supplies[0].id,
    fresh.supplies.map((s) => s.id),
  );
  const supply = fresh.supplies.find((s) => s.id === supplyId)!;
  const chosen = Object.fromEntries(
    fresh.choices.flatMap((c) =>
      options.has(c.id) ? [[c.id, answered(c, options.get(c.id)!, layout)]] : [],
    ),
  );
  const made = freshJob(
    layout,
    kind,
    supply.wish as never,
    chosen,
    options.get('name') ?? recordFacts(kind).word,
  );
  for (const { says } of freshDoubts(made.layout, made.jobId)) process.stderr.write(`${says}\n`);
  print(`${writeLayout(made.layout)}\n`);
  return 0;
}

function oneOf<T extends string>(what: string, answer: string, of: readonly T[]): T {
  const found = of.find((o) => o.toLowerCase() === answer.toLowerCase());
  if (found === undefined) throw new Complaint(`--${what} ${answer} is not one of ${of.join(', ')}`);
  return found;
}

/** An answer that a choice takes. @throws Complaint for another one */
function answered(choice: FreshChoice, answer: string, layout: Layout): string {
  const values = choice.values(layout).map((v) => v.id);
  if (!choice.isFigure) return oneOf(choice.id, answer, values);
  const [least, most] = [Number(values[0]), Number(values[values.length - 1])];
  const figure = Number(answer);
  if (answer.trim() === '' || !(figure >= least && figure <= most))
    throw new Complaint(`--${choice.id} ${answer} is not between ${least} and ${most}`);
  return answer;
}

function helpFor(kind: JobKindName, { supplies, choices }: Fresh, layout: Layout): string {
  const line = (option: string, name: string, values: string, usual: string): string =>
    `  --${option.padEnd(9)} ${name}: ${values}${usual}\n`;
  const usualOf = ({ usual }: FreshChoice): string =>
    usual === null ? ' (follows from the rest)' : ` (${usual})`;
  return [
    `hazel new ${kind}: a layout with one fresh job, to standard output\n`,
    line('scale', 'Scale', scaleNames.join(', '), ' (H0)'),
    line('supply', 'What feeds it', supplies.map((s) => s.id).join(', '), ` (${supplies[0].id})`),
    line('name', 'Name', 'any', ''),
    ...choices.map((c) => {
      const ids = c.values(layout).map((v) => v.id);
      const values = c.isFigure ? `${ids[0]} to ${ids[ids.length - 1]}` : ids.join(', ');
      return line(c.id, c.name, values, usualOf(c));
    }),
  ].join('');
}
