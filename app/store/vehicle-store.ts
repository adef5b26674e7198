import { create } from 'zustand';

/** Controls of the moment of one locomotive: remembered while the application is open, outside undo. */
export interface VehicleControls {
  readonly power: boolean;
  /** Null until a hand is laid on it: what its lights are made for. */
  readonly throttle: number | null;
  readonly direction: 'forward' | 'reverse';
  readonly moving: boolean;
  readonly functions: readonly number[];
  /** Presses of the function that steps. */
  readonly presses: number;
  /** Switches set otherwise than the document has them, by name. */
  readonly switches: Readonly<Record<string, boolean>>;
  /** The track it is set on for a trial; null for its own. */
  readonly supplyId: string | null;
}

export const usualVehicleControls: VehicleControls = {
  power: true,
  throttle: null,
  direction: 'forward',
  moving: true,
  functions: [0],
  presses: 0,
  switches: {},
  supplyId: null,
};

interface VehicleStore {
  readonly jobs: Readonly<Record<string, Partial<VehicleControls>>>;
  readonly set: (jobId: string, controls: Partial<VehicleControls>) => void;
}

export const useVehicleStore = create<VehicleStore>((set) => ({
  jobs: {},
  set: (jobId, controls) =>
    set(({ jobs }) => ({ jobs: { ...jobs, [jobId]: { ...jobs[jobId], ...controls } } })),
}));

/** The controls of a locomotive as they stand. */
export function useVehicleControls(jobId: string): VehicleControls {
  const own = useVehicleStore((s) => s.jobs[jobId]);
  return { ...usualVehicleControls, ...own };
}
