import { useEffect, useState } from 'react';
import { useLayoutStore } from '../store/layout-store';
import { save } from './database';

export type SaveState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'failed' };

/** Pause after the last edit before it is written. */
const QUIET_MS = 300;

/** Saves every change as the person works; says how that stands. */
export function useAutosave(): SaveState {
  const layout = useLayoutStore((s) => s.layout);
  const revision = useLayoutStore((s) => s.revision);
  const [state, setState] = useState<SaveState>({ kind: 'idle' });
  useEffect(() => {
    if (!layout || revision === 0) return;
    // Said at once: "Saved" must never stand beside an edit that is not.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setState({ kind: 'saving' });
    let current = true;
    const write = (): void => {
      const at = new Date();
      save(layout, at.getTime()).then(
        () => current && setState({ kind: 'saved', at }),
        () => current && setState({ kind: 'failed' }),
      );
    };
    const timer = setTimeout(write, QUIET_MS);
    // A tab that closes within the pause must not lose the last edit.
    addEventListener('pagehide', write);
    return () => {
      current = false;
      clearTimeout(timer);
      removeEventListener('pagehide', write);
    };
  }, [layout, revision]);
  return state;
}
