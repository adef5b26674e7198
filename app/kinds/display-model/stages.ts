/** The stages of the work on a display model, in the order people work. */
export const stages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'cells, USB or a supply' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'the resistor in the stand' },
  { id: 'try', name: 'Try', says: 'cell, tester, unmarked lamps' },
  { id: 'proof', name: 'Proof', says: 'the last touches before it closes' },
  { id: 'build', name: 'Build', says: 'the order of work, and the sheet' },
] as const;
