import { inOrder } from '../../document/in-order';
import { modelMillimetres, type ScaleName } from '../../quantity/scale';
import type { SignalForm } from './practices';
import type { SignalRecord } from './record';

/** How signals of each form measure full size, in metres (common practice, no source). */
const measures: Readonly<
  Record<
    SignalForm,
    { readonly height: number; readonly lens: number; readonly spacing: number; readonly post: number }
  >
> = {
  'colour-light': { height: 3.6, lens: 0.21, spacing: 0.33, post: 0.17 },
  ground: { height: 0.35, lens: 0.11, spacing: 0.19, post: 0.12 },
  semaphore: { height: 6, lens: 0.21, spacing: 0.5, post: 0.24 },
  route: { height: 4.4, lens: 0.09, spacing: 0.2, post: 0.17 },
};
/** Brass tube on which small signals are built: the thinnest that takes leads, and its wall, in millimetres (common practice, no source). */
const LEAST_POST = 2;
const WALL = 0.3;
/** The smallest lamp that is put behind a lens. */
const LEAST_LENS = 0.8;
const HOOD_SHARE = 1.1;
const VIEW_METRES = 1;

const tenths = (millimetres: number): number => Math.round(millimetres * 10) / 10;

/** A head of a form as it commonly measures, at a scale. */
export function usualHead(form: SignalForm, scale: ScaleName): SignalRecord['head'] {
  const { height, lens, spacing, post } = measures[form];
  const lensMillimetres = Math.max(LEAST_LENS, tenths(modelMillimetres(lens, scale)));
  const postMillimetres = Math.max(LEAST_POST, tenths(modelMillimetres(post, scale)));
  return {
    form,
    mount: 'post',
    heightMillimetres: Math.max(1, tenths(modelMillimetres(height, scale))),
    spacingMillimetres: Math.max(tenths(lensMillimetres * 1.3), tenths(modelMillimetres(spacing, scale))),
    lensMillimetres,
    hoodMillimetres: form === 'colour-light' ? tenths(lensMillimetres * HOOD_SHARE) : 0,
    postMillimetres,
    boreMillimetres: tenths(postMillimetres - 2 * WALL),
    viewMetres: VIEW_METRES,
  };
}

/** Where a lamp of a signal sits: from the head's middle to the right, and above the ground, in millimetres. */
export function spotIn(
  { head, lamps }: Pick<SignalRecord, 'head' | 'lamps'>,
  lampId: string,
): { readonly x: number; readonly y: number } {
  const all = Object.values(lamps);
  const lowest = Math.max(...all.map((l) => l.row));
  const widest = Math.max(...all.map((l) => l.column));
  const { row, column } = lamps[lampId];
  return {
    x: (column - widest / 2) * head.spacingMillimetres,
    y: head.heightMillimetres + (lowest - row) * head.spacingMillimetres,
  };
}

/** Width and top of a signal with its head, in millimetres. */
export function signalSize(job: Pick<SignalRecord, 'head' | 'lamps'>): {
  readonly width: number;
  readonly top: number;
} {
  const { head, lamps } = job;
  const room = head.lensMillimetres + head.spacingMillimetres * 0.6;
  const columns = 1 + Math.max(0, ...Object.values(lamps).map((l) => l.column));
  const top = Math.max(head.heightMillimetres, ...inOrder(lamps).map((l) => spotIn(job, l.id).y));
  const arm = head.form === 'semaphore' ? head.heightMillimetres * 0.5 : 0;
  return { width: Math.max(columns * head.spacingMillimetres + room, arm * 1.3), top: top + room };
}
