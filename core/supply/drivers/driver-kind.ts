import { undriven, type Phase } from '../state';
import type { OutputHold } from '../../part/decoder-type';

/** How a lamp shows in an aspect: all the time, in the first half of a flash, or in the other. */
export type Show = 'steady' | 'flash' | 'flash-other';

/** What a driver is asked to show: the outputs that are lit, each with how; the others are dark. */
export type Asked = ReadonlyMap<OutputId, Show>;
export type OutputId = `out${number}`;

/** One output of a driver, as lamps hang on it. */
export interface DriverOutput {
  readonly id: OutputId;
  readonly name: string;
  readonly limitAmps: number;
  /** The two pins its lamps hang between, the one that goes to plus first; left out where they hang between the common and a pin of its own. */
  readonly between?: readonly [PinId, PinId];
  /** What on the board limits its current already; nothing where left out. */
  readonly holds?: OutputHold;
}

/** A contact of a driver that it switches, where outputs hang between two of them. */
export interface DriverPin {
  readonly id: PinId;
  readonly name: string;
  readonly limitAmps: number;
  /** The side it goes to while it conducts. */
  readonly switches: SwitchedSide;
  readonly holds?: OutputHold;
}
export type PinId = string;

/** What feeds a driver, before its outputs: a bridge of its own where its supply changes sides, and a reservoir. */
export interface DriverFeed {
  readonly bridge: boolean;
  /** 0 for none. */
  readonly farads: number;
}

/** Which side of the lamps the outputs of a driver switch: their minus (lamps share plus), or their plus. */
export type SwitchedSide = 'minus' | 'plus';

/** A driver as its lamps see it. */
export interface DriverBuild {
  readonly outputs: readonly DriverOutput[];
  /** What it switches, where that is not one contact for each output. */
  readonly pins?: readonly DriverPin[];
  /** Share of the time that an output which is lit conducts; all of it where left out. */
  readonly litShare?: number;
  /** For all outputs together. */
  readonly totalAmps: number;
  readonly switches: SwitchedSide;
  /** Resistance of an output that conducts. */
  readonly onOhms: number;
  /** What it takes for itself. */
  readonly ownAmps: number;
  /** An output that is off is held at the other side, as pins of a small computer are. */
  readonly heldWhenOff: boolean;
  /** Its outputs and its common come from a regulator of its own with so many volts; null for the supply's. */
  readonly ownVolts: number | null;
  /** What its lamps share goes to the plus that feeds it, past its own volts. */
  readonly commonAtFeed?: boolean;
}

/** Volts that a driver gives a lamp which is lit, by a regulator of its own; null for what feeds it. */
export const litVolts = ({ ownVolts, commonAtFeed }: DriverBuild): number | null =>
  commonAtFeed ? null : ownVolts;

/**
 * What the leaflet of a bought board says of its outputs, or was measured on it; what is left out is not
 * known, and assumed: nothing on it limits, and its lamps get what feeds it.
 */
export interface BoardFacts {
  /** Volts that its lamps are given; null for those that feed it. */
  readonly lampVolts?: number | null;
  readonly holds?: OutputHold;
  /** The side it switches was read, and not taken from how the head is joined. */
  readonly sideKnown?: boolean;
}

/** A part that a driver is put together from or that is bought for it, with how many and a typical price (common practice, no source). */
export interface DriverNeed {
  readonly key: string;
  readonly name: string;
  readonly count: number;
  readonly price: number;
}

/** What every kind of driver answers; one file a kind, listed in `index.ts`. */
export interface DriverKind<R> {
  readonly kind: string;
  readonly name: string;
  /** In a few words. */
  readonly says: string;
  build(record: R): DriverBuild;
  /** How often a lamp that flashes is lit in a minute; null for what cannot flash. */
  perMinute(record: R): number | null;
  /** What it does when it is asked: its phases. What it cannot do it does as nearly as its make allows. */
  drive(record: R, asked: Asked): readonly Phase[];
  /** Why it cannot show what it is asked for, in half a sentence; null where it can. */
  cannot(record: R, asked: Asked): string | null;
  needs(record: R): readonly DriverNeed[];
}

/** The contacts that a driver switches: its own where it says so, else one for each output. */
export const pinsOf = ({
  pins,
  outputs,
  switches,
}: Pick<DriverBuild, 'pins' | 'outputs' | 'switches'>): readonly DriverPin[] =>
  pins ?? outputs.map(({ id, name, limitAmps, holds }) => ({ id, name, limitAmps, switches, holds }));

/** The output across the same two contacts the other way round; null where there is none. */
export const reverseOf = ({ outputs }: Pick<DriverBuild, 'outputs'>, output: string): OutputId | null => {
  const [plus, minus] = outputs.find((o) => o.id === output)?.between ?? [];
  if (plus === undefined) return null;
  return outputs.find((o) => o.between?.[0] === minus && o.between?.[1] === plus)?.id ?? null;
};

/** Numbers the outputs of a driver. */
export const numbered = (
  count: number,
  limitAmps: number,
  name: (n: number) => string = (n) => `Output ${n}`,
): DriverOutput[] =>
  Array.from({ length: count }, (_, i) => ({ id: `out${i + 1}`, name: name(i + 1), limitAmps }));

/** An output with what its board limits it by. */
export const heldBy =
  (board: BoardFacts | undefined) =>
  (output: DriverOutput): DriverOutput =>
    board?.holds ? { ...output, holds: board.holds } : output;

/** One phase in which outputs conduct. */
export const steadily = (outputs: Iterable<OutputId>): readonly Phase[] => {
  const conducting = new Set(outputs);
  return conducting.size === 0 ? undriven : [{ id: '', seconds: 1, slices: [{ share: 1, conducting }] }];
};

/**
 * Two phases, the halves of a flash, with what is steady in both; one where nothing flashes.
 * @param seconds of the first and of the other half
 */
export function inHalves(asked: Asked, seconds: readonly [number, number]): readonly Phase[] {
  const lit = [...asked];
  if (lit.every(([, show]) => show === 'steady')) return steadily(asked.keys());
  return (['first half', 'second half'] as const).map((id, i) => ({
    id,
    seconds: seconds[i],
    slices: [
      {
        share: 1,
        conducting: new Set(
          lit.filter(([, s]) => s === 'steady' || s === (i === 0 ? 'flash' : 'flash-other')).map(([o]) => o),
        ),
      },
    ],
  }));
}

/**
 * What throws over by itself between its two outputs: each lit for its own seconds, in the order that is
 * asked for; nothing where nothing is asked for, as a switch before it is off.
 */
export function inTurn(asked: Asked, [one, other]: readonly [number, number]): readonly Phase[] {
  if (asked.size === 0) return undriven;
  const first = asked.get('out1') === 'flash-other' || asked.get('out2') === 'flash';
  return inHalves(
    new Map([
      ['out1', first ? 'flash-other' : 'flash'],
      ['out2', first ? 'flash' : 'flash-other'],
    ]),
    first ? [other, one] : [one, other],
  );
}

/** Why what throws over between two outputs cannot show what is asked; null where it can. */
export function notInTurn(asked: Asked): string | null {
  if (asked.size === 0) return null;
  const shows = [...asked.values()].sort().join(' ');
  if (shows === 'flash flash-other') return null;
  if (shows.includes('steady'))
    return 'it only alternates: a lamp that is to stand steady flashes, and its fellow with it';
  return 'its two outputs are lit in turn, neither alone and never both';
}

/** Halves of a flash that comes so often in a minute, each as long as the other. */
export const halvesOf = (perMinute: number): [number, number] => [30 / perMinute, 30 / perMinute];

/** Whether anything that is asked for flashes. */
export const flashes = (asked: Asked): boolean => [...asked.values()].some((s) => s !== 'steady');
