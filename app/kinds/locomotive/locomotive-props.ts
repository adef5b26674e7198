import { locomotiveIn } from '../../../core/kinds/locomotive/jobs';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';
import type { PanelProps, PictureProps } from '../face';

/** What the panels and pictures of a locomotive get. */
export type LocomotiveProps = PanelProps<LocomotiveRecord>;
export type LocomotivePictureProps = PictureProps<LocomotiveRecord>;

/** Edits one locomotive's own record. */
export function useLocomotiveEdit(
  jobId: string,
): (label: string, recipe: (job: Draft<LocomotiveRecord>) => void) => void {
  const edit = useLayoutStore((s) => s.edit);
  return (label, recipe) => edit(label, (draft) => recipe(locomotiveIn(draft, jobId)));
}
