import { useState } from 'react';

/** The value it was first given, for as long as what comes says the same: what hangs on it is not drawn anew. */
export function useSame<T>(value: T): T {
  const [kept, setKept] = useState(value);
  if (kept === value || JSON.stringify(kept) === JSON.stringify(value)) return kept;
  setKept(value);
  return value;
}
