'use client';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { Slot } from './sort-files';
import styles from './bring-in.module.css';

export interface SlotInfo {
  readonly key: Slot;
  readonly title: string;
  readonly hint: string;
  readonly accept: string;
}
export type ChosenFiles = Partial<Record<Slot, File>>;

interface FileSlotsProps {
  readonly slots: readonly SlotInfo[];
  readonly files: ChosenFiles;
  readonly onFile: (slot: Slot, file: File) => void;
  readonly onDrop: (files: FileList) => void;
  readonly title: string;
  readonly hint: string;
}

/** A place to drop files on, and one button for each file that can be given. */
export function FileSlots({ slots, files, onFile, onDrop, title, hint }: FileSlotsProps) {
  const [over, setOver] = useState(false);
  const pickers = useRef<Partial<Record<Slot, HTMLInputElement | null>>>({});
  return (
    <div
      className={styles.drop}
      data-over={over}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        onDrop(event.dataTransfer.files);
      }}
    >
      <h2>{title}</h2>
      <p className="soft">{hint}</p>
      <div className={styles.slots}>
        {slots.map((slot) => (
          <div key={slot.key} className={styles.slot} data-filled={Boolean(files[slot.key])}>
            <strong>{slot.title}</strong>
            <span className="soft">{files[slot.key]?.name ?? slot.hint}</span>
            <input
              ref={(element) => {
                pickers.current[slot.key] = element;
              }}
              type="file"
              hidden
              accept={slot.accept}
              data-testid={`file-${slot.key}`}
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) onFile(slot.key, file);
              }}
            />
            <Button
              size="small"
              variant={slot.key === 'package' && !files.package ? 'contained' : 'outlined'}
              onClick={() => pickers.current[slot.key]?.click()}
              aria-label={`Choose${files[slot.key] ? ' another' : ''}: ${slot.title}`}
            >
              {files[slot.key] ? 'Choose another' : 'Choose'}
            </Button>
          </div>
        ))}
      </div>
    </div>
  );
}
