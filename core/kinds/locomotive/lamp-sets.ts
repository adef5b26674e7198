import { inOrder } from '../../document/in-order';
import { freeId } from '../../document/usual-supply';
import { undersideAboveRail } from './body';
import type { Draft } from 'immer';
import type { End } from '../../document/ends';
import type { LampRoleName } from '../../document/lamp-roles';
import type { LampSetRecord } from '../../document/lamp-set-record';
import type { Layout } from '../../document/layout';
import type { LocomotiveRecord } from './record';

/** A lamp of a set, at one end; what is left out is as usual for its role. */
type SetLamp = Pick<LampSetRecord['lamps'][number], 'role' | 'across' | 'up'> &
  Partial<LampSetRecord['lamps'][number]>;

export interface LampSet {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly lamps: readonly SetLamp[];
}

const pair = (role: LampRoleName, across: number, up: number): SetLamp[] => [
  { role, across: -across, up },
  { role, across, up },
];

/**
 * What an end carries, as generic sets that may be changed after; none is a real railway's. Another
 * is an entry more.
 */
export const lampSets: readonly LampSet[] = [
  {
    id: 'two-and-two',
    name: 'Two white, two red',
    says: 'Head lamps low on both sides, tail lamps beside them.',
    lamps: [...pair('headlight', 0.62, 0.3), ...pair('tail', 0.4, 0.3)],
  },
  {
    id: 'three-and-two',
    name: 'Three white, two red',
    says: 'A third white lamp high in the middle makes a triangle.',
    lamps: [
      ...pair('headlight', 0.62, 0.28),
      { role: 'headlight', across: 0, up: 0.86 },
      ...pair('tail', 0.4, 0.28),
    ],
  },
  {
    id: 'one-high',
    name: 'One headlight, markers in three colours',
    says: 'One lamp high in the middle; white, green and red markers beside it.',
    lamps: [
      { role: 'headlight', across: 0, up: 0.88 },
      ...pair('marker-white', 0.5, 0.82),
      ...pair('marker-green', 0.62, 0.82),
      ...pair('marker-red', 0.74, 0.82),
    ],
  },
  {
    id: 'ditch',
    name: 'Headlight, ditch pair, number board',
    says: 'Headlight in the middle, a ditch pair low down, a lit number board above.',
    lamps: [
      { role: 'headlight', across: 0, up: 0.62 },
      ...pair('ditch', 0.68, 0.1),
      { role: 'number-board', across: 0, up: 0.9 },
      ...pair('tail', 0.68, 0.4),
    ],
  },
  {
    id: 'railcar',
    name: 'Two white, two red, blind and cab',
    says: 'Lamps low on both sides, a lit destination blind and a cab light.',
    lamps: [
      ...pair('headlight', 0.6, 0.22),
      ...pair('tail', 0.42, 0.22),
      { role: 'destination', across: 0, up: 0.86 },
      { role: 'cab', across: 0, up: 0.8, along: 0.06 },
    ],
  },
  {
    id: 'head-code',
    name: 'Head-code box, two red',
    says: 'A lit box in the middle instead of lamps, red lamps below it.',
    lamps: [{ role: 'head-code', across: 0, up: 0.55 }, ...pair('tail', 0.6, 0.28)],
  },
  {
    id: 'bulb',
    name: 'One bulb',
    says: 'One lamp high in the middle, as older models came.',
    lamps: [{ role: 'headlight', across: 0, up: 0.7, part: 'bulb-12v' }],
  },
];

/** The generic sets, and after them those of the layout's own. */
export function setsOf(layout: Pick<Layout, 'lampSets'>): LampSet[] {
  const own = inOrder(layout.lampSets).map((s) => ({
    id: s.id,
    name: s.name,
    says: 'One of your own.',
    lamps: s.lamps,
  }));
  return [...lampSets, ...own];
}

/** Keeps what an end carries as a set of one's own, by shares of the body. @returns its id */
export function keepAsSet(draft: Draft<Layout>, job: LocomotiveRecord, end: End, name: string): string {
  const id = freeId(draft.lampSets, 'own-set');
  const { body } = job;
  const share = (part: number, whole: number): number =>
    Number(Math.min(1.2, Math.max(-1.2, part / whole)).toFixed(4));
  draft.lampSets[id] = {
    order: 1 + Math.max(0, ...Object.values(draft.lampSets).map((s) => s.order)),
    name,
    lamps: inOrder(job.lamps)
      .filter((l) => l.end === end)
      .map((l) => ({
        role: l.role,
        across: share(l.acrossMillimetres, body.widthMillimetres / 2),
        up: share(l.heightMillimetres - undersideAboveRail(body), body.heightMillimetres),
        along: Math.abs(
          share(
            end === 'A' ? l.alongMillimetres : body.lengthMillimetres - l.alongMillimetres,
            body.lengthMillimetres,
          ),
        ),
        part: l.part,
        secondPart: l.secondPart,
        tint: l.tint,
        shows: l.shows,
      })),
  };
  return id;
}
