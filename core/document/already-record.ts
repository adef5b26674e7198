import { z } from 'zod';

/** What may be in a model before anything is done to it. */
export const alreadyThings = {
  lamps: 'Old lamps or bulbs',
  mounts: 'Lamp holders',
  pegs: 'Lens pegs or light pipes',
  seats: 'Seats or interior',
  weight: 'Weight in the way of wires',
  suppressor: 'Interference suppressor',
  board: 'Board that came with it',
  decoder: 'Decoder that came with it',
} as const;
export type AlreadyThing = keyof typeof alreadyThings;
const things = Object.keys(alreadyThings) as [AlreadyThing, ...AlreadyThing[]];

/** What becomes of it. */
export const fates = { stays: 'Stays', goes: 'Comes out', reused: 'Is used again' } as const;
export type Fate = keyof typeof fates;

/** A thing that is in the model already. */
export const alreadyRecord = z.looseObject({
  order: z.number(),
  what: z.enum(things),
  count: z.number().int().min(1).max(200),
  fate: z.enum(['stays', 'goes', 'reused']),
  note: z.string().max(200),
});
export type AlreadyRecord = z.infer<typeof alreadyRecord>;

/** Things that the lights of a job can use again. */
export const reusable: readonly AlreadyThing[] = ['lamps', 'decoder', 'board'];
