import { useEffect, useState } from 'react';
import { kindNames, kindRows } from './index';
import type { Face, LineFace } from './face';
import type { JobKindName } from '../../core/kinds/records';

const faces = new Map<JobKindName, Face>();
const lines = new Map<JobKindName, LineFace>();

/** Fetches what is not there yet. @returns what is there; an error of the way is thrown where it is drawn */
function useFetched<T>(
  known: Map<JobKindName, T>,
  kinds: readonly JobKindName[],
  fetch: (kind: JobKindName) => Promise<T>,
): ReadonlyMap<JobKindName, T> | null {
  const [, setCount] = useState(0);
  const [failure, setFailure] = useState<unknown>(null);
  const missing = kinds.filter((k) => !known.has(k)).join(' ');
  useEffect(() => {
    for (const kind of missing.split(' ').filter(Boolean) as JobKindName[])
      fetch(kind).then((of) => {
        known.set(kind, of);
        setCount((n) => n + 1);
      }, setFailure);
    // The way to fetch is the same for as long as the page is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [missing]);
  if (failure)
    throw failure instanceof Error ? failure : new Error('a part of the page could not be fetched');
  return missing === '' ? known : null;
}

/** The face of a kind; null while it is fetched. */
export const useFace = (kind: JobKindName): Face | null =>
  useFetched(faces, [kind], (k) => kindRows[k].face())?.get(kind) ?? null;

/** How the kinds that are there look from afar; null while they are fetched. */
export const useLineFaces = (kinds: readonly JobKindName[]): ReadonlyMap<JobKindName, LineFace> | null =>
  useFetched(
    lines,
    kindNames.filter((k) => kinds.includes(k)),
    (k) => kindRows[k].line(),
  );
