import { brightnessWords } from '../part/decoder-type';
import { decoderTypeOf } from '../document/decoder-record';
import { plugs, standardColour } from '../part/plug';
import { chainOf } from '../document/line-stages';
import { inOrder } from '../document/in-order';
import { effects } from '../part/output-effect';
import type { OutputKey, OutputRule } from '../supply/drivers/decoder';
import type { AnyJob } from '../document/layout';
import type { LampCore } from '../document/lamp-record';

/** One line of the sheet people want first: what a press does, where it is soldered, what it lights. */
export interface FunctionLine {
  readonly output: string;
  readonly outputName: string;
  /** Presses that light it: "F0 forward", "F2, not with F5". */
  readonly functions: string;
  /** Where it is soldered: a pin of the plug, or a loose wire. */
  readonly pad: string;
  /** Colour of its wire by the standard; null where it has none. */
  readonly colour: string | null;
  readonly lamps: readonly string[];
  /** As the decoder is told it: "65 %". */
  readonly brightness: string;
  readonly effect: string;
  /** Nothing hangs on it and nothing lights it. */
  readonly spare: boolean;
}

/** A press in words. */
export const keyWords = ({ function: f, direction }: OutputKey): string =>
  `F${f}${direction === 'both' ? '' : ` ${direction}`}`;

/** Effect of an output, and what a key makes of it. */
function effectWords(rule: OutputRule | undefined): string {
  const own = effects[rule?.effect ?? 'steady'];
  return rule?.withKey
    ? `${own}; with F${rule.withKey.function} ${effects[rule.withKey.effect].toLowerCase()}`
    : own;
}

/** What lights an output, with its conditions, in words. */
export function ruleWords(rule: OutputRule | undefined): string {
  if (!rule || rule.keys.length === 0) return '';
  const when = rule.moving === 'any' ? '' : `, only ${rule.moving}`;
  const unless = rule.unless === null ? '' : `, not with F${rule.unless}`;
  return rule.keys.map(keyWords).join(', ') + when + unless;
}

/**
 * Function, pad, wire colour, lamps, brightness: a line for every output of a job's decoder, spare ones too.
 * @param names of the lamps, by id
 */
export function functionSheet(job: AnyJob, names: ReadonlyMap<string, string>): FunctionLine[] {
  const { decoder } = job;
  if (!decoder) return [];
  const plug = plugs[decoder.plug];
  const type = decoderTypeOf(decoder);
  return type.outputs.map(({ id, name, level }) => {
    const rule = decoder.outputs[id] as OutputRule | undefined;
    const circuits = inOrder(job.circuits).filter((c) => {
      const { from } = chainOf(job, c.lineId)[0];
      return from.kind === 'output' && from.output === id;
    });
    const lamps = inOrder<LampCore>(job.lamps).filter((l) => circuits.some((c) => c.id === l.circuitId));
    const pin = plug.pins.find((p) => p.role === id);
    const step = decoder.stepped?.outputs.indexOf(id) ?? -1;
    const dimmed = decoder.dim?.outputs.includes(id)
      ? [`dimmed to ${Math.round(decoder.dim.share * 100)} % by F${decoder.dim.function}`]
      : [];
    const presses = [
      ruleWords(rule),
      ...(step >= 0 ? [`F${decoder.stepped!.function}, press ${step + 1}`] : []),
    ].filter((w) => w !== '');
    return {
      output: id,
      outputName: name,
      functions: [...presses, ...(presses.length === 0 ? [] : dimmed)].join('; '),
      pad: pin && plug.id !== 'wires' ? `pin ${pin.pin}` : level === 'logic' ? 'signal pad' : 'loose wire',
      colour: standardColour(id),
      lamps: lamps.map((l) => names.get(l.id) ?? l.id),
      brightness: brightnessWords(rule?.brightness ?? 1, type),
      effect: effectWords(rule),
      spare: lamps.length === 0 && presses.length === 0,
    };
  });
}
