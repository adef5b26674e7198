import { convertXyz65ToRgb } from 'culori/fn';

/**
 * Chromaticity of a black body by Krystek's rational fit (1985), 1000 to 15000 K.
 * @returns CIE 1931 x, y
 */
export function planckianXy(kelvin: number): { x: number; y: number } {
  const t = kelvin;
  const u =
    (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) /
    (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t);
  const v =
    (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) /
    (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t);
  const d = 2 * u - 8 * v + 4;
  return { x: (3 * u) / d, y: (2 * v) / d };
}

/** Correlated colour temperature by McCamy's cubic (1992), in kelvin; good from about 1800 to 5000 K. */
export function mcCamyKelvin(x: number, y: number): number {
  const n = (x - 0.332) / (0.1858 - y);
  return 449 * n ** 3 + 3525 * n ** 2 + 6823.3 * n + 5520.33;
}

/**
 * The screen colour of a light: its chromaticity at full brightness, kept inside sRGB.
 * @returns `#rrggbb`
 */
export function screenColour(
  colour: { readonly kelvin: number } | { readonly x: number; readonly y: number },
): string {
  const { x, y } = 'kelvin' in colour ? planckianXy(colour.kelvin) : colour;
  const light = convertXyz65ToRgb({ x: x / y, y: 1, z: (1 - x - y) / y });
  const most = Math.max(light.r, light.g, light.b);
  const level = (c: number): string =>
    Math.round((255 * Math.max(0, c)) / most)
      .toString(16)
      .padStart(2, '0');
  return `#${level(light.r)}${level(light.g)}${level(light.b)}`;
}
