import { useLayoutStore } from '../../store/layout-store';
import { locomotiveIn } from '../../../core/kinds/locomotive/jobs';
import type { Draft } from 'immer';
import type { Layout } from '../../../core/document/layout';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';
import type { SolvedVehicle } from '../../store/use-vehicle';

/** What every stage's panel of choices gets. */
export interface VehiclePanelProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: LocomotiveRecord;
  readonly solved: SolvedVehicle;
}

/** Edits one locomotive's own record. */
export function useVehicleEdit(
  jobId: string,
): (label: string, recipe: (job: Draft<LocomotiveRecord>) => void) => void {
  const edit = useLayoutStore((s) => s.edit);
  return (label, recipe) => edit(label, (draft) => recipe(locomotiveIn(draft, jobId)));
}
