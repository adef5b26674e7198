import Papa from 'papaparse';
import { effects, type EffectName } from '../part/output-effect';
import { keyWords } from './function-sheet';
import { usualRule } from '../supply/drivers/function-map';
import type { DecoderType } from '../part/decoder-type';
import type { OutputKey, OutputRule } from '../supply/drivers/decoder';

const COLUMNS = ['output', 'functions', 'moving', 'unless', 'brightness', 'effect'] as const;
/** What tables saved before have not. */
const LATER = ['with key'] as const;
type Column = (typeof COLUMNS)[number] | (typeof LATER)[number];

/**
 * A function table as CSV: a line for every output, presses as "F0 forward; F3", brightness in percent.
 */
export function writeFunctionCsv(outputs: Readonly<Record<string, OutputRule>>): string {
  return `${Papa.unparse(
    {
      fields: [...COLUMNS, ...LATER],
      data: Object.entries(outputs).map(([id, o]) => [
        id,
        o.keys.map(keyWords).join('; '),
        o.moving,
        o.unless === null ? '' : `F${o.unless}`,
        `${Math.round(o.brightness * 1000) / 10} %`,
        o.effect,
        o.withKey === null ? '' : `F${o.withKey.function} ${o.withKey.effect}`,
      ]),
    },
    // An output may be called by a formula, which a spreadsheet would work out.
    { newline: '\n', escapeFormulae: true },
  )}\n`;
}

export type ReadFunctionCsv =
  | { readonly ok: true; readonly outputs: Record<string, OutputRule> }
  | { readonly ok: false; readonly complaints: readonly string[] };

/** Reads a function table from CSV: whole, or with every line that is wrong and why. */
export function readFunctionCsv(text: string, type: Pick<DecoderType, 'outputs'>): ReadFunctionCsv {
  const parsed = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true });
  const missing = COLUMNS.filter((c) => !parsed.meta.fields?.includes(c));
  if (missing.length > 0) return { ok: false, complaints: [`The first line lacks ${missing.join(', ')}.`] };
  const complaints: string[] = [];
  const outputs: Record<string, OutputRule> = {};
  parsed.data.forEach((row, i) => {
    const say = (what: string): void => void complaints.push(`Line ${i + 2}: ${what}`);
    const cell = (c: Column): string => (row[c] ?? '').trim();
    const id = cell('output');
    if (!type.outputs.some((o) => o.id === id)) return say(`this decoder has no output “${id}”.`);
    if (Object.hasOwn(outputs, id)) return say(`${id} comes twice.`);
    const keys: OutputKey[] = [];
    for (const word of cell('functions')
      .split(';')
      .map((w) => w.trim())) {
      if (word === '') continue;
      const key = /^F(\d{1,2})(?: (forward|reverse))?$/.exec(word);
      if (!key || Number(key[1]) > 28)
        return say(`“${word}” is not F0 to F28, with forward or reverse after it.`);
      keys.push({
        function: Number(key[1]),
        direction: (key[2] as 'forward' | 'reverse' | undefined) ?? 'both',
      });
    }
    const moving = cell('moving') || 'any';
    if (moving !== 'any' && moving !== 'moving' && moving !== 'standing')
      return say(`“${moving}” is not any, moving or standing.`);
    const unless = /^F(\d{1,2})$/.exec(cell('unless'));
    if (cell('unless') !== '' && (!unless || Number(unless[1]) > 28))
      return say(`“${cell('unless')}” is not F0 to F28.`);
    // To a tenth of a percent, as it is written.
    const brightness = Math.round(Number(cell('brightness').replace(/\s*%$/, '')) * 10) / 1000;
    if (!(brightness >= 0 && brightness <= 1)) return say(`“${cell('brightness')}” is not 0 to 100 %.`);
    const effect = cell('effect') || 'steady';
    if (!Object.hasOwn(effects, effect))
      return say(`“${effect}” is not one of ${Object.keys(effects).join(', ')}.`);
    const change = /^F(\d{1,2}) (\S+)$/.exec(cell('with key'));
    if (cell('with key') !== '' && (!change || Number(change[1]) > 28 || !Object.hasOwn(effects, change[2])))
      return say(`“${cell('with key')}” is not F0 to F28 with an effect after it.`);
    outputs[id] = {
      ...usualRule,
      keys,
      moving,
      unless: unless ? Number(unless[1]) : null,
      brightness,
      effect: effect as EffectName,
      withKey: change ? { function: Number(change[1]), effect: change[2] as EffectName } : null,
    };
  });
  return complaints.length > 0 ? { ok: false, complaints } : { ok: true, outputs };
}
