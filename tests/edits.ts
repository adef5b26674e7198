import { mainLineId, putStage, stageOf, takeStage } from '../core/document/line-stages';
import { inOrder } from '../core/document/in-order';
import { usualPassage } from '../core/document/passage-record';
import { tick } from '../core/build/progress';
import { usualOwnLamp } from '../core/document/drawer-record';
import { freeId } from '../core/document/usual-supply';
import { coachesOf, coachIn } from '../core/kinds/coach/jobs';
import type { Draft } from 'immer';
import type { Layout } from '../core/document/layout';

/** A stream of numbers from 0 to 1 that is the same for the same seed (mulberry32, public domain). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export interface RandomEdit {
  readonly label: string;
  readonly recipe: (draft: Draft<Layout>) => void;
}

/** An edit as a person might make it, on a random place: of figures, words, lists, and of what there is at all. */
export function randomEdit(layout: Layout, random: () => number): RandomEdit {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)];
  const coach = pick(coachesOf(layout));
  const lamp = pick(inOrder(coach.lamps));
  const figure = Math.round(random() * 1000) / 10;
  const edits: (() => RandomEdit)[] = [
    () => ({
      label: 'Wanted light',
      recipe: (d) => void (coachIn(d, coach.id).wantedLux = 1 + figure),
    }),
    () => ({ label: 'Note', recipe: (d) => void (coachIn(d, coach.id).note = `note ${figure}`) }),
    () => ({ label: 'Name of the layout', recipe: (d) => void (d.name = `Quay ${figure}`) }),
    () => ({
      label: 'Reservoir',
      recipe: (d) => {
        const { lines } = coachIn(d, coach.id);
        const line = lines[mainLineId({ lines })!];
        if (stageOf(line, 'reservoir')) takeStage(line, 'reservoir');
        else putStage(line, 'reservoir', { farads: 470e-6, ratedVolts: 25 });
      },
    }),
    () => ({
      label: 'A task done, or not after all',
      recipe: (d) =>
        tick(
          d,
          coach.id,
          { id: `task ${Math.round(figure) % 5}`, uses: [{ key: 'resistor:470:0.25', count: 2 }] },
          figure > 40,
        ),
    }),
    () => ({
      label: 'A passage',
      recipe: (d) => {
        const { passages } = coachIn(d, coach.id);
        const ids = Object.keys(passages);
        if (ids.length > 3) Reflect.deleteProperty(passages, pick(ids));
        else
          passages[freeId(passages, 'passage')] = usualPassage(
            ids.length + 1,
            `Hole ${figure}`,
            'hole',
            'roof',
            1 + figure / 10,
          );
      },
    }),
    () => ({
      label: 'A resistor into the drawer',
      recipe: (d) => {
        const { resistors } = d.drawer;
        resistors[freeId(resistors, 'resistor')] = {
          order: Object.keys(resistors).length + 1,
          ohms: 100 + figure,
          ratedWatts: 0.25,
          count: 10,
          price: 0.1,
          kept: '',
        };
      },
    }),
    () => ({
      label: 'A resistor out of the drawer',
      recipe: (d) => {
        const ids = Object.keys(d.drawer.resistors);
        if (ids.length > 0) Reflect.deleteProperty(d.drawer.resistors, pick(ids));
      },
    }),
    () => ({
      label: 'Edge of the board',
      recipe: (d) => void (coachIn(d, coach.id).ride.deadMillimetres = figure),
    }),
    () => ({
      label: 'Readings of a lamp',
      recipe: (d) => {
        const { lamps } = d.drawer;
        lamps.mine ??= {
          order: 1,
          name: 'My lamp',
          readings: [
            { volts: 2.7, amps: 0.001 },
            { volts: 3, amps: 0.02 },
          ],
          greatestAmps: 0.02,
          lumens: 1.5,
          ...usualOwnLamp,
        };
        const { readings } = lamps.mine;
        if (readings.length > 6) readings.splice(1, 3);
        else readings.splice(1, 0, { volts: 2.8, amps: 0.004 + figure / 1e5 });
      },
    }),
  ];
  if (lamp) {
    edits.push(
      () => ({
        label: 'Place of a lamp',
        recipe: (d) => void (coachIn(d, coach.id).lamps[lamp.id].placeMillimetres = figure),
      }),
      () => ({
        label: 'A lamp out',
        recipe: (d) => void Reflect.deleteProperty(coachIn(d, coach.id).lamps, lamp.id),
      }),
      () => ({
        label: 'Another lamp',
        recipe: (d) => {
          const { lamps } = coachIn(d, coach.id);
          const { id, ...like } = lamp;
          lamps[freeId(lamps, 'lamp')] = {
            ...like,
            placeMillimetres: figure,
            order: Object.keys(lamps).length + 1,
          };
          void id;
        },
      }),
    );
  }
  return pick(edits)();
}
