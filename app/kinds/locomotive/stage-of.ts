import type { DocumentPath } from '../../../core/assembly/assembly';

/** The stage at which the thing at a document path of a locomotive is decided. */
export function stageOf(path: DocumentPath): string {
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
    case 'passages':
    case 'wires':
    case 'progress':
      return 'build';
    default:
      return 'brief';
  }
}
