import Papa from 'papaparse';

/** A table as text: a head, and rows of cells. */
export interface CsvTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/**
 * Where a spreadsheet would work out rather than show: at the start of a cell, and after what another
 * spreadsheet may take for the end of one; the signs as they are and as East Asian keyboards write them, and what begins with a tab.
 */
const RUNS = "(?=[\\s']*[=+\\-@\uFF1D\uFF0B\uFF0D\uFF20]|'*[\\t\\r])";
const RUNS_WITHIN = new RegExp(`([;\\t\\r\\n|])${RUNS}`, 'g');
const RUNS_AT_START = new RegExp(`^${RUNS}`);
const KEPT_WITHIN = new RegExp(`([;\\t\\r\\n|])'${RUNS}`, 'g');
const KEPT_AT_START = new RegExp(`^'${RUNS}`);
const harmless = (cell: string): string => cell.replace(RUNS_WITHIN, "$1'").replace(RUNS_AT_START, "'");
const asWritten = (cell: string): string => cell.replace(KEPT_WITHIN, '$1').replace(KEPT_AT_START, '');

/** Writes a table as CSV; a cell that a spreadsheet would run is kept from running by an apostrophe, which reading takes off. */
export function writeCsv({ head, rows }: CsvTable): string {
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
  // The last line ends with a line's end, not with an empty line.
  const lines = data.filter((row, i) => !(i === data.length - 1 && row.length === 1 && row[0] === ''));
  const [head = [], ...rows] = lines.map((r) => r.map(asWritten));
  const long = rows.findIndex((r) => r.length > head.length);
  if (long >= 0) throw new RangeError(`Line ${long + 2}: it has more cells than the first line.`);
  return { head, rows: rows.map((r) => [...r, ...Array.from({ length: head.length - r.length }, () => '')]) };
}

/**
 * A figure as people write it, with a point or a comma for the decimals; null for what is none, or may be
 * two: 1,000 is a thousand to some and one to others.
 */
export function csvFigure(cell: string): number | null {
  const text = cell.trim().replace(/\s/g, '');
  if (/^-?[1-9]\d{0,2}[.,]\d{3}$/.test(text)) return null;
  if (!/^-?\d*(?:[.,]\d+)?$|^-?\d+$/.test(text) || text === '' || text === '-') return null;
  return Number(text.replace(',', '.'));
}
