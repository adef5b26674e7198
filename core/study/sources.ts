import { supplyBeside } from '../document/line-stages';
import type { Part } from '../assembly/assembly';
import type { Supply } from '../supply';
import type { Bench } from './bench';
import type { Delivered, Readings } from './readings';

/** One of the supplies a job hangs on: the part that stands for it, its id and record. */
export interface Source {
  readonly part: string;
  readonly supplyId: string;
  readonly supply: Supply;
  /** It feeds lines of its own beside the supply that the job is set on. */
  readonly beside: boolean;
}

type Rails = Extract<Part, { kind: 'rails' }>;

const sourceIn = ({ supply }: Pick<Bench, 'supply'>, { id, supplyId, beside }: Rails): Source => ({
  part: id,
  supplyId,
  supply: beside ?? supply,
  beside: beside !== null,
});

/** Every supply a job hangs on, the one it is set on first. */
export const sourcesOf = (bench: Pick<Bench, 'assembly' | 'supply'>): Source[] =>
  bench.assembly.parts.flatMap((p) => (p.kind === 'rails' ? [sourceIn(bench, p)] : []));

/** The supply that feeds a line, whatever other lines stand between; of no line the one the job is set on. */
export function sourceOfLine(
  bench: Pick<Bench, 'assembly' | 'supply' | 'job'>,
  lineId: string | null,
): Source {
  const sources = sourcesOf(bench);
  const beside = lineId === null ? null : supplyBeside(bench.job, lineId);
  return sources.find((s) => s.beside && s.supplyId === beside) ?? sources[0];
}

/** The supply that feeds a lamp. */
export function sourceOfLamp(bench: Pick<Bench, 'assembly' | 'supply' | 'job'>, lampId: string): Source {
  const { circuitId } = bench.job.lamps[lampId];
  return sourceOfLine(bench, circuitId === null ? null : bench.job.circuits[circuitId].lineId);
}

/** The lamps that hang on one of a job's supplies. */
export const lampsOn = (
  bench: Pick<Bench, 'assembly' | 'supply' | 'job'>,
  source: Source,
): ReadonlySet<string> =>
  new Set(Object.keys(bench.job.lamps).filter((id) => sourceOfLamp(bench, id).part === source.part));

/** The bench with one of its supplies as it is otherwise, as a cell that is half empty. */
export function withSource<B extends Bench>(bench: B, { part, beside }: Source, supply: Supply): B {
  if (!beside) return { ...bench, supply };
  const parts = bench.assembly.parts.map((p) =>
    p.kind === 'rails' && p.id === part ? { ...p, beside: supply } : p,
  );
  return { ...bench, assembly: { ...bench.assembly, parts } };
}

/** What one of a job's supplies delivers. */
export const deliveredBy = (
  { supplyAmps, railVolts, beside }: Pick<Readings, 'supplyAmps' | 'railVolts' | 'beside'>,
  source: Source,
): Delivered => (source.beside ? beside.get(source.part)! : { amps: supplyAmps, volts: railVolts });
