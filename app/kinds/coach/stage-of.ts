import type { DocumentPath } from '../../../core/assembly/assembly';

/** Stages of a line that are chosen together with the lamps’ resistors. */
const HOLDS = new Set(['charge', 'reservoir', 'regulator', 'constant-current']);

/** The stage at which the thing at a document path of a coach is decided. */
export function stageOf(path: DocumentPath): string {
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
    case 'passages':
    case 'wires':
    case 'progress':
      return 'build';
    default:
      return 'brief';
  }
}
