import { minuteWords } from '../order/minutes';
import { sheetTables, sheetTasks, priceWords } from './tables';
import { cureWords, warningsOf, type Sheet } from './sheet';

/** Text that stays text in Markdown, on one line. */
const plain = (text: string): string => text.replace(/\s+/g, ' ').replace(/[\\`*_{}[\]<>#|~&]/g, '\\$&');
/** The same at the start of a line, where it could begin a list or underline what is above. */
const plainLine = (text: string): string =>
  plain(text.trim())
    .replace(/^[-+=:]/, '\\$&')
    .replace(/^(\d+)(?=[.)])/, '$1\\');

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string[] => [
  `| ${head.map(plain).join(' | ')} |`,
  `| ${head.map(() => '---').join(' | ')} |`,
  ...rows.map((r) => `| ${r.map(plain).join(' | ')} |`),
];

/** The sheet of a job as Markdown. */
export function sheetMarkdown(sheet: Sheet): string {
  const { ordered, shopping, currency } = sheet;
  const lines = [
    `# ${plain(sheet.jobName)}`,
    '',
    `${plain(sheet.layoutName)}, ${sheet.kindWord}${sheet.count > 1 ? `, ${sheet.count} of it` : ''}. Fed by ${plain(sheet.supply)}.`,
    ...(sheet.note === '' ? [] : ['', plainLine(sheet.note)]),
    '',
    ...warningsOf(sheet).flatMap(({ heading, findings }) => [
      `## ${plain(heading)}`,
      '',
      ...findings.map((f) => `- **${plain(f.title)}** ${plain(f.sentence)} ${plain(cureWords(f))}`.trimEnd()),
      '',
    ]),
    ...sheet.cautions.map((c) => `- **${plain(c)}**`),
    '',
  ];
  if (ordered.ok)
    lines.push(
      `## In this order (${minuteWords(ordered.order.minutes)})`,
      '',
      ...sheetTasks(sheet).map(
        (t) =>
          `${t.number}. [${t.done ? 'x' : ' '}] **${plain(t.does)}** ${plain(t.says)} *${plain(t.tool)}, ${t.figures}${t.final ? ', for good' : ''}*${t.note === '' ? '' : ` ${plain(t.note)}`}`,
      ),
      '',
    );
  else
    for (const { facts, frees } of ordered.collisions)
      lines.push(
        '## There is no order that works',
        '',
        ...facts.map((f) => `- ${plain(f)}`),
        '',
        ...frees.map((f) => `- ${plain(f)}`),
        '',
      );
  lines.push(
    '## Tools',
    '',
    ...sheet.tools.map((t) => `- ${t.name}${t.without ? ` (without one: ${plain(t.without)})` : ''}`),
    '',
  );
  for (const { title, head, rows } of sheetTables(sheet))
    lines.push(`## ${title}`, '', ...table(head, rows), '');
  lines.push(
    `Parts of one lamp ${priceWords(shopping.perLamp, currency)}, of the whole ${priceWords(shopping.perJob, currency)}. To buy ${priceWords(shopping.partsPrice, currency)}, with post ${priceWords(shopping.total, currency)}.`,
    '',
  );
  return lines.join('\n');
}
