/** One output of a decoder for lamps. */
export interface DecoderOutput {
  readonly id: `out${number}`;
  readonly name: string;
  readonly limitAmps: number;
  /** A logic-level output only tells another board to switch: no lamp may hang on it. */
  readonly level: 'full' | 'logic';
  readonly holds: OutputHold;
}

/** What on the board limits the current of one output already. */
export type OutputHold =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'resistor'; readonly ohms: number }
  | { readonly kind: 'limiter'; readonly amps: number };

/** A sort of decoder, as far as lamps hang on it. */
export interface DecoderType {
  readonly id: string;
  readonly name: string;
  readonly outputs: readonly DecoderOutput[];
  /** All outputs together. */
  readonly totalAmps: number;
  /** Resistance of an output that is switched on, in ohms. */
  readonly onOhms: number;
  /** The side its outputs switch; lamps share the other. */
  readonly switches: 'minus' | 'plus';
  /** Steps its brightness is set in, from 0: hundredths, or 31sts. */
  readonly brightnessSteps: 100 | 31;
  /** The plugs it comes with. */
  readonly plugs: readonly string[];
  /**
   * For each of CV 33 to 46 in turn: the number of the output that bit 0 stands for. Some makers shift
   * the windows, so they belong to the decoder; null where any press may light any output.
   */
  readonly windows: readonly number[] | null;
  /** Whether it lights its lamps on a DC track too. */
  readonly runsOnDc: boolean;
  /** Volts on a DC track from which it works, and what it takes for itself. */
  readonly wakeVolts: number;
  readonly ownAmps: number;
  readonly lengthMillimetres: number;
  readonly widthMillimetres: number;
  readonly heightMillimetres: number;
}

const colours = ['white', 'yellow', 'green', 'violet'];
const outputs = (count: number, limitAmps: number, logicFrom = count + 1): DecoderOutput[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `out${i + 1}`,
    name: i < colours.length ? `Output ${i + 1}, ${colours[i]}` : `Output ${i + 1}`,
    limitAmps,
    level: i + 1 < logicFrom ? 'full' : 'logic',
    holds: { kind: 'nothing' },
  }));

/**
 * Windows of NMRA S-9.2.2 as remembered: CV 33 to 37 reach outputs 1 to 8, CV 38 to 42 outputs 4 to
 * 11, CV 43 to 46 outputs 7 to 14.
 */
export const standardWindows: readonly number[] = [1, 1, 1, 1, 1, 4, 4, 4, 4, 4, 7, 7, 7, 7];
/** The same, one CV earlier, as some have it. */
export const shiftedWindows: readonly number[] = [1, 1, 1, 1, 4, 4, 4, 4, 4, 7, 7, 7, 7, 7];

/** A decoder wakes at some 5 V and takes about 8 mA for itself (typical, from memory). */
const usual = {
  onOhms: 2,
  switches: 'minus',
  brightnessSteps: 100,
  windows: standardWindows,
  runsOnDc: true,
  wakeVolts: 5,
  ownAmps: 0.008,
} as const;

/** Generic decoders; figures are typical, not any maker's. Another is an entry more. */
export const decoderTypes: Readonly<Record<string, DecoderType>> = {
  small: {
    ...usual,
    id: 'small',
    name: 'Small decoder, 2 outputs',
    outputs: outputs(2, 0.15),
    totalAmps: 0.2,
    plugs: ['6-pin', 'wires'],
    lengthMillimetres: 11,
    widthMillimetres: 8,
    heightMillimetres: 2.5,
  },
  usual: {
    ...usual,
    id: 'usual',
    name: 'Usual decoder, 4 outputs',
    outputs: outputs(4, 0.1),
    totalAmps: 0.25,
    plugs: ['8-pin', 'wires'],
    lengthMillimetres: 22,
    widthMillimetres: 15,
    heightMillimetres: 4,
  },
  many: {
    ...usual,
    id: 'many',
    name: 'Board decoder, 8 outputs, the last logic level only',
    outputs: outputs(8, 0.1, 8),
    totalAmps: 0.4,
    plugs: ['21-pin', 'wires'],
    lengthMillimetres: 20.5,
    widthMillimetres: 15.5,
    heightMillimetres: 4,
  },
  shifted: {
    ...usual,
    id: 'shifted',
    name: 'Decoder with windows one CV earlier, 8 outputs',
    outputs: outputs(8, 0.1),
    totalAmps: 0.4,
    windows: shiftedWindows,
    plugs: ['8-pin', '21-pin', 'wires'],
    lengthMillimetres: 22,
    widthMillimetres: 15,
    heightMillimetres: 4,
  },
};

/** A share of brightness as this decoder is told it: "65 %", or "20 of 31". */
export const brightnessWords = (
  share: number,
  { brightnessSteps }: Pick<DecoderType, 'brightnessSteps'>,
): string =>
  brightnessSteps === 100
    ? `${Math.round(share * 100)} %`
    : `${Math.round(share * brightnessSteps)} of ${brightnessSteps}`;
