/** A lit spot: a window, or a lamp as a square of its lens. Millimetres from the left end and above the rail. */
export interface SketchLight {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Lightness L*, 0 to 100, as solved. */
  readonly lightness: number;
  readonly colour: string;
}

/** A job in outline with its lights as solved: a vehicle, or what stands on a stand. */
export interface SketchVehicle {
  readonly length: number;
  readonly underside: number;
  readonly top: number;
  readonly shape: 'coach' | 'hood' | 'two-cabs' | 'railcar' | 'stand' | 'posts' | 'roof' | 'house';
  readonly lights: readonly SketchLight[];
}

export const DARK_SPOT = '#20282a';
/** Millimetres of a sketch to a tenth. */
export const tenth = (x: number): number => Math.round(x * 10) / 10;
