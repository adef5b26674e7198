/** The stages of the work on a coach, in the order people work. */
export const stages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'what feeds it' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'how bright, and with what' },
  { id: 'try', name: 'Try', says: 'cut the power and see' },
  { id: 'fit', name: 'Fit', says: 'whether it goes in' },
  { id: 'proof', name: 'Proof', says: 'the last touches before it closes' },
  { id: 'build', name: 'Build', says: 'the order of work, and the sheet' },
] as const;
