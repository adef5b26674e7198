import { inSentence } from '../quantity/format';
import { driverOf } from '../document/aspect-record';
import { driverKind } from '../supply/drivers';
import { pinsOf } from '../supply/drivers/driver-kind';
import { decoderTypeOf } from '../document/decoder-record';
import { chainOf } from '../document/line-stages';
import type { DecoderOutput, OutputHold } from '../part/decoder-type';
import type { AnyJob, Layout } from '../document/layout';
import type { Draft } from 'immer';

/** What switches the lamps of a job: a decoder on board, or what drives its aspects. */
export interface Switching {
  readonly part: 'decoder' | 'driver';
  readonly word: string;
  /** What it switches, each with what it bears. */
  readonly outputs: readonly { readonly id: string; readonly name: string; readonly limitAmps: number }[];
  readonly totalAmps: number;
  /** Terminal of what its outputs share. */
  readonly common: string;
}

/** What switches the lamps of a job; null where nothing does. */
export function switchingOf(job: Pick<AnyJob, 'decoder'>): Switching | null {
  const driver = driverOf(job);
  if (driver) {
    const { name, build } = driverKind(driver);
    const made = build(driver);
    const { totalAmps } = made;
    return { part: 'driver', word: inSentence(name), outputs: pinsOf(made), totalAmps, common: 'common' };
  }
  if (!job.decoder) return null;
  const { outputs, totalAmps, switches } = decoderTypeOf(job.decoder);
  return {
    part: 'decoder',
    word: 'decoder',
    outputs: outputs.filter((o) => o.level === 'full'),
    totalAmps,
    common: switches === 'minus' ? 'blue' : 'ground',
  };
}

/** The contacts that what hangs on an output hangs on: its own, or the two it is between. */
export function contactsOf(job: Pick<AnyJob, 'decoder'>, output: string): readonly string[] {
  const driver = driverOf(job);
  const found =
    driver &&
    driverKind(driver)
      .build(driver)
      .outputs.find((o) => o.id === output);
  return found?.between ?? [output];
}

/** What on a board of one's own limits the current of what hangs on a line; null where nothing does. */
export function heldOnBoard(
  job: Pick<AnyJob, 'decoder' | 'lines'>,
  lineId: string,
): Exclude<OutputHold, { kind: 'nothing' }> | null {
  const [{ from }] = chainOf(job, lineId);
  if (from.kind !== 'output') return null;
  const driver = driverOf(job);
  const outputs = driver
    ? driverKind(driver).build(driver).outputs
    : job.decoder
      ? decoderTypeOf(job.decoder).outputs
      : [];
  const holds = outputs.find((o) => o.id === from.output)?.holds;
  return holds && holds.kind !== 'nothing' ? holds : null;
}

/** Outputs for lamps that nothing hangs on and nothing lights, by key, by stepping or in turn. */
export function freeOutputs({ decoder, lines }: Pick<AnyJob, 'decoder' | 'lines'>): DecoderOutput[] {
  if (!decoder) return [];
  const taken = new Set<string>([
    ...Object.values(lines).flatMap((l) => (l.from.kind === 'output' ? [l.from.output] : [])),
    ...Object.entries(decoder.outputs).flatMap(([id, o]) => (o.keys.length > 0 ? [id] : [])),
    ...(decoder.stepped?.outputs ?? []),
    ...decoder.exclusive,
  ]);
  return decoderTypeOf(decoder).outputs.filter((o) => o.level === 'full' && !taken.has(o.id));
}

/** Moves what hangs on an output, and what the table says of it, to another. */
export function moveOutput(
  draft: Draft<Layout>,
  jobId: string,
  from: `out${number}`,
  to: `out${number}`,
): void {
  const { decoder, lines } = draft.jobs[jobId];
  if (!decoder) return;
  if (Object.hasOwn(decoder.outputs, from)) {
    decoder.outputs[to] = decoder.outputs[from];
    Reflect.deleteProperty(decoder.outputs, from);
  }
  const moved = (ids: string[]): `out${number}`[] => ids.map((o) => (o === from ? to : o) as `out${number}`);
  decoder.exclusive = moved(decoder.exclusive);
  if (decoder.stepped) decoder.stepped.outputs = moved(decoder.stepped.outputs);
  if (decoder.dim) decoder.dim.outputs = moved(decoder.dim.outputs);
  for (const line of Object.values(lines))
    if (line.from.kind === 'output' && line.from.output === from) line.from.output = to;
}
