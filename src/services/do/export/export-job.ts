import { statSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { partOf } from '@/core/add/part-of';
import type { Shell } from '@/core/shell/model';
import { dueTodoOf } from '@/core/time/due-todo';
import { bad, good, type Result } from '@/core/shell/result';
import { writeZip } from '@/formats/archive/write-zip';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { dueDatesAsTodos } from '@/formats/icalendar/due-dates';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { writeState } from '@/formats/state-file/shell-state';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import type { BlobStore } from '@/store/blobs';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { exportKinds, type ExportKind } from './export-kinds';

/** Writes a shell, or a part of it, to a file. */
export const exportJob = defineJob({
  kind: 'export',
  input: z.strictObject({
    stateBlob: blobHash,
    what: z.enum(exportKinds),
    file: z.string(),
    chosen: z.array(z.string()).optional(),
  }),
  run: async ({ stateBlob, what, file, chosen }, { blobs, progress }) => {
    progress(0, 1, 'Writing the file');
    const whole = shellOf(blobs, stateBlob);
    const written = await writeTo(file, what, chosen ? partOf(whole, chosen) : whole, blobs);
    return written.ok ? good({ bytes: statSync(file).size }) : written;
  },
  settle: (written) => written,
});

const done = good(null);

async function writeTo(
  file: string,
  what: ExportKind,
  shell: Shell,
  blobs: BlobStore,
): Promise<Result<null>> {
  const frame = shell.calendar ?? { head: '', others: [] };
  switch (what) {
    case 'package': {
      const source = { read: blobs.read.bind(blobs), open: blobs.open.bind(blobs) };
      await writeCartridge(shell, source, file);
      return done;
    }
    case 'events':
      if (!shell.events.length && !shell.calendar)
        return bad('no-calendar', 'There are no events to export.');
      writeFileSync(file, writeCalendar(shell.events, frame));
      return done;
    case 'due-dates': {
      const others = frame.others.filter((source) => dueTodoOf(source) === null);
      const withDates = { ...frame, others: [...others, ...dueDatesAsTodos(shell)] };
      writeFileSync(file, writeCalendar(shell.events, withDates));
      return done;
    }
    case 'grades':
      if (!shell.gradeCategories.length && !shell.gradeColumns.length)
        return bad('no-grades', 'There is no grade setup to export.');
      writeZip(file, { ...writeGrades(shell) });
      return done;
    case 'status':
      writeFileSync(file, writeStatusSheet(shell));
      return done;
    case 'state':
      writeFileSync(file, writeState(shell));
      return done;
  }
}
