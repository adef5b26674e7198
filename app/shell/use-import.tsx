import { lazy, Suspense, useEffect, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { MOST_CHARACTERS } from '../../core/document/file';
import { Stopped } from '../storage/beside';
import { addLayout } from '../storage/session';
import type { FileComplaint } from '../../core/document/file';
import { useFileWork } from './use-file-work';
import type { LookedInto } from '../storage/archive';

const RefusedFile = lazy(() => import('./refused-file'));
const ArchiveLook = lazy(() => import('./archive-look'));

type Shown =
  | { readonly kind: 'refused'; readonly name: string; readonly complaints: readonly FileComplaint[] }
  | { readonly kind: 'archive'; readonly name: string; readonly read: LookedInto & { readonly ok: true } };

/** Larger than any shelf. */
const MOST_ARCHIVE_BYTES = 2048 * 1024 * 1024;

const isArchive = async (file: File): Promise<boolean> => {
  // A zip archive begins with these two letters, whatever it is called.
  const start = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  return start[0] === 0x50 && start[1] === 0x4b;
};

/** Takes a file: a layout is added to the shelf and opened, an archive of a shelf is looked at first, anything else is refused with the reason. */
export function useImport(): { readonly take: (file: File) => Promise<void>; readonly shown: ReactNode } {
  const [shown, setShown] = useState<Shown | null>(null);
  const navigate = useNavigate();
  const { work, progress } = useFileWork();
  const refuse = (name: string, reason: string): void =>
    setShown({ kind: 'refused', name, complaints: [{ path: '', reason }] });
  const take = async (file: File): Promise<void> => {
    try {
      if (await isArchive(file)) {
        if (file.size > MOST_ARCHIVE_BYTES) {
          refuse(file.name, 'it is larger than 2 GB: no shelf is');
          return;
        }
        const read = await work(`Reading ${file.name}`, (t, tell) => t.lookInto(file, tell));
        if (read.ok) setShown({ kind: 'archive', name: file.name, read });
        else refuse(file.name, read.reason);
        return;
      }
      // A character takes at least a byte, so a longer file need not be read at all.
      if (file.size > 4 * MOST_CHARACTERS) {
        refuse(file.name, 'the file is larger than 64 MB: no layout is');
        return;
      }
      const read = await work(`Reading ${file.name}`, (t) => t.readLayout(file));
      if (!read.ok) {
        setShown({ kind: 'refused', name: file.name, complaints: read.complaints });
        return;
      }
      if (await addLayout(read.layout, `From the file ${file.name}`.slice(0, 200))) void navigate('/');
    } catch (error) {
      if (!(error instanceof Stopped))
        refuse(file.name, error instanceof Error ? error.message : String(error));
    }
  };
  const close = (): void => setShown(null);
  return {
    take,
    shown: (
      <Suspense fallback={null}>
        {progress}
        {shown?.kind === 'refused' && (
          <RefusedFile name={shown.name} complaints={shown.complaints} onClose={close} />
        )}
        {shown?.kind === 'archive' && (
          <ArchiveLook
            name={shown.name}
            layouts={shown.read.layouts}
            contents={shown.read.contents}
            onClose={close}
          />
        )}
      </Suspense>
    ),
  };
}

/** A file dropped anywhere on the window is imported. @returns whether one is being held over it */
export function useDrop(take: (file: File) => Promise<void>): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    const holdsFile = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;
    const onOver = (event: DragEvent): void => {
      if (!holdsFile(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setOver(false);
    };
    const onDrop = (event: DragEvent): void => {
      setOver(false);
      const file = event.dataTransfer?.files[0];
      if (!file) return;
      event.preventDefault();
      void take(file);
    };
    addEventListener('dragover', onOver);
    addEventListener('dragleave', onLeave);
    addEventListener('drop', onDrop);
    return () => {
      removeEventListener('dragover', onOver);
      removeEventListener('dragleave', onLeave);
      removeEventListener('drop', onDrop);
    };
  });
  return over;
}
