import Papa from 'papaparse';

/** A table as text: a head, and rows of cells. */
export interface CsvTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** What a spreadsheet would work out rather than show. */
const RUNS = /^[=+\-@\t\r]/;

/** Writes a table as CSV; a cell that a spreadsheet would run is kept from running by an apostrophe, which reading takes off. */
export function writeCsv({ head, rows }: CsvTable): string {
  const harmless = (cell: string): string =>
    RUNS.test(cell) || RUNS.test(cell.replace(/^'+/, '')) ? `'${cell}` : cell;
  return `${Papa.unparse(
    [head, ...rows].map((r) => r.map(harmless)),
    { newline: '\n' },
  )}\n`;
}

/**
 * Reads a table from CSV with commas, semicolons or tabs between its cells.
 * @throws RangeError naming the line that is not closed or has more cells than the head
 */
export function readCsv(text: string): CsvTable {
  const plain = text.replace(/^\uFEFF/, '');
  const firstLine = plain.split('\n', 1)[0];
  // Told by the first line: a carriage return within a quoted cell is part of it.
  const newline = firstLine.endsWith('\r') ? '\r\n' : '\n';
  const delimiter = [';', '\t', ','].find((d) => firstLine.includes(d)) ?? ',';
  const { data, errors } = Papa.parse<string[]>(plain, { delimiter, newline, skipEmptyLines: false });
  const broken = errors.find((e) => e.type === 'Quotes');
  if (broken) throw new RangeError(`Line ${(broken.row ?? 0) + 1}: a quote is not closed.`);
  const known = (cell: string): string =>
    cell.startsWith("'") && RUNS.test(cell.replace(/^'+/, '')) ? cell.slice(1) : cell;
  // The last line ends with a line's end, not with an empty line.
  const lines = data.filter((row, i) => !(i === data.length - 1 && row.length === 1 && row[0] === ''));
  const [head = [], ...rows] = lines.map((r) => r.map(known));
  const long = rows.findIndex((r) => r.length > head.length);
  if (long >= 0) throw new RangeError(`Line ${long + 2}: it has more cells than the first line.`);
  return { head, rows: rows.map((r) => [...r, ...Array.from({ length: head.length - r.length }, () => '')]) };
}

/** A figure as people write it, with a point or a comma for the decimals; null for what is none. */
export function csvFigure(cell: string): number | null {
  const text = cell.trim().replace(/\s/g, '');
  if (!/^-?\d*(?:[.,]\d+)?$|^-?\d+$/.test(text) || text === '' || text === '-') return null;
  return Number(text.replace(',', '.'));
}
