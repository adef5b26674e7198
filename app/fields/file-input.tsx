import type { RefObject } from 'react';

interface FileInputProps {
  readonly ref: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/**
 * The browser's own chooser of a file, opened by a press beside it; the same file can be chosen again.
 * Not the library's upload, which brings lists, progress and previews for what is read at once and sent
 * nowhere.
 */
export function FileInput({ ref, label, accept, onFile }: FileInputProps) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      aria-label={label}
      className="visually-hidden"
      tabIndex={-1}
      onChange={(e) => {
        const file = e.target.files?.[0];
        if (file) onFile(file);
        e.target.value = '';
      }}
    />
  );
}
