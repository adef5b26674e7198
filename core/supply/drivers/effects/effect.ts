import type { Whole } from './whole';

/** A parameter of an effect, in words. */
export interface EffectParameter {
  readonly name: string;
  readonly unit: 'millisecond' | 'percent' | 'lamps';
  readonly least: number;
  readonly most: number;
  readonly usual: number;
}

/** How light moves: one file each, listed in `index.ts`. */
export interface MovingEffect {
  readonly id: string;
  readonly name: string;
  /** In a few words. */
  readonly says: string;
  /** At most three; they are `p`, `q` and `r` of its sum. */
  readonly parameters: readonly EffectParameter[];
  /** 0 to 255 at a moment. */
  readonly level: Whole;
  /** The most flashes a second one of so many lamps makes with these parameters: a flash is from dark to light and back. */
  flashesPerSecond(parameters: readonly number[], lamps: number): number;
}

export const milliseconds = (name: string, least: number, most: number, usual: number): EffectParameter => ({
  name,
  unit: 'millisecond',
  least,
  most,
  usual,
});
export const percent = (name: string, least: number, most: number, usual: number): EffectParameter => ({
  name,
  unit: 'percent',
  least,
  most,
  usual,
});
