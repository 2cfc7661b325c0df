'use client';
import Button from '@mui/material/Button';
import { useRef, type ChangeEvent } from 'react';

interface ChooseFolderProps {
  readonly isBusy: boolean;
  /** The files of what was chosen, by their paths in it. */
  readonly onFiles: (files: ReadonlyMap<string, File>) => void;
}

/** A whole folder, or several files. */
export function ChooseFolder({ isBusy, onFiles }: ChooseFolderProps) {
  const folder = useRef<HTMLInputElement>(null);
  const several = useRef<HTMLInputElement>(null);
  const take = (event: ChangeEvent<HTMLInputElement>) =>
    onFiles(new Map([...(event.target.files ?? [])].map((file) => [pathOf(file), file])));
  return (
    <div style={{ display: 'flex', gap: 12 }}>
      <Button variant="contained" disabled={isBusy} onClick={() => folder.current?.click()}>
        Choose a folder
      </Button>
      <Button disabled={isBusy} onClick={() => several.current?.click()}>
        or several files
      </Button>
      <input
        ref={(element) => {
          folder.current = element;
          // Not yet in the standard, and in every browser (WICG File and Directory Entries API).
          element?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        name="folder"
        hidden
        multiple
        aria-label="A folder of packages"
        onChange={take}
      />
      <input
        ref={several}
        type="file"
        name="several"
        hidden
        multiple
        aria-label="Several packages"
        onChange={take}
      />
    </div>
  );
}

/** The path inside the folder that was chosen; the name alone where files were. */
const pathOf = (file: File): string => file.webkitRelativePath || file.name;
