'use client';
import { elementAt } from '@/core/sure';
import { useState } from 'react';
import { openColumns, type Mapping } from './column-mapping';
import type { ChosenFiles, SlotInfo } from './file-slots';
import { headerOf } from './read-header';
import { sortFiles, type Slot } from './sort-files';
import { upload } from './upload';

export type SentFiles = Partial<Record<Slot, { readonly id: string; readonly name: string }>>;

/** The files of a form: chosen or dropped, sorted into their places, and sent one after the other. */
export function useChosenFiles(slots: readonly SlotInfo[], remembered: Mapping) {
  const [files, setFiles] = useState<ChosenFiles>({});
  const [mapping, setMapping] = useState<Mapping>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const [uploading, setUploading] = useState<string | null>(null);
  const put = (slot: Slot, file: File) => {
    setFiles((now) => ({ ...now, [slot]: file }));
    // Only the beginning is looked at here; the sheet itself is read where everything is.
    if (slot === 'status')
      void file
        .slice(0, 65_536)
        .text()
        .then((text) => setMapping(openColumns(headerOf(text), remembered)));
  };
  const drop = (list: FileList) => {
    const dropped = [...list];
    const sorted = sortFiles(dropped.map((f) => f.name));
    setTrouble(sorted.trouble);
    for (const { slot, index } of sorted.placed) put(slot, elementAt(dropped, index));
  };
  /** Sends all of them; null where something is missing or did not arrive, which is said. */
  const sendAll = async (): Promise<SentFiles | null> => {
    if (!files.package) {
      setTrouble('Choose a course package first: an .imscc or .zip file.');
      return null;
    }
    setTrouble(null);
    const sent: SentFiles = {};
    for (const { key } of slots) {
      const file = files[key];
      if (!file) continue;
      setUploading(file.name);
      const answer = await upload(file);
      setUploading(null);
      if (!answer.ok) {
        setTrouble(`“${file.name}”: ${answer.trouble}`);
        return null;
      }
      sent[key] = { id: answer.id, name: file.name };
    }
    return sent;
  };
  return { files, mapping, setMapping, trouble, uploading, put, drop, sendAll };
}
