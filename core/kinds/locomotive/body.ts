import type { LocomotiveRecord } from './record';

/** Height of the underside above the rail, in millimetres. */
export const undersideAboveRail = (body: Pick<LocomotiveRecord['body'], 'wheelMillimetres'>): number =>
  body.wheelMillimetres;
