/** The stages of the work on a locomotive, in the order people work. */
export const stages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'track, decoder, plug' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'how they are wired' },
  { id: 'functions', name: 'Functions', says: 'what each output does' },
  { id: 'try', name: 'Try', says: 'throttle, tester' },
  { id: 'fit', name: 'Fit', says: 'holes, leads, leaks' },
  { id: 'proof', name: 'Proof', says: 'the last touches before it closes' },
  { id: 'build', name: 'Build', says: 'the order of work, and the sheet' },
] as const;
