import { useProgramStore } from '../store/program-store';

/** Whether an error says that a part of the program could not be fetched; browsers word it differently. */
export const isMissingPart = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|importing a module script|error loading|unable to preload/i.test(
    error.message,
  );

/** What nobody awaits is told, not lost; so is a part of the program that cannot be fetched. */
export function watchProgram(): void {
  const { say } = useProgramStore.getState();
  addEventListener('vite:preloadError', () => say({ kind: 'part' }));
  addEventListener('unhandledrejection', ({ reason }) =>
    say(
      isMissingPart(reason)
        ? { kind: 'part' }
        : { kind: 'unexpected', reason: reason instanceof Error ? reason.message : String(reason) },
    ),
  );
}
