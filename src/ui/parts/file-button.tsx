'use client';
import Button, { type ButtonProps } from '@mui/material/Button';
import { useRef } from 'react';

interface FileButtonProps extends Pick<ButtonProps, 'size' | 'variant'> {
  /** The words of the button. */
  readonly words: string;
  /** What the file is, for whoever does not see the button. */
  readonly label: string;
  /** Endings and media types that are offered. */
  readonly accept: string;
  readonly testId?: string;
  readonly onFile: (file: File) => void;
}

/** A button that asks for one file; the same file can be chosen again. */
export function FileButton({ words, label, accept, testId, onFile, ...look }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...look} onClick={() => input.current?.click()}>
        {words}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        data-testid={testId}
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
