/** The stages of the work on a locomotive, in the order people work. */
export const vehicleStages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'track, decoder, plug' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'how they are wired' },
  { id: 'functions', name: 'Functions', says: 'what each output does' },
  { id: 'try', name: 'Try', says: 'throttle, tester' },
  { id: 'fit', name: 'Fit', says: 'holes, leads, leaks' },
  { id: 'proof', name: 'Proof', says: 'the last touches before it closes' },
] as const;

export type VehicleStageId = (typeof vehicleStages)[number]['id'];

/** The stage at which the thing at a document path is decided. */
export function vehicleStageOf(path: readonly (string | number)[]): VehicleStageId {
  if (path[0] === 'supplies') return 'power';
  switch (path[2]) {
    case 'supplyId':
    case 'otherSupplyId':
      return 'power';
    case 'decoder':
      return path[3] === 'outputs' ? 'functions' : 'power';
    case 'lines':
    case 'circuits':
      return 'circuit';
    case 'lamps':
      return 'lamps';
    case 'fit':
      return 'fit';
    default:
      return 'brief';
  }
}
