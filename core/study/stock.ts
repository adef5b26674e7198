import { formatQuantity, inSentence, shortOhms } from '../quantity/format';
import { wattsName } from '../part/resistor';
import { isFeedPart } from './wired/feed-parts';
import { inOrder } from '../document/in-order';
import { wireOf, type WireName } from '../part/wire';
import type { Part } from '../assembly/assembly';
import type { BoardNeed } from '../assembly/on-board';
import type { WireColour } from '../part/wire-colour';
import type { JobCore } from '../document/job-record';
import type { Layout } from '../document/layout';

/** A sort of thing one buys: its key in lists and in the drawer, and what it is called. */
export interface StockSort {
  readonly key: string;
  readonly name: string;
}

/** Rounded, so that a value computed and one typed are the same sort. */
const plain = (figure: number): string => String(Number(figure.toPrecision(6)));

/** The sort of thing a part is; null for what is not bought for a job, as the track, or comes on a board. */
export function sortOf(part: Part): StockSort | null {
  if (part.board !== null) return null;
  switch (part.kind) {
    case 'rails':
    case 'tester':
      return null;
    // A long wire is cut from the reel; rails and strips are counted by their length and their screws.
    case 'junction':
      return part.form === 'pad' ? { key: 'pad', name: 'Common pad, copper-clad or strip-board' } : null;
    case 'resistor':
      return {
        key: `resistor:${plain(part.ohms)}:${plain(part.ratedWatts)}`,
        name: `Resistor ${shortOhms(part.ohms)} ${wattsName(part.ratedWatts)}`,
      };
    case 'electrolytic':
      return {
        key: `reservoir:${plain(part.farads)}:${plain(part.ratedVolts)}`,
        name: `Reservoir ${formatQuantity(part.farads, 'farad')} ${formatQuantity(part.ratedVolts, 'volt')}`,
      };
    case 'lamp':
      return part.second
        ? {
            key: `lamp:${part.led.id}+${part.second.id}`,
            name: `Two-colour lamp ${inSentence(part.led.name)} and ${inSentence(part.second.name)}`,
          }
        : {
            key: `lamp:${part.led.id}`,
            name: part.led.form === 'led' ? `Lamp ${inSentence(part.led.name)}` : part.led.name,
          };
    case 'bulb':
      return { key: `bulb:${part.bulb.id}`, name: part.bulb.name };
    case 'bridge':
      return part.loose
        ? { key: `diode:${part.diode}`, name: `Diode, ${part.diode}` }
        : { key: `bridge:${part.diode}`, name: `Bridge rectifier, ${part.diode}` };
    case 'diode':
      // The old steering diode is in the model.
      if (part.role === 'steering') return null;
      return { key: `diode:${part.diode}`, name: `Diode, ${part.diode}` };
    case 'regulator':
      if (isFeedPart(part)) return { key: `converter:${plain(part.outVolts)}`, name: part.label };
      return {
        key: `regulator:${plain(part.outVolts)}`,
        name: `Regulator ${formatQuantity(part.outVolts, 'volt')}`,
      };
    case 'limiter':
      return {
        key: `limiter:${plain(part.amps)}`,
        name: `Constant-current board ${formatQuantity(part.amps, 'amp')}`,
      };
    case 'socket':
      return { key: 'hub-socket', name: 'Socket of a lamp hub' };
    case 'switch':
      return { key: 'switch', name: 'Switch' };
    case 'fuse':
      return { key: `fuse:${plain(part.amps)}`, name: `Fuse ${formatQuantity(part.amps, 'amp')}` };
    case 'motor':
      return { key: `motor:${plain(part.volts)}`, name: `Motor for ${formatQuantity(part.volts, 'volt')}` };
    // What it is put together from is listed piece by piece.
    case 'driver':
      return null;
    case 'decoder':
      return { key: `decoder:${part.outputs.length}`, name: `Decoder, ${part.outputs.length} outputs` };
  }
}

/** How many of its sort a part is: four diodes make a loose bridge. */
export const piecesOf = (part: Part): number => (part.kind === 'bridge' && part.loose ? 4 : 1);

/** A board bought whole, and a plug for one of its sockets. */
export const boardSort = ({ id, name }: Pick<BoardNeed, 'id' | 'name'>): StockSort => ({
  key: `board:${id}`,
  name,
});
export const plugSort = ({ id, word }: Pick<BoardNeed, 'id' | 'word'>): StockSort => ({
  key: `board-plug:${id}`,
  name: `Plug for ${word}`,
});

/** Wire of a sort and colour, counted in metres. */
export const wireSort = (wire: WireName, colour: WireColour): StockSort => ({
  key: `wire:${wire}:${colour}`,
  name: `${wireOf(wire).name}, ${colour}`,
});
export const shrinkSort: StockSort = { key: 'shrink', name: 'Heat-shrink 1.5 mm' };
/** A sleeve over a joint (common practice, no source). */
export const SLEEVE_MILLIMETRES = 8;

/** Whether stock of a sort is counted in metres rather than in pieces. */
export const soldByLength = (key: string): boolean => key.startsWith('wire:') || key === shrinkSort.key;

/** Stock of a sort in the drawer. */
export interface Stock {
  readonly from: 'resistors' | 'reservoirs' | 'sundries';
  readonly id: string;
  readonly count: number;
  readonly price: number;
  readonly kept: string;
}

/** What the drawer has of a sort; more than one entry where it was put in twice. */
export function stockOf({ drawer }: Pick<Layout, 'drawer'>, key: string): Stock[] {
  const [sort, a, b] = key.split(':');
  const found = <T extends Omit<Stock, 'from' | 'id'> & { order: number }>(
    from: Stock['from'],
    record: Readonly<Record<string, T>>,
    fits: (of: T) => boolean,
  ): Stock[] =>
    inOrder(record)
      .filter(fits)
      .map(({ id, count, price, kept }) => ({ from, id, count, price, kept }));
  if (sort === 'resistor')
    return found('resistors', drawer.resistors, (r) => plain(r.ohms) === a && plain(r.ratedWatts) === b);
  if (sort === 'reservoir')
    return found('reservoirs', drawer.reservoirs, (r) => plain(r.farads) === a && plain(r.ratedVolts) === b);
  return found('sundries', drawer.sundries, (s) => s.key === key);
}

/** How many of a sort the drawer has. */
export const ownedOf = (layout: Pick<Layout, 'drawer'>, key: string): number =>
  stockOf(layout, key).reduce((sum, s) => sum + s.count, 0);

/** How many of a sort the ticked tasks of a job have taken out of the drawer: they are built in, or lie ready. */
export function takenOf(
  { drawer }: Pick<Layout, 'drawer'>,
  { progress }: Pick<JobCore, 'progress'>,
  key: string,
): number {
  const own = stockOf({ drawer }, key);
  return Object.values(progress.tasks)
    .flatMap((t) => t.taken)
    .filter((t) => own.some((s) => s.from === t.from && s.id === t.id))
    .reduce((sum, t) => sum + t.count, 0);
}

/** Stock that parts take, each sort once. */
export function usesOf(parts: readonly Part[], times: number): { key: string; count: number }[] {
  const uses = new Map<string, number>();
  for (const part of parts) {
    const sort = sortOf(part);
    if (sort) uses.set(sort.key, (uses.get(sort.key) ?? 0) + times * piecesOf(part));
  }
  return [...uses].map(([key, count]) => ({ key, count }));
}
