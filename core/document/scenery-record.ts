import { z } from 'zod';
import { plugPitches } from '../part/small-plug';

/** How lamps of the scenery are joined to what feeds them, by the name people know it by. */
export const hookUps = {
  rail: { name: 'Copper-wire rail', says: 'two bare wires under the board' },
  strip: { name: 'Terminal strip', says: 'screws, resistors beside it' },
  board: { name: 'Many-socket board', says: 'plugs, resistors are on it' },
  hub: { name: 'Hub with trimmers', says: 'plugs, each lamp set by its trimmer' },
  output: { name: 'Decoder output', says: 'two screws of an address' },
} as const;
export type HookUpName = keyof typeof hookUps;
const names = Object.keys(hookUps) as [HookUpName, ...HookUpName[]];

const pitch = z.union(
  plugPitches.map((p) => z.literal(p)) as [z.ZodLiteral<number>, ...z.ZodLiteral<number>[]],
);

/** What every kind of lit scenery has besides what every job has. */
export const sceneryCore = {
  hookUp: z.enum(names),
  /** Pitch of the plug on the lamps' leads, null for bare ends; and of what it goes into. */
  plug: z.looseObject({ leadPitch: pitch.nullable(), socketPitch: pitch.nullable() }),
  /** How long it is to be lit in one go. */
  showHours: z.number().min(0.1).max(200),
};

export type Scenery = z.infer<z.ZodObject<typeof sceneryCore, z.core.$loose>>;

/** Whether a job is scenery: it stands, and is joined to what feeds it in one of the ways of scenery. */
export const isScenery = <J extends object>(job: J): job is J & Scenery => 'hookUp' in job && 'plug' in job;

/** Scenery as it begins: a terminal strip, bare ends, an evening of four hours. */
export const usualScenery = (hookUp: HookUpName = 'strip'): Scenery => ({
  hookUp,
  plug: { leadPitch: null, socketPitch: hookUp === 'hub' || hookUp === 'board' ? 2.0 : null },
  showHours: 4,
});
