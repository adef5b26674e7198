import type { DisplayShape } from '../../../core/kinds/display-model/record';

/** An outline in a box of 100 by 100, y up from its underside: the body, and lines on it. */
interface Outline {
  readonly body: readonly string[];
  readonly lines: readonly string[];
}

/**
 * Sorts of display models from their side, told at a glance; the box is stretched to length and height.
 */
export const outlines: Readonly<Record<DisplayShape, Outline>> = {
  ship: {
    body: [
      // Hull with sheer, wheelhouse, funnel, mast.
      'M0 46L4 4Q6 0 12 0H88Q94 0 98 34L99 42Q60 28 30 32Q12 34 0 46Z',
      'M46 30V64H66V30Z',
      'M30 32V70L39 74V31Z',
      'M74 34V100H75.5V34Z',
    ],
    lines: ['M3 22Q50 10 98 26', 'M48 54H64', 'M30 62H39'],
  },
  aircraft: {
    body: [
      // Fuselage with fin, wing seen edge on.
      'M0 40Q8 22 26 20H84Q98 26 100 44Q80 62 26 62Q8 60 0 40Z',
      'M82 56L92 100H100L97 48Z',
      'M30 30L62 26L66 34L32 38Z',
    ],
    lines: ['M10 46Q14 56 22 56', 'M28 48H80'],
  },
  building: {
    body: [
      // Gable end, roof, chimney, porch.
      'M4 0V58H96V0Z',
      'M0 58L26 96H74L100 58Z',
      'M66 84V100H76V80Z',
    ],
    lines: ['M20 22H34V44H20Z', 'M66 22H80V44H66Z', 'M44 0V36H56V0'],
  },
  vehicle: {
    body: [
      // Bonnet, cab, box; wheels.
      'M0 18V48L4 56H26V18Z',
      'M24 18V92L30 100H46V18Z',
      'M48 18V100H100V18Z',
      'M9 16a8 16 0 1 0 16 0a8 16 0 1 0 -16 0Z',
      'M74 16a8 16 0 1 0 16 0a8 16 0 1 0 -16 0Z',
    ],
    lines: ['M30 64H43V90H33L30 86Z', 'M48 60H100'],
  },
};
