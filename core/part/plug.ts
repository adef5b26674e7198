/** What a contact of a decoder plug carries. */
export type PinRole =
  | 'right-rail'
  | 'left-rail'
  | 'motor-plus'
  | 'motor-minus'
  | 'common'
  | 'ground'
  | 'logic-supply'
  | 'key'
  | 'other'
  | `out${number}`;

export interface PlugPin {
  readonly pin: number;
  readonly role: PinRole;
  /** Place seen from above, the side the decoder is pushed in from; columns to the right, rows down. */
  readonly column: number;
  readonly row: number;
}

/** A plug and socket for decoders. */
export interface Plug {
  readonly id: string;
  readonly name: string;
  /** Where its table comes from. */
  readonly source: string;
  readonly columns: number;
  readonly rows: number;
  /** Distance between neighbouring pins, and the outline with the plug's wires or board, in millimetres. */
  readonly pitchMillimetres: number;
  readonly widthMillimetres: number;
  readonly heightMillimetres: number;
  readonly pins: readonly PlugPin[];
}

/** Colours that the standards give to wires of a decoder. */
type StandardColour = 'orange' | 'grey' | 'red' | 'black' | 'blue' | 'white' | 'yellow' | 'green' | 'violet';

const role: Readonly<Record<StandardColour, PinRole>> = {
  orange: 'motor-plus',
  grey: 'motor-minus',
  red: 'right-rail',
  black: 'left-rail',
  blue: 'common',
  white: 'out1',
  yellow: 'out2',
  green: 'out3',
  violet: 'out4',
};

/** Colours of the wires of a decoder by what they carry (NMRA S-9.1.1, NEM 650); null where the standard names none. */
export function standardColour(of: PinRole): StandardColour | null {
  return (Object.entries(role).find(([, r]) => r === of)?.[0] as StandardColour | undefined) ?? null;
}

const inLine = (colours: StandardColour[]): PlugPin[] =>
  colours.map((c, i) => ({ pin: i + 1, role: role[c], column: i, row: 0 }));

/** Pins 1 to 11 down the left, 12 to 22 up the right, with the roles as remembered. */
const twoRows = (roles: PinRole[]): PlugPin[] =>
  roles.map((r, i) => ({
    pin: i + 1,
    role: r,
    column: i < 11 ? i : 21 - i,
    row: i < 11 ? 1 : 0,
  }));

/** Plugs as data: another is an entry more. */
export const plugs: Readonly<Record<string, Plug>> = {
  '6-pin': {
    id: '6-pin',
    name: '6-pin plug',
    source: 'NEM 651',
    columns: 6,
    rows: 1,
    pitchMillimetres: 1.27,
    widthMillimetres: 7.7,
    heightMillimetres: 2.5,
    pins: inLine(['orange', 'grey', 'red', 'black', 'white', 'yellow']),
  },
  '8-pin': {
    id: '8-pin',
    name: '8-pin plug',
    source: 'NEM 652',
    columns: 4,
    rows: 2,
    pitchMillimetres: 2.54,
    widthMillimetres: 10.2,
    heightMillimetres: 5.1,
    pins: (['orange', 'yellow', 'green', 'black', 'grey', 'white', 'blue', 'red'] as const).map((c, i) => ({
      pin: i + 1,
      role: role[c],
      // Counted round: 1 to 4 along one row, 5 to 8 back along the other, 8 beside 1.
      column: i < 4 ? i : 7 - i,
      row: i < 4 ? 0 : 1,
    })),
  },
  '21-pin': {
    id: '21-pin',
    name: '21-pin board',
    source: 'from memory',
    columns: 11,
    rows: 2,
    pitchMillimetres: 1.27,
    widthMillimetres: 15.5,
    heightMillimetres: 20.5,
    pins: twoRows([
      'other',
      'other',
      'out8',
      'out6',
      'other',
      'other',
      'out2',
      'out1',
      'other',
      'other',
      'key',
      'logic-supply',
      'out5',
      'out4',
      'out3',
      'common',
      'out7',
      'motor-minus',
      'motor-plus',
      'ground',
      'left-rail',
      'right-rail',
    ]),
  },
  wires: {
    id: 'wires',
    name: 'Loose wires',
    source: 'NMRA S-9.1.1, NEM 650',
    columns: 9,
    rows: 1,
    pitchMillimetres: 1.5,
    widthMillimetres: 6,
    heightMillimetres: 3,
    pins: inLine(['red', 'black', 'orange', 'grey', 'blue', 'white', 'yellow', 'green', 'violet']),
  },
};

/** Whether a plug carries a common positive; without one lamps return to a rail. */
export const hasCommon = (plug: Plug): boolean => plug.pins.some((p) => p.role === 'common');

/** A plug as seen from the side people solder: columns run the other way. */
export function mirrored(plug: Plug): Plug {
  return { ...plug, pins: plug.pins.map((p) => ({ ...p, column: plug.columns - 1 - p.column })) };
}
