import type { DocumentPath } from '../../core/assembly/assembly';

/** The stages of the work on what shows aspects, in the order people work. */
export const drivenStages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'what feeds it, what switches it' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps' },
  { id: 'aspects', name: 'Aspects', says: 'which lamps, when' },
  { id: 'circuit', name: 'Circuit', says: 'how bright each lamp' },
  { id: 'try', name: 'Try', says: 'tester, unmarked lamps' },
  { id: 'proof', name: 'Proof', says: 'the last touches' },
  { id: 'build', name: 'Build', says: 'the order of work, and the sheet' },
] as const;

/** The same where a time line says which lamps, when. */
export const movingStages = drivenStages.map((s) =>
  s.id === 'aspects' ? ({ ...s, id: 'timeline', name: 'Time line' } as const) : s,
);

/** The stage at which the thing at a document path of it is decided. */
export function drivenStageOf(path: DocumentPath): string {
  if (path[0] === 'supplies') return 'power';
  switch (path[2]) {
    case 'supplyId':
    case 'driver':
    case 'common':
      return 'power';
    case 'aspects':
      return 'aspects';
    case 'timeline':
      return 'timeline';
    case 'string':
    case 'motor':
    case 'lines':
    case 'circuits':
      return 'circuit';
    case 'lamps':
      return 'lamps';
    case 'passages':
    case 'wires':
    case 'progress':
      return 'build';
    default:
      return 'brief';
  }
}
