/** What hangs above a layout: strip off a reel, tube lamps end to end, spots. */
export type OverheadForm = 'strip' | 'tube' | 'spot';

/** A lamp for the light above a layout, as its bag tells it. Of strip and tubes light and power are for a metre, of a spot for one. */
export interface OverheadLamp {
  readonly id: string;
  readonly name: string;
  readonly form: OverheadForm;
  readonly lumens: number;
  readonly watts: number;
  readonly volts: number;
  readonly kelvin: number;
  /** Off the black body in CIE 1960 u, v; bags do not tell it. */
  readonly duv: number;
  /** Whole angle of half intensity. */
  readonly beamDegrees: number;
  /** Strip: from one cut mark to the next. */
  readonly cutMillimetres: number;
  /** Of both conductors of strip together, for a metre. */
  readonly copperOhms: number;
  /** Tube: how long one is; spot: from one to the next. */
  readonly pieceMillimetres: number;
  /** Price of a metre of strip, of a tube, of a spot, in the layout's currency (typical). */
  readonly price: number;
}

const strip = (
  id: string,
  volts: 12 | 24,
  watts: number,
  lumens: number,
  kelvin: number,
  price: number,
): OverheadLamp => ({
  id,
  name: `Strip ${volts} V, ${watts} W a metre, ${kelvin} K`,
  form: 'strip',
  lumens,
  watts,
  volts,
  kelvin,
  duv: 0,
  beamDegrees: 120,
  cutMillimetres: volts === 12 ? 50 : 100,
  copperOhms: 0.12,
  pieceMillimetres: 5000,
  price,
});

/** Lamps as they are sold; figures are typical, from memory, not any maker's. Another is an entry more. */
export const overheadLamps: Readonly<Record<string, OverheadLamp>> = Object.fromEntries(
  [
    strip('strip-24-5', 24, 4.8, 430, 4000, 3),
    strip('strip-24-10', 24, 9.6, 880, 4000, 4.5),
    strip('strip-24-10-warm', 24, 9.6, 840, 3000, 4.5),
    strip('strip-24-10-cool', 24, 9.6, 920, 5000, 4.5),
    strip('strip-24-14', 24, 14.4, 1350, 4000, 6),
    strip('strip-24-19', 24, 19.2, 1900, 4000, 8.5),
    strip('strip-12-5', 12, 4.8, 400, 4000, 3),
    strip('strip-12-10', 12, 9.6, 800, 4000, 4.5),
    strip('strip-12-14', 12, 14.4, 1200, 6000, 6),
    {
      id: 'tube-600',
      name: 'Tube lamp 24 V, 600 mm, 9 W, 4000 K',
      form: 'tube' as const,
      lumens: 1500,
      watts: 15,
      volts: 24,
      kelvin: 4000,
      duv: 0,
      beamDegrees: 120,
      cutMillimetres: 600,
      copperOhms: 0.05,
      pieceMillimetres: 600,
      price: 14,
    },
    {
      id: 'spot-5',
      name: 'Spot 12 V, 5 W, 36°, 3000 K',
      form: 'spot' as const,
      lumens: 380,
      watts: 5,
      volts: 12,
      kelvin: 3000,
      duv: 0,
      beamDegrees: 36,
      cutMillimetres: 400,
      copperOhms: 0.05,
      pieceMillimetres: 400,
      price: 7,
    },
  ].map((l) => [l.id, l]),
);

/** Weight of a metre of strip, of a tube, of a spot, in kilograms (typical, from memory). */
export const lampKilograms: Readonly<Record<OverheadForm, number>> = { strip: 0.025, tube: 0.15, spot: 0.06 };

/** A channel that strip lies in: what its cover leaves of the light, how wide it shines, how well it cools. */
export interface Channel {
  readonly name: string;
  readonly leaves: number;
  /** Width of what shines, in millimetres: it softens shadows. */
  readonly shinesMillimetres: number;
  /** Warmer than the air for each watt of a metre, in kelvin. */
  readonly kelvinPerWatt: number;
  readonly metrePrice: number;
  readonly kilogramsPerMetre: number;
}

/** Channels (typical, from memory). */
export const channels = {
  none: {
    name: 'No channel, on timber',
    leaves: 1,
    shinesMillimetres: 3,
    kelvinPerWatt: 4.5,
    metrePrice: 0,
    kilogramsPerMetre: 0,
  },
  open: {
    name: 'Aluminium, open',
    leaves: 1,
    shinesMillimetres: 3,
    kelvinPerWatt: 2,
    metrePrice: 4,
    kilogramsPerMetre: 0.18,
  },
  clear: {
    name: 'Aluminium, clear cover',
    leaves: 0.9,
    shinesMillimetres: 4,
    kelvinPerWatt: 2.4,
    metrePrice: 5.5,
    kilogramsPerMetre: 0.22,
  },
  frosted: {
    name: 'Aluminium, frosted cover',
    leaves: 0.65,
    shinesMillimetres: 15,
    kelvinPerWatt: 2.4,
    metrePrice: 5.5,
    kilogramsPerMetre: 0.22,
  },
} as const satisfies Readonly<Record<string, Channel>>;
export type ChannelName = keyof typeof channels;
