/** A sum people do by hand: what it says, and the way it goes, for showing beside the solved answer. */
export interface Shortcut {
  readonly figure: number;
  readonly sum: string;
  /** Why the solved answer differs. */
  readonly why: string;
}

const plain = (figure: number, digits = 3): string => String(Number(figure.toPrecision(digits)));

/**
 * Resistor for a lamp by Ohm's law, (V - Vf) / I.
 * @param volts before the resistor, as read or guessed
 * @param forwardVolts of all lamps in the string, at their nameplate current
 * @param insideOhms that the lamps bring along, as the resistor sees them
 */
export function resistorShortcut(
  volts: number,
  forwardVolts: number,
  amps: number,
  insideOhms = 0,
): Shortcut {
  const figure = (volts - forwardVolts) / amps - insideOhms;
  const inside = insideOhms > 0 ? ` − ${plain(insideOhms)} Ω inside` : '';
  return {
    figure,
    sum: `(${plain(volts)} V − ${plain(forwardVolts)} V) / ${plain(amps * 1e3)} mA${inside} = ${plain(figure)} Ω`,
    why: 'The sum takes the lamp’s nameplate volts; at less current it takes less, and rectifier, track and charge resistor take their share before it.',
  };
}

/**
 * Resistor before a strip, by the current read at its full voltage: (V - wanted) / I.
 * @param volts the strip's own voltage, at which its current was read
 */
export function stripShortcut(volts: number, wantedVolts: number, amps: number): Shortcut {
  return {
    figure: (volts - wantedVolts) / amps,
    sum: `(${plain(volts)} V − ${plain(wantedVolts)} V) / ${plain(amps)} A = ${plain((volts - wantedVolts) / amps)} Ω`,
    why: 'The sum keeps the current that was read at full voltage; a strip draws much less at less, so the same resistor drops less than the sum says.',
  };
}

/** Volts that a resistor drops at a current, and what it leaves, by the same arithmetic. */
export function stripLeftShortcut(
  volts: number,
  ohms: number,
  amps: number,
): { dropVolts: number; leftVolts: number } {
  return { dropVolts: ohms * amps, leftVolts: volts - ohms * amps };
}

/** How long a reservoir holds, by constant current: C dV / I. */
export function holdShortcut(farads: number, volts: number, lowestVolts: number, amps: number): Shortcut {
  const seconds = (farads * (volts - lowestVolts)) / amps;
  return {
    figure: seconds,
    sum: `${plain(farads * 1e6)} µF × (${plain(volts)} V − ${plain(lowestVolts)} V) / ${plain(amps * 1e3)} mA = ${plain(seconds)} s`,
    why: 'The sum keeps the current as it was; lamps draw less as the reservoir falls, so the light fades sooner and lingers longer.',
  };
}

/** Peak of the charging current, by Ohm's law: V / R. */
export function inrushShortcut(volts: number, ohms: number): Shortcut {
  return {
    figure: volts / ohms,
    sum: `${plain(volts)} V / ${plain(ohms)} Ω = ${plain(volts / ohms)} A`,
    why: 'The sum is for contact at the very top of the wave and leaves out what rectifier and lamps take; it says nothing of how long it lasts.',
  };
}

/**
 * Life of a cell, by what is left of its capacity over current.
 * @param spent share of its charge that is out, 0 to 1
 */
export function cellShortcut(milliampHours: number, amps: number, spent = 0): Shortcut {
  const left = milliampHours * (1 - spent);
  const hours = left / 1e3 / amps;
  const of =
    spent > 0 ? `${plain(milliampHours)} mAh × ${plain(1 - spent)} left` : `${plain(milliampHours)} mAh`;
  return {
    figure: hours,
    sum: `${of} / ${plain(amps * 1e3)} mA = ${plain(hours)} h`,
    why: 'The sum keeps the current as it is now and takes all of the charge for granted; the current falls with the cell, which then lasts longer and grows dim, and a high current gets less out of it.',
  };
}
