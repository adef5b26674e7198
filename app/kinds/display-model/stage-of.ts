import type { DocumentPath } from '../../../core/assembly/assembly';

/** The stage at which the thing at a document path of a display model is decided. */
export function stageOf(path: DocumentPath): string {
  if (path[0] === 'supplies') return 'power';
  switch (path[2]) {
    case 'supplyId':
      return 'power';
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
