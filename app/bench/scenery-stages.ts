import type { DocumentPath } from '../../core/assembly/assembly';

/** The stages of the work on a piece of scenery, in the order people work. */
export const sceneryStages = [
  { id: 'brief', name: 'Brief', says: 'what is to be lit' },
  { id: 'power', name: 'Power', says: 'what feeds it' },
  { id: 'lamps', name: 'Lamps', says: 'which lamps, and where' },
  { id: 'circuit', name: 'Circuit', says: 'how it is joined, how bright' },
  { id: 'try', name: 'Try', says: 'cells, tester, unmarked lamps' },
  { id: 'proof', name: 'Proof', says: 'the last touches' },
  { id: 'build', name: 'Build', says: 'the order of work, and the sheet' },
] as const;

/** The stage at which the thing at a document path of a piece of scenery is decided. */
export function sceneryStageOf(path: DocumentPath): string {
  if (path[0] === 'supplies') return 'power';
  switch (path[2]) {
    case 'supplyId':
    case 'showHours':
      return 'power';
    case 'lines':
    case 'circuits':
    case 'hookUp':
    case 'plug':
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
