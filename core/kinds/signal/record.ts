import { z } from 'zod';
import { drivenCore } from '../../document/aspect-record';
import { jobCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { signalForms, type SignalForm } from './practices';

const forms = Object.keys(signalForms) as [SignalForm, ...SignalForm[]];

/** One lamp of a head: its place from the top and the left, in lamp spacings. */
export const signalLampRecord = z.looseObject({
  ...lampCore,
  name: z.string().min(1).max(40),
  row: z.number().int().min(0).max(9),
  column: z.number().int().min(0).max(9),
});

/** A signal: its head on a post, a bracket or the ground. */
export const signalRecord = z.looseObject({
  ...jobCore,
  ...drivenCore,
  kind: z.literal('signal'),
  head: z.looseObject({
    form: z.enum(forms),
    mount: z.enum(['post', 'bracket']),
    /** Of the lowest lamp above the ground. */
    heightMillimetres: z.number().min(0.5).max(500),
    spacingMillimetres: z.number().min(0.5).max(60),
    lensMillimetres: z.number().min(0.2).max(30),
    /** Depth of the hood over each lens; 0 for none. */
    hoodMillimetres: z.number().min(0).max(40),
    postMillimetres: z.number().min(0.5).max(30),
    boreMillimetres: z.number().min(0.2).max(28),
    /** From where it is looked at on the layout. */
    viewMetres: z.number().min(0.1).max(10),
  }),
  lamps: z.record(z.string(), signalLampRecord),
});

export type SignalRecord = z.infer<typeof signalRecord>;
export type SignalLamp = SignalRecord['lamps'][string];
