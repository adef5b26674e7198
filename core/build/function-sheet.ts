import { decoderTypes } from '../part/decoder-type';
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
  /** Share of the time it conducts. */
  readonly brightness: number;
  readonly effect: string;
  /** Nothing hangs on it and nothing lights it. */
  readonly spare: boolean;
}

/** A press in words. */
export const keyWords = ({ function: f, direction }: OutputKey): string =>
  `F${f}${direction === 'both' ? '' : ` ${direction}`}`;

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
  return decoderTypes[decoder.type].outputs.map(({ id, name, level }) => {
    const rule = decoder.outputs[id] as OutputRule | undefined;
    const circuits = inOrder(job.circuits).filter((c) => {
      const { from } = chainOf(job, c.lineId)[0];
      return from.kind === 'output' && from.output === id;
    });
    const lamps = inOrder<LampCore>(job.lamps).filter((l) => circuits.some((c) => c.id === l.circuitId));
    const pin = plug.pins.find((p) => p.role === id);
    const step = decoder.stepped?.outputs.indexOf(id) ?? -1;
    const presses = [
      ruleWords(rule),
      ...(step >= 0 ? [`F${decoder.stepped!.function}, press ${step + 1}`] : []),
    ].filter((w) => w !== '');
    return {
      output: id,
      outputName: name,
      functions: presses.join('; '),
      pad: pin && plug.id !== 'wires' ? `pin ${pin.pin}` : level === 'logic' ? 'signal pad' : 'loose wire',
      colour: standardColour(id),
      lamps: lamps.map((l) => names.get(l.id) ?? l.id),
      brightness: rule?.brightness ?? 1,
      effect: effects[rule?.effect ?? 'steady'],
      spare: lamps.length === 0 && presses.length === 0,
    };
  });
}
