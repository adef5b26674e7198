import { z } from 'zod';
import { brokenInDriven, drivenCore } from '../../document/aspect-record';
import { jobCore, type Say } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { brokenInMoving, movingCore } from '../../document/moving-record';

/** What a scene looks like from the front. */
export const sceneShapes = ['ride', 'sign', 'shop', 'shed', 'fire', 'lighthouse'] as const;
export type SceneShape = (typeof sceneShapes)[number];

export const sceneLampRecord = z.looseObject({
  ...lampCore,
  name: z.string().min(1).max(40),
  /** From its left end, and above the ground. */
  alongMillimetres: z.number().min(0).max(5000),
  heightMillimetres: z.number().min(0).max(2000),
});

/** A piece whose light moves: a lighthouse, a fairground ride, a sign, a shop front, a shed with a welder, a fire. */
export const sceneRecord = z.looseObject({
  ...jobCore,
  ...drivenCore,
  ...movingCore,
  kind: z.literal('scene'),
  body: z.looseObject({
    shape: z.enum(sceneShapes),
    widthMillimetres: z.number().min(5).max(2000),
    heightMillimetres: z.number().min(5).max(1000),
    /** From where it is looked at. */
    viewMetres: z.number().min(0.1).max(10),
  }),
  lamps: z.record(z.string(), sceneLampRecord),
});

export type SceneRecord = z.infer<typeof sceneRecord>;
export type SceneLamp = SceneRecord['lamps'][string];

export function brokenInScene(job: SceneRecord, say: Say): void {
  brokenInDriven(job, say);
  brokenInMoving(job, say);
}
