/** The stages of the work on the bench, in the order people work. */
export const stages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'what feeds it' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'how bright, and with what' },
  { id: 'try', name: 'Try', says: 'cut the power and see' },
  { id: 'fit', name: 'Fit', says: 'whether it goes in' },
] as const;

export type StageId = (typeof stages)[number]['id'];

/** Stages of a line that are chosen together with the lamps’ resistors. */
const HOLDS = new Set(['charge', 'reservoir', 'regulator', 'constant-current']);

/** The stage at which the thing at a document path is decided. */
export function stageOfPath(path: readonly (string | number)[]): StageId {
  if (path[0] === 'supplies') return 'power';
  switch (path[2]) {
    case 'supplyId':
      return 'power';
    case 'lines':
      return path[4] === 'stages' && HOLDS.has(String(path[5])) ? 'circuit' : 'power';
    case 'circuits':
    case 'wantedLux':
      return 'circuit';
    case 'lamps':
      return 'lamps';
    case 'fit':
      return 'fit';
    default:
      return 'brief';
  }
}
