import { z } from 'zod';
import { feedWireNames } from '../part/feed-wire';
import { railNames } from '../part/rail';
import { wireColours } from '../part/wire-colour';
import type { WireColour } from '../part/wire-colour';
import type { Say } from './job-record';

const order = z.number();
const name = z.string().min(1).max(60);
const millimetres = z.number().min(-20_000).max(20_000);
const amps = z.number().min(0.001).max(100);
const contactOhms = z.number().min(0).max(10);
const colours = wireColours as unknown as [WireColour, ...WireColour[]];

/** A board of the layout, seen from above: its far left corner, its width along and its depth towards the viewer. */
export const boardRecord = z.looseObject({
  order,
  name,
  xMillimetres: millimetres,
  yMillimetres: millimetres,
  widthMillimetres: z.number().min(10).max(20_000),
  depthMillimetres: z.number().min(10).max(20_000),
});
export type BoardRecord = z.infer<typeof boardRecord>;

/** What a node of the network is. */
const nodePart = z.discriminatedUnion('kind', [
  /** A supply of the layout, as it stands under the boards. */
  z.looseObject({
    kind: z.literal('supply'),
    supplyId: z.string(),
    /** Its minus is joined to the common return, with that of every other supply of which this is said. */
    joinsMinus: z.boolean().optional(),
  }),
  /** Numbered terminals, a hub's sockets or a bus bar: what lies together is joined. */
  z.looseObject({
    kind: z.literal('strip'),
    ways: z.number().int().min(2).max(48),
    ratedAmps: amps,
    contactOhms,
  }),
  /** A joint, soldered or crimped, as where a dropper leaves a bus. */
  z.looseObject({ kind: z.literal('tap') }),
  /** A step-down converter: runs that begin at its output are fed by its volts. */
  z.looseObject({
    kind: z.literal('converter'),
    outVolts: z.number().min(0.8).max(30),
    efficiency: z.number().min(0.3).max(0.99),
    limitAmps: amps,
    /** It gives nothing below so many volts more than its own. */
    headroomVolts: z.number().min(0).max(10),
  }),
  /** A job of the layout, as it stands on the boards, where it is fed. */
  z.looseObject({ kind: z.literal('job'), jobId: z.string() }),
  /** A rig of the layout, where its supply wires leave the boards. */
  z.looseObject({ kind: z.literal('rig'), rigId: z.string() }),
  /** Lamps that are no job yet: so many alike, each with a resistor, at once. */
  z.looseObject({
    kind: z.literal('lamps'),
    count: z.number().int().min(1).max(500),
    part: z.string().min(1),
    ohms: z.number().min(0).max(1e6),
  }),
  /** Anything else, by what it draws at what volts. */
  z.looseObject({
    kind: z.literal('typed'),
    volts: z.number().min(0.5).max(60),
    amps,
    /** As a resistor, as a lamp that keeps its current, or as what keeps its power. */
    behaves: z.enum(['resistor', 'current', 'power']),
  }),
]);
export type NodePart = z.infer<typeof nodePart>;

export const nodeRecord = z.looseObject({
  order,
  name,
  xMillimetres: millimetres,
  yMillimetres: millimetres,
  is: nodePart,
});
export type NodeRecord = z.infer<typeof nodeRecord>;

/** What stands in a run: a fuse and a switch in its plus, the contacts of a plug in both. */
const runPart = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('fuse'),
    amps: z.number().min(0.02).max(32),
    speed: z.enum(['quick', 'slow', 'resettable']),
  }),
  z.looseObject({ kind: z.literal('plug'), ratedAmps: amps, contactOhms }),
  z.looseObject({ kind: z.literal('switch'), on: z.boolean(), ratedAmps: amps, contactOhms }),
]);
export type RunPart = z.infer<typeof runPart>;

/** Two conductors from one node to another. */
export const runRecord = z.looseObject({
  order,
  label: name,
  from: z.string(),
  to: z.string(),
  /** It begins at the output of the converter it comes from. */
  fromOutput: z.boolean(),
  /** A wire, or the rails of a piece of track. */
  wire: z.enum([...feedWireNames, ...railNames]),
  /** Length of one conductor; null for what the plan says, along and across, and some slack. */
  millimetres: z.number().min(1).max(100_000).nullable(),
  plus: z.enum(colours),
  minus: z.enum(colours),
  /** It lies in a bundle with others. */
  bundled: z.boolean(),
  parts: z.array(runPart).max(12),
});
export type RunRecord = z.infer<typeof runRecord>;

/** The power under the boards. */
export const networkRecord = z.looseObject({
  nodes: z.record(z.string(), nodeRecord),
  runs: z.record(z.string(), runRecord),
});
export type NetworkRecord = z.infer<typeof networkRecord>;

/** Says what is wrong with a network beyond its schema. */
export function brokenInNetwork(
  { nodes, runs }: NetworkRecord,
  known: {
    readonly supplies: object;
    readonly jobs: object;
    readonly rigs: object;
    isLampType(part: string): boolean;
  },
  say: Say,
): void {
  for (const [id, { is }] of Object.entries(nodes)) {
    if (is.kind === 'supply' && !Object.hasOwn(known.supplies, is.supplyId))
      say(['nodes', id, 'is', 'supplyId'], `there is no supply “${is.supplyId}”`);
    if (is.kind === 'job' && !Object.hasOwn(known.jobs, is.jobId))
      say(['nodes', id, 'is', 'jobId'], `there is no job “${is.jobId}”`);
    if (is.kind === 'rig' && !Object.hasOwn(known.rigs, is.rigId))
      say(['nodes', id, 'is', 'rigId'], `there is no rig “${is.rigId}”`);
    if (is.kind === 'lamps' && !known.isLampType(is.part))
      say(['nodes', id, 'is', 'part'], `there is no lamp type “${is.part}”`);
  }
  for (const [id, run] of Object.entries(runs)) {
    for (const end of ['from', 'to'] as const)
      if (!Object.hasOwn(nodes, run[end])) say(['runs', id, end], `there is no place “${run[end]}”`);
    if (run.from === run.to) say(['runs', id, 'to'], 'it ends where it begins');
    if (run.fromOutput && Object.hasOwn(nodes, run.from) && nodes[run.from].is.kind !== 'converter')
      say(['runs', id, 'fromOutput'], `“${run.from}” is no converter`);
  }
}
